import { mapEstimate } from '../band'
import type { Quality } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import { exactly, type Estimate } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import type { Library } from '../plan/library'
import { headroomState, worseState, type VerdictState } from '../verdict'
import {
  conversionMachine,
  machineTakes,
  sessionMemoryMB,
  type ConversionChoices,
  type ConversionMachine,
  type Unit,
} from './conversionMachine'
import { neededFromAnswers, neededFromHabits, type ConversionsNeeded } from './conversionsNeeded'
import type { Demand, MixPart } from './demand'
import { mixCapacityBand, type MixClass } from './engineCapacity'
import { engineWarnings, type EngineWarning } from './engineWarnings'
import { libraryMix, meanWork } from './libraryMix'
import { plannedScore, type PlannedScore } from './plannedCapacity'
import {
  pureCases,
  pureClass,
  pureFacts,
  spreadOf,
  wholeStreams,
  type PureFacts,
} from './pureCases'
import { shortMinutes, type ShortMinutes } from './shortMinutes'

export interface StreamsSlice
  extends ConversionChoices, Pick<Choices, 'school' | 'minutesShortTarget' | 'toneMapping'> {
  readonly household: Household
  readonly library: Library
  readonly hardware: Hardware
  readonly qualities: readonly Quality[]
  readonly workTable: WorkTable
  /** what habits, devices and titles make; null where habits are not planned for */
  readonly demand: Demand | null
  /** Playback names the titles that the machine is too slow for, with their devices */
  readonly stuckIsTold: boolean
}

/** What is needed and what is possible in conversions at once. */
export interface StreamsFacts {
  readonly demand: Demand | null
  readonly needed: ConversionsNeeded
  /**
   * the mix, of habits or (while none are planned for) of the library; and whether a plain stream
   * stands in for it
   */
  readonly mix: readonly MixPart[]
  readonly mixFrom: 'habits' | 'library' | 'plainStream'
  readonly work: Estimate
  /** the machine as far as conversions go */
  readonly converter: ConversionMachine
  readonly score: PlannedScore | null
  readonly ownMix: readonly MixClass[]
  /**
   * GB of the machine's memory that the sessions of a built-in engine take, at as many conversions
   * as are needed
   */
  readonly engineGB: number
  /**
   * conversions at once of the mix, not rounded down, and what binds; null while the processor is
   * not known, or when it can do none of them
   */
  readonly capacity: { readonly conversions: Estimate; readonly binds: Unit } | null
  /**
   * the same in whole conversions: 0 when it can do none of them; null while the processor is not
   * known
   */
  readonly possible: Estimate | null
  readonly pure: readonly PureFacts[]
  /** null where habits are not planned for, or the processor is not known */
  readonly minutes: ShortMinutes | null
  /** share of the mix that this machine is too slow for, 0..1 */
  readonly stuckShare: number
  readonly state: VerdictState
  readonly warnings: readonly EngineWarning[]
}

/**
 * The state of the head room: a machine that most likely does not even one of what is needed is
 * impossible.
 */
export function conversionState(needed: number, possible: Estimate | null): VerdictState {
  return possible && needed > 0 && possible.likely < 1
    ? 'impossible'
    : headroomState(exactly(needed), possible)
}

/** The state of minutes short against those accepted. */
export function minutesState(minutes: Estimate, accepted: number): VerdictState {
  const state = headroomState(minutes, exactly(accepted))
  return state === 'impossible' ? 'short' : state
}

/**
 * GB that so many sessions of a mix take of the machine's memory, where an engine without memory of
 * its own converts.
 */
export function engineGB(
  mix: readonly MixClass[],
  { engines }: Pick<ConversionMachine, 'engines'>,
  conversions: number,
): number {
  if (!engines.some(({ memoryGB }) => memoryGB === null)) return 0
  const total = mix.reduce((sum, { share }) => sum + share, 0)
  return total > 0
    ? (conversions * mix.reduce((sum, { task, share }) => sum + share * sessionMemoryMB(task), 0)) /
        total /
        1000
    : 0
}

