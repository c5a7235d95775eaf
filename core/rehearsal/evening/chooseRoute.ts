import type { LiveSession } from './liveSession'
import type { Evening, Place, Route, SessionPlan } from './world'

/** Amounts and shares are told apart down to this. */
const tolerance = 1e-9

export interface Occupied {
  readonly evening: Pick<Evening, 'places' | 'resources'>
  /** what is held of each place */
  readonly held: Float64Array
  readonly live: readonly LiveSession[]
}

/** Why no route has room: the first engine that takes it alone, its sessions before its memory. */
export interface NoRoute {
  readonly missing: Place['kind'] | 'software'
}

/**
 * The way by which a session is served, at its start and to its end: of the engines that have a
 * place for it the one whose fullest unit of its own would be least full, of equals the first; else
 * software.
 * @see handbook 10, Route
 */
export function chooseRoute(
  { routes }: Pick<SessionPlan, 'routes'>,
  on: Occupied,
): Route | NoRoute {
  let best: Route | null = null
  let least = Infinity
  let missing: NoRoute['missing'] | null = null
  for (const route of routes) {
    if (route.engine === null) continue
    const lack = lackOf(route, on)
    if (lack !== null) {
      missing ??= lack
      continue
    }
    const fullest = fullestUnit(route, on)
    if (fullest < least - tolerance) {
      least = fullest
      best = route
    }
  }
  if (best) return best
  const software = routes.find(({ engine }) => engine === null)
  return software ?? { missing: missing ?? 'software' }
}

function lackOf({ holds }: Route, { evening: { places }, held }: Occupied): Place['kind'] | null {
  const short = holds.filter(
    ([place, amount]) => held[place]! + amount > places[place]!.capacity * (1 + tolerance),
  )
  const kinds = short.map(([place]) => places[place]!.kind)
  return kinds.includes('driverSessions') ? 'driverSessions' : (kinds[0] ?? null)
}

/** How full the fullest unit of an engine would be, with all that are on it at speed 1. */
function fullestUnit({ units, rungs }: Route, { evening: { resources }, live }: Occupied): number {
  let fullest = 0
  for (const unit of units) {
    let needed = 0
    for (const { uses, needs } of [rungs[0]!, ...live.map(session => session.rungNow)]) {
      const at = uses.indexOf(unit)
      if (at >= 0) needed += needs[at]!
    }
    fullest = Math.max(fullest, needed / resources[unit]!.capacity)
  }
  return fullest
}
