import { requireWithin } from '../../errors'

/** Of a 3.5" drive while it spins up, DC: watts, and amps at 12 V; for so many seconds. */
export const spinUpW = 25
export const spinUpAmps = 2
export const spinUpS = 8
/** Between two groups of a staggered start, s. */
export const groupDelayS = 8
/** Running load may take so much of a supply's rating. */
export const maxShareOfRating = 0.8

export interface StartQuestion {
  /** drives that turn */
  readonly spinning: number
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

/**
 * What a start takes, DC: 25 W for each drive that spins up together, idle watts for the others,
 * and the rest with the processor at
 * its most; at 12 V 2 A for each of those drives, and processor, cards and fans.
 * @throws {CoreRangeError} START_TOGETHER
 * @example 8 drives, 65 W processor, board 15, memory 5, fans 4.5: 289.5 W, 21.8 A
 */
export function startSurge({
  spinning,
  idleEachW,
  together,
  restW,
  rest12W,
}: StartQuestion): StartSurge {
  requireWithin('START_TOGETHER', together, { min: 1 })
  const starting = Math.min(spinning, together)
  return {
    watts: spinUpW * starting + idleEachW * (spinning - starting) + restW,
    amps12: spinUpAmps * starting + rest12W / 12,
    groups: Math.ceil(spinning / together),
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
  const { spinning, idleEachW, together, restW, rest12W } = question
  const groups = Math.ceil(spinning / Math.max(1, together))
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
      const starting = startingGroups.reduce(
        (sum, group) => sum + Math.min(together, spinning - group * together),
        0,
      )
      return {
        s,
        watts: spinUpW * starting + idleEachW * (spinning - starting) + restW,
        amps12: spinUpAmps * starting + rest12W / 12,
      }
    })
}