/**
 * What is needed and possible, with the state as far as minutes short do not tell: all that a
 * search asks of a machine which converts too little.
 */
export interface ConversionsAtOnce extends Pick<
  StreamsFacts,
  | 'demand'
  | 'needed'
  | 'mix'
  | 'mixFrom'
  | 'work'
  | 'converter'
  | 'ownMix'
  | 'engineGB'
  | 'capacity'
  | 'possible'
  | 'stuckShare'
> {
  /** of the head room alone; null while the processor is not known */
  readonly headroom: VerdictState | null
}

export function conversionsAtOnce(slice: StreamsSlice): ConversionsAtOnce {
  const { household, library, hardware, qualities, workTable, demand, toneMapping } = slice
  const needed = demand ? neededFromHabits(demand, slice) : neededFromAnswers(household, slice)
  const habitsMix = demand?.mix.length ? demand.mix : null
  const mix = habitsMix ?? libraryMix(library, qualities, { table: workTable, toneMapping })
  const work = mix.length ? meanWork(mix) : exactly(1)
  const converter = conversionMachine(hardware, slice, workTable)
  const ownMix: readonly MixClass[] = mix.length
    ? mix.map(({ task, work: own, share }) => ({ task, work: own.likely, share }))
    : [pureClass(workTable, toneMapping, pureCases[0]!)]
  const capacity = mixCapacityBand(ownMix, converter, spreadOf(work))
  const possible = converter.processor
    ? mapEstimate(capacity?.conversions ?? exactly(0), wholeStreams)
    : null
  const stuckShare = mix.reduce(
    (sum, part) => (machineTakes(part.task, part.work.likely, converter) ? sum : sum + part.share),
    0,
  )
  return {
    demand,
    needed,
    engineGB: engineGB(ownMix, converter, needed.needed),
    stuckShare,
    mix,
    work,
    converter,
    ownMix,
    capacity,
    possible,
    mixFrom: habitsMix ? 'habits' : mix.length ? 'library' : 'plainStream',
    headroom: possible && conversionState(needed.needed, possible),
  }
}

/**
 * Minutes in which the machine falls behind; null where habits are not planned for, or the
 * processor is not known.
 */
export function minutesOf(
  { demand, converter, capacity }: ConversionsAtOnce,
  { household }: StreamsSlice,
): ShortMinutes | null {
  return demand && converter.processor
    ? shortMinutes(demand, converter, {
        conversions: capacity?.conversions ?? exactly(0),
        busyDaysPerYear: household.busyDaysPerYear,
      })
    : null
}

/** The state of conversions: the worse of head room and minutes short. */
export function streamsState(
  { headroom, stuckShare, needed }: ConversionsAtOnce,
  minutes: ShortMinutes | null,
  { minutesShortTarget }: StreamsSlice,
): VerdictState {
  // Minutes short count what the machine is too slow for; where habits are not planned for, only
  // the mix can tell of it.
  const byMinutes = minutes
    ? minutesState(minutes.perMonth, minutesShortTarget)
    : stuckShare > 0 && needed.needed > 0
      ? 'tight'
      : 'unknown'
  return headroom ? worseState(headroom, byMinutes) : 'unknown'
}

export function streamsFacts(slice: StreamsSlice): StreamsFacts {
  const { hardware, toneMapping } = slice
  const { headroom, ...atOnce } = conversionsAtOnce(slice)
  const { converter, mix, needed } = atOnce
  const minutes = minutesOf({ ...atOnce, headroom }, slice)
  return {
    ...atOnce,
    minutes,
    score: plannedScore(hardware),
    pure: pureCases.map(pure => pureFacts(pure, converter, toneMapping)),
    state: streamsState({ ...atOnce, headroom }, minutes, slice),
    warnings: engineWarnings({
      hardware,
      choices: slice,
      converter,
      mix,
      needed: needed.needed,
      stuckIsTold: slice.stuckIsTold,
    }),
  }
}
