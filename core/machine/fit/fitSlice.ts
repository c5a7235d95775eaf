import type { SystemKind } from '../../catalogue/systemKinds'
import type { Brief } from '../../plan/brief'
import type { Machine } from '../../plan/machine'
import type { Service } from '../../plan/system'
import type { DayHours } from '../power/dayHours'
import type { DriveLoad } from '../assembly/items'
import type { MachineBuild } from '../machineBuild'
import type { MachinePower, StateWatts } from '../machinePower'

/** What of the machine's own fields the rules look at. */
export type FitWishes = Pick<
  Machine,
  'startTogether' | 'memoryGB' | 'monitorAtHand' | 'wantsEcc'
> & { readonly onWifi: boolean }
/** Where it stands. */
export type FitPlace = Pick<
  Brief,
  | 'place'
  | 'opensTo'
  | 'earDistanceM'
  | 'roomLowC'
  | 'roomHighC'
  | 'cupboardM2'
  | 'cupboardVented'
  | 'damp'
  | 'dusty'
  | 'mainsVolts'
  | 'shelfWidthMm'
  | 'shelfHeightMm'
  | 'shelfDepthMm'
>

/**
 * What fit follows from: the machine with its parts, the drives, where it stands, and what it has
 * to do.
 */
export interface FitSlice {
  readonly machine: FitWishes
  readonly brief: FitPlace
  readonly build: MachineBuild
  readonly power: MachinePower
  readonly watts: StateWatts
  readonly hours: DayHours
  readonly system: SystemKind | null
  readonly services: readonly Service[]
  readonly copyOnWrite: boolean
  readonly freeBays: number
  readonly drives: DriveLoad & { readonly fast: number; readonly rawTB: number }
  readonly redundant: boolean
  readonly layoutId: string
  readonly conversionsNeeded: number
  readonly engineGB: number
  readonly hardwareConversion: boolean
  readonly serverPortMbps: number
}
