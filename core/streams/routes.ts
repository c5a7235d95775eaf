import { group } from 'd3-array'
import { solve, type Constraint } from 'yalps'
import { units, type Unit } from './engineShares'

export const engineUnits = units.filter(
  (unit): unit is Exclude<Unit, 'processor'> => unit !== 'processor',
)

/** One engine, or several of one kind, by which conversions of a class can be done. */
export interface Route {
  /** which of the kinds of engine */
  readonly engine: number
  /** of each unit that it uses, the share that one conversion takes, > 0 */
  readonly shares: readonly (readonly [unit: Exclude<Unit, 'processor'>, share: number])[]
  /** reference streams that are left to the processor */
  readonly hostWork: number
}

/** A class of conversions with the engines that take it. */
export interface RoutedClass {
  readonly routes: readonly Route[]
  /** of all conversions, 0..1; the shares add up to 1 */
  readonly share: number
  /** share of them that is done in software, 0..1, and what one takes there, reference streams */
  readonly inSoftware: number
  readonly work: number
}

/** How many conversions of a mix run at once, and what runs out first. */
export interface MixCapacity {
  /** not rounded down */
  readonly conversions: number
  readonly binds: Unit
}

/** By how much a limit is moved to see whether more of it would do more. */
const nudge = 1.001

/**
 * Conversions at once on engines that are not alike, as many as the best sharing of the mix between
 * them makes: maximise t with Σ over engines of x[class, engine] ≥ t · share · (1 − in software),
 * every unit of every engine within its limit, and the processor within its own.
 * @param processor reference streams; Infinity where it is no limit
 */
export function onUnlike(classes: readonly RoutedClass[], processor: number): MixCapacity {
  const parts = alikeTogether(classes)
  if (parts.length === 1) return ofOneClass(parts[0]!, processor)
  const conversions = mostOf(parts, { processor, slack: () => 1 })
  // The limit is what more of would help most.
  const gains = units.map(unit => ({
    unit,
    most: mostOf(parts, {
      processor: unit === 'processor' ? processor * nudge : processor,
      slack: other => (other === unit ? nudge : 1),
    }),
  }))
  const { unit } = gains.reduce((best, gain) => (gain.most > best.most ? gain : best))
  return { conversions, binds: unit }
}

/**
 * A single class fills the engine first that leaves least to the processor, until that is full: no
 * sharing does more.
 */
function ofOneClass({ routes, inSoftware, work }: RoutedClass, processor: number): MixCapacity {
  let [left, conversions] = [processor, 0]
  let binds: Unit = 'processor'
  for (const { shares, hostWork } of [...routes].sort((a, b) => a.hostWork - b.hostWork)) {
    // What falls back goes along in its proportion.
    const each = hostWork + (inSoftware < 1 ? (inSoftware * work) / (1 - inSoftware) : 0)
    const [unit, most] = shares.reduce<readonly [Unit, number]>(
      (least, [own, share]) => (1 / share < least[1] ? [own, 1 / share] : least),
      ['processor', Infinity],
    )
    const byProcessor = each > 0 ? left / each : Infinity
    const here = Math.min(most, byProcessor)
    conversions += here
    left = Math.max(0, left - here * each)
    binds = byProcessor <= most ? 'processor' : unit
  }
  return routes.length === 0 || inSoftware >= 1
    ? { conversions: processor / work, binds: 'processor' }
    : { conversions: conversions / (1 - inSoftware), binds }
}

/**
 * Classes that take the same of every engine are one: a source's bitrate is nothing to an engine.
 * Their work in software is told by its mean.
 */
function alikeTogether(classes: readonly RoutedClass[]): RoutedClass[] {
  const groups = [
    ...group(classes, ({ routes, inSoftware }) => JSON.stringify([routes, inSoftware])).values(),
  ]
  return groups.map(alike => {
    const share = alike.reduce((sum, one) => sum + one.share, 0)
    return {
      ...alike[0]!,
      share,
      work: alike.reduce((sum, one) => sum + one.share * one.work, 0) / share,
    }
  })
}

function mostOf(
  parts: readonly RoutedClass[],
  { processor, slack }: { readonly processor: number; readonly slack: (unit: Unit) => number },
): number {
  const constraints = new Map<string, Constraint>()
  const software = parts.reduce(
    (sum, { share, inSoftware, work }) => sum + share * inSoftware * work,
    0,
  )
  const all: [string, number][] = [['all', 1]]
  if (Number.isFinite(processor)) {
    constraints.set('processor', { max: processor })
    if (software > 0) all.push(['processor', software])
  }
  const variables: [string, [string, number][]][] = [['all', all]]
  parts.forEach(({ routes, share, inSoftware }, part) => {
    const onEngines = share * (1 - inSoftware)
    if (routes.length === 0 || onEngines === 0) return
    constraints.set(`part ${part}`, { max: 0 })
    all.push([`part ${part}`, onEngines])
    for (const { engine, shares, hostWork } of routes) {
      const takes: [string, number][] = [[`part ${part}`, -1]]
      for (const [unit, need] of shares) {
        constraints.set(`${unit} ${engine}`, { max: slack(unit) })
        takes.push([`${unit} ${engine}`, need])
      }
      if (constraints.has('processor') && hostWork > 0) takes.push(['processor', hostWork])
      variables.push([`${part} ${engine}`, takes])
    }
  })
  const { status, result } = solve(
    { direction: 'maximize', objective: 'all', constraints, variables },
    { precision: 1e-12, checkCycles: true },
  )
  return status === 'optimal' ? result : status === 'unbounded' ? Infinity : 0
}
