import { catalogue } from '~~/core/catalogue/catalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { isDisturbed, scoreOf } from '~~/core/rehearsal/many/eveningScore'
import { playLot } from '~~/core/rehearsal/many/lots'
import { usualValues } from '~~/core/rehearsal/planningValues'
import { eveningPicture } from '~~/core/rehearsal/picture/eveningPicture'
import { resourceName } from '~~/core/rehearsal/picture/names'
import { momentOf } from '~~/core/rehearsal/picture/moment'
import { worldMark } from '~~/core/rehearsal/question/worldMark'
import type { WhatIf } from '~~/core/rehearsal/whatIf/whatIf'
import {
  rehearsalFixes,
  rehearsalOf,
  triedFix,
  type Rehearsed,
  type RehearsalFix,
  type SessionAsked,
} from '~~/core/tiers/rehearse'

/** What is rehearsed: a plan under conditions, from a seed. */
export interface RehearsalAsk {
  readonly plan: Plan
  readonly seed: string
  readonly whatIf: WhatIf
}
const howOf = ({ seed, whatIf }: RehearsalAsk) => ({ seed, whatIf, values: usualValues })

/** Evenings that are looked through for the next disturbed one. */
const mostSearched = 5040

/** Rehearses plans; what a plan is made ready to is kept for the next question. */
export function createRehearsalWork() {
  const known = new Map<string, Rehearsed>()
  /** Two builds are rehearsed in turn, so more than one is kept. */
  const mostKnown = 4
  function ready(ask: RehearsalAsk): Rehearsed {
    const key = JSON.stringify([ask.plan, ask.seed, ask.whatIf])
    const before = known.get(key) ?? rehearsalOf(ask.plan, catalogue, howOf(ask))
    known.delete(key)
    known.set(key, before)
    if (known.size > mostKnown) known.delete(known.keys().next().value!)
    return before
  }
  return {
    rehearsedEvening(ask: RehearsalAsk, number: number) {
      const { missing, rehearsal, slice } = ready(ask)
      return rehearsal
        ? { missing, picture: eveningPicture(rehearsal, slice, number) }
        : { missing, picture: null }
    },
    /** a mark of all that a result follows from; null where nothing can be rehearsed */
    rehearsalMark(ask: RehearsalAsk): string | null {
      const { rehearsal } = ready(ask)
      return rehearsal && worldMark(rehearsal.world)
    },
    /** The next evening after one that is disturbed; null where none is found. */
    nextDisturbed(ask: RehearsalAsk, after: number): number | null {
      const { rehearsal } = ready(ask)
      if (!rehearsal) return null
      for (let number = after + 1; number <= after + mostSearched; number++)
        if (isDisturbed(scoreOf(number, rehearsal.play(rehearsal.evening(number))))) return number
      return null
    },
    rehearsedLot(ask: RehearsalAsk, lot: number) {
      const { missing, rehearsal, slice } = ready(ask)
      return rehearsal
        ? {
            missing,
            tally: playLot(rehearsal, lot, slice.facts.household.week.watchers.length),
          }
        : { missing, tally: null }
    },
    /** what can run out, as it is called, in the order of the tally */
    rehearsedResources(ask: RehearsalAsk): string[] {
      const { rehearsal, slice } = ready(ask)
      return (rehearsal?.world.resources.list ?? []).map(one => resourceName(one, slice))
    },
    /** who was on when something happened, and what bound */
    moment(ask: RehearsalAsk, number: number, event: number) {
      const { rehearsal, slice } = ready(ask)
      return rehearsal && momentOf(rehearsal, slice, { number, event })
    },
    rehearsalFixes: ({ plan }: RehearsalAsk) => rehearsalFixes(plan, catalogue),
    triedFix: (ask: RehearsalAsk, fix: RehearsalFix, asked: SessionAsked) =>
      triedFix(fix, catalogue, { how: howOf(ask), asked }),
  }
}
