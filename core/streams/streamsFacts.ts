import { mapEstimate } from '../band'
import type { Quality } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import { exactly, type Estimate } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import type { Library } from '../plan/library'
import { weeksPerMonth } from '../units/week'
import { headroomState, worseState, type VerdictState } from '../verdict'
import {
  conversionMachine,
  tooSlowShare,
  type ConversionChoices,
  type ConversionMachine,
} from './conversionMachine'
import { sessionMemoryMB, type Unit } from './engineShares'
import { neededFromAnswers, neededFromHabits, type ConversionsNeeded } from './conversionsNeeded'
import type { Demand, MixPart } from './demand'
import { mixCapacity, mixCapacityBand, type MixClass } from './engineCapacity'
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
  /** something is kept whose picture may need converting */
  readonly keepsVideo: boolean
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
  /** at the largest pictures that device, line and cap allow, whatever the machine makes of them */
  readonly largest: Estimate | null
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
 * impossible; one that keeps up only with smaller pictures, as far as they are accepted, is tight.
 * @param largest conversions at once at the largest pictures that device, line and cap allow
 * @param least the same at the least that viewers accept, likely
 */
export function conversionState(
  needed: number,
  largest: Estimate | null,
  least: number = largest?.likely ?? 0,
): VerdictState {
  if (!largest || needed === 0) return headroomState(exactly(needed), largest)
  if (Math.max(largest.likely, least) < 1) return 'impossible'
  const state = headroomState(exactly(needed), largest)
  if (state !== 'short' && state !== 'impossible') return state
  return needed <= least ? 'tight' : 'short'
}

/** From this share of watching hours on, what cannot be played makes a machine impossible. */
export const mostUnplayable = 0.5

/**
 * The state of what a machine is too slow for: more of the conversions than is accepted is short,
 * and more than half of all watching, or every conversion, impossible. Unknown where that says
 * nothing.
 * @param allowedShare of the conversions, what may fail by the limit on minutes short
 */
export function tooSlowState({
  stuckShare,
  unplayableShare,
  allowedShare,
}: {
  readonly stuckShare: number
  readonly unplayableShare: number
  readonly allowedShare: number
}): VerdictState {
  if (stuckShare <= 1e-12) return 'unknown'
  if (stuckShare >= 1 - 1e-9 || unplayableShare > mostUnplayable) return 'impossible'
  return stuckShare > allowedShare + 1e-12 ? 'short' : 'unknown'
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
  | 'keepsVideo'
  | 'mix'
  | 'mixFrom'
  | 'work'
  | 'converter'
  | 'ownMix'
  | 'engineGB'
  | 'capacity'
  | 'possible'
  | 'largest'
  | 'stuckShare'
> {
  /**
   * of the head room and of what the machine is too slow for; null while the processor is not known
   */
  readonly headroom: VerdictState | null
}

/** Of all that is watched, the share that this machine cannot play. */
function unplayableOf(
  { demand, household }: Pick<StreamsSlice, 'demand' | 'household'>,
  stuckShare: number,
): number {
  const { converted, watchingHome, watchingAway } = household
  const converting = demand
    ? demand.hoursPerWeek > 0
      ? demand.convertingHoursPerWeek / demand.hoursPerWeek
      : 0
    : Math.min(1, converted / Math.max(1, watchingHome + watchingAway))
  return converting * stuckShare
}

/** Of the conversions, the share that may fail: by the limit on minutes, where that is the rule. */
function allowedOf({
  demand,
  school,
  minutesShortTarget,
}: Pick<StreamsSlice, 'demand' | 'school' | 'minutesShortTarget'>): number {
  if (school !== 'minutesShort' || !demand || demand.convertingHoursPerWeek === 0) return 0
  return minutesShortTarget / (demand.convertingHoursPerWeek * 60 * weeksPerMonth)
}

export function conversionsAtOnce(slice: StreamsSlice): ConversionsAtOnce {
  const { household, library, hardware, qualities, workTable, demand, toneMapping } = slice
  const habitsMix = demand?.mix.length ? demand.mix : null
  const mix = habitsMix ?? libraryMix(library, qualities, { table: workTable, toneMapping })
  const keepsVideo = mix.length > 0 || library.otherTB > 0
  const needed = demand
    ? neededFromHabits(demand, slice)
    : neededFromAnswers(household, slice, keepsVideo)
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
    (sum, part) => sum + part.share * tooSlowShare(part.task, part.work.likely, converter),
    0,
  )
  const wholeOf = (others: readonly MixClass[]) =>
    mapEstimate(
      mixCapacityBand(others, converter, spreadOf(work))?.conversions ?? exactly(0),
      wholeStreams,
    )
  // Most machines do every title at its largest picture: then that is the mix.
  const stepsDown =
    demand !== null &&
    habitsMix !== null &&
    (demand.largest.length !== mix.length ||
      demand.largest.some(({ task }) => mix.every(part => part.task !== task)))
  const largest = possible && stepsDown ? wholeOf(demand.largest) : possible
  const headroomOf = (all: Estimate): VerdictState =>
    worseState(
      conversionState(
        needed.needed,
        all,
        demand?.least.length && needed.needed > all.likely
          ? wholeStreams(mixCapacity(demand.least, converter)?.conversions ?? 0)
          : undefined,
      ),
      needed.needed > 0
        ? tooSlowState({
            stuckShare,
            unplayableShare: unplayableOf(slice, stuckShare),
            allowedShare: allowedOf(slice),
          })
        : 'unknown',
    )
  return {
    demand,
    needed,
    keepsVideo,
    engineGB: engineGB(ownMix, converter, needed.needed),
    stuckShare,
    mix,
    work,
    converter,
    ownMix,
    capacity,
    possible,
    mixFrom: habitsMix ? 'habits' : mix.length ? 'library' : 'plainStream',
    largest,
    headroom: largest && headroomOf(largest),
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
  { headroom }: ConversionsAtOnce,
  minutes: ShortMinutes | null,
  { minutesShortTarget }: StreamsSlice,
): VerdictState {
  const byMinutes = minutes ? minutesState(minutes.perMonth, minutesShortTarget) : 'unknown'
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
