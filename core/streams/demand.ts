import type { WatchingWeek } from '../household/weekHabits'
import type { Estimate } from '../figure'
import type { ConversionTask } from './softwareWork'

/** A kind of conversion in the household's mix. */
export interface MixPart {
  readonly key: string
  readonly label: string
  /** share of the conversions, 0..1; the parts add up to 1 */
  readonly share: number
  /** reference streams one of them takes */
  readonly work: Estimate
  /** what goes in and what comes out */
  readonly task: ConversionTask
  /** id of the figure that shows how its work came about */
  readonly figure: string
}

/** One conversion by which a session can be served. */
export interface ConversionOption {
  readonly key: string
  readonly task: ConversionTask
  /** reference streams in software */
  readonly work: number
}

/** What one session of a habit may put on the machine. */
export interface SessionLoad {
  /** chance, given that the habit goes on */
  readonly chance: number
  /**
   * reference streams of a session whose sound or container change only, which no engine does; 0
   * for a conversion
   */
  readonly work: number
  /**
   * Conversions of the picture, largest first, down to the lowest quality that its viewer accepts:
   * before the machine falls
   * behind, the stream steps down to the least of them. Empty where the picture is left alone.
   */
  readonly options: readonly ConversionOption[]
}

/** A kind of conversion with its weight in a mix; only the ratio of weights counts. */
export interface WeighedTask {
  readonly task: ConversionTask
  /** reference streams in software */
  readonly work: number
  readonly share: number
}

/** Conversions as they follow from people, devices and titles. */
export interface Demand {
  readonly week: WatchingWeek
  readonly mix: readonly MixPart[]
  /**
   * The same sessions at the largest picture that device, line and cap allow, and at the least that
   * their viewers accept; whatever the machine can do.
   */
  readonly largest: readonly WeighedTask[]
  readonly least: readonly WeighedTask[]
  /** hours of an ordinary week that anybody watches, and those of them that convert */
  readonly hoursPerWeek: number
  readonly convertingHoursPerWeek: number
  /**
   * by habit: share of its sessions whose picture needs converting, whether or not this machine can
   */
  readonly convertingShares: readonly number[]
  /** by habit */
  readonly loads: readonly (readonly SessionLoad[])[]
}
