import type { WatchingWeek } from '../household/watchingWeek'
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

/** What one session of a habit may put on the machine. */
export interface SessionLoad {
  /** chance, given that the habit goes on */
  readonly chance: number
  /** reference streams in software */
  readonly work: number
  /** null where only sound or container change, which no engine does */
  readonly task: ConversionTask | null
  /** what goes out is below the lowest quality that the viewer accepts: short by itself */
  readonly tooLow: boolean
}

/** Conversions as they follow from people, devices and titles. */
export interface Demand {
  readonly week: WatchingWeek
  readonly mix: readonly MixPart[]
  /** by habit: share of its sessions whose picture is converted */
  readonly convertingShares: readonly number[]
  /** by habit */
  readonly loads: readonly (readonly SessionLoad[])[]
  /** share of the watching hours that cannot be played at all */
  readonly cannotShare: number
}
