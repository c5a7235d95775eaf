import type { RehearsalSlice } from '../question/rehearsalSlice'
import type { Rehearsal } from '../playOne'
import type { LiveSession } from '../evening/liveSession'
import type { DrawnSession } from '../draw/drawEvening'
import { hang, ownLimit } from '../evening/world'
import { resourceName } from './names'

/** One who is on at a moment. */
export interface AtMoment {
  readonly name: string
  readonly title: string
  readonly device: string
  /** what it asks at speed 1 of what binds, and what it gets; shares of what there is */
  readonly asks: number
  readonly gets: number
  readonly speed: number
  /** it is the one that the moment is about */
  readonly isAsked: boolean
}

/** What stood against each other when something happened. */
export interface Moment {
  readonly at: number
  /** what binds, as it is called */
  readonly binds: string
  /** a thing that is shared; otherwise shares are of speed 1 */
  readonly isShared: boolean
  readonly on: readonly AtMoment[]
}

/**
 * The moment of one event of an evening: who was on just before it, what each asked and got.
 * @param event its place among the evening's events
 */
export function momentOf(
  rehearsal: Rehearsal,
  slice: RehearsalSlice,
  { number, event }: { readonly number: number; readonly event: number },
): Moment | null {
  const evening = rehearsal.evening(number)
  const { week } = slice.facts.household
  const { rows, columns } = slice.facts.playback.matrix
  let before: { readonly session: LiveSession; readonly speed: number; readonly rung: number }[] =
    []
  let capacities = new Float64Array(0)
  let found: Moment | null = null
  let seen = 0
  rehearsal.play(evening, {
    shares: (_, live, now) => {
      if (found) return
      before = live.map(session => ({ session, speed: session.speed, rung: session.rung }))
      capacities = now.slice()
    },
    event: ({ at, binds, session: place }) => {
      if (seen++ !== event) return
      const isShared = binds > ownLimit && evening.sessions[place]!.never === null
      const has = isShared ? capacities[binds]! : 1
      found = {
        at,
        isShared,
        binds:
          binds === hang
            ? 'the machine, which hangs'
            : isShared
              ? resourceName(evening.resources[binds]!, slice)
              : 'nothing that is shared',
        on: before.flatMap(({ session, speed, rung }): AtMoment[] => {
          const { uses, needs } = session.route.rungs[rung]!
          const use = isShared ? uses.indexOf(binds) : 0
          if (isShared && use < 0) return []
          const need = isShared ? needs[use]! : 1
          const plan = session.plan as DrawnSession
          return [
            {
              name: week.watchers[plan.viewer]!.name,
              title: plan.offer.row === null ? 'Sound alone' : rows[plan.offer.row]!.label,
              device: columns[plan.offer.column]!.deviceName,
              asks: has > 0 ? need / has : Infinity,
              gets: has > 0 ? (need * speed) / has : 0,
              speed,
              isAsked: plan === evening.sessions[place],
            },
          ]
        }),
      }
    },
  })
  return found
}
