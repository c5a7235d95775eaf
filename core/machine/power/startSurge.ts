import type { Surge } from '../../drives/surge'
import { requireWithin } from '../../errors'

/** A drive spins up for so many seconds. */
export const spinUpS = 8
/** Between two groups of a staggered start, s. */
export const groupDelayS = 8
/** Running load may take so much of a supply's rating. */
export const maxShareOfRating = 0.8

export interface StartQuestion {
  /** of each drive that turns what it takes while it spins up; the largest start first */
  readonly surges: readonly Surge[]
  /** watts of one that is turning already or waits, DC */
  readonly idleEachW: number
  /** drives that start at the same moment */
  readonly together: number
  /**
   * everything else, DC: board, memory, fans, cards with nothing to do, and the processor at its
   * most
   */
  readonly restW: number
  /** of that what comes from 12 V: processor at its most, cards, fans */
  readonly rest12W: number
}

/** The start at its worst moment. */
export interface StartSurge {
  readonly watts: number
  readonly amps12: number
  readonly groups: number
}

/** What drives that spin up at the same moment take together. */
function together12(surges: readonly Surge[]): Surge {
  return surges.reduce(
    (sum, { watts, amps12 }) => ({ watts: sum.watts + watts, amps12: sum.amps12 + amps12 }),
    { watts: 0, amps12: 0 },
  )
}

/** Of the drives that start together at the worst moment: those that take most. */
export function worstGroup({ surges, together }: StartQuestion): Surge {
  return together12(surges.slice(0, together))
}

/**
 * What a start takes, DC: its own surge for each drive that spins up together (25 W and 2 A at 12 V
 * where no model is known), idle watts for the others, and the rest with the processor at its most;
 * at 12 V those drives, and processor, cards and fans.
 * @throws {CoreRangeError} START_TOGETHER
 * @example 8 drives, 65 W processor, board 15, memory 5, fans 4.5: 289.5 W, 21.8 A
 */
export function startSurge(question: StartQuestion): StartSurge {
  const { surges, idleEachW, together, restW, rest12W } = question
  requireWithin('START_TOGETHER', together, { min: 1 })
  const { watts, amps12 } = worstGroup(question)
  const waiting = Math.max(0, surges.length - together)
  return {
    watts: watts + idleEachW * waiting + restW,
    amps12: amps12 + rest12W / 12,
    groups: Math.ceil(surges.length / together),
  }
}

/** A moment of a start: seconds from the press of the button, watts DC and amps at 12 V. */
export interface StartMoment {
  readonly s: number
  readonly watts: number
  readonly amps12: number
}

/**
 * The start as steps: at each begin and end of a group's spinning up, and some seconds before and
 * after.
 */
export function startCourse(question: StartQuestion): StartMoment[] {
  const { surges, idleEachW, together, restW, rest12W } = question
  const groups = Math.ceil(surges.length / Math.max(1, together))
  const edges = [
    0,
    1,
    ...Array.from({ length: groups }, (_, group) => [
      1 + group * groupDelayS,
      1 + group * groupDelayS + spinUpS,
    ]).flat(),
  ]
  const last = Math.max(...edges) + 6
  return [...new Set([...edges, last])]
    .sort((a, b) => a - b)
    .map(s => {
      if (s < 1) return { s, watts: 0, amps12: 0 }
      const startingGroups = Array.from({ length: groups }, (_, group) => group).filter(
        group => s >= 1 + group * groupDelayS && s < 1 + group * groupDelayS + spinUpS,
      )
      const starting = startingGroups.flatMap(group =>
        surges.slice(group * together, (group + 1) * together),
      )
      const { watts, amps12 } = together12(starting)
      return {
        s,
        watts: watts + idleEachW * (surges.length - starting.length) + restW,
        amps12: amps12 + rest12W / 12,
      }
    })
}
