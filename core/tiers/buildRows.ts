import type { DayHours } from '../machine/power/dayHours'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { FitRule } from '../machine/fit/fitRule'
import type { FitNeeds } from '../machine/fitting'
import type { MachineFacts } from '../machine/machineFacts'
import type { Machine } from '../plan/machine'
import type { Network } from '../plan/network'
import type { Plan } from '../plan/planSchema'
import type { VerdictState } from '../verdict'

/** What one build comes to, likely values only. */
export interface Evaluation {
  readonly toPay: number
  /** over the horizon, everything counted, not rounded */
  readonly horizonCost: number
  readonly idleW: number
  readonly loadW: number
  readonly kWhPerYear: number
  readonly electricityPerYear: number
  readonly freeBays: number
  /** whole conversions at once; 0 while nothing can be done */
  readonly possible: number
  readonly minutesShort: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
  readonly streams: VerdictState
  readonly space: VerdictState
  readonly survival: VerdictState
  readonly home: VerdictState
  readonly away: VerdictState
  readonly fit: VerdictState
  readonly money: VerdictState
  readonly meets: boolean
}

/** A machine without its data drives, and the port it is reached by. */
export interface Box {
  /** the same for the same machine */
  readonly key: string
  readonly machine: Machine
  /** kind of system that runs on it; the plan's where it is left out */
  readonly system?: string
  readonly serverPortMbps: Network['serverPortMbps']
}
/** Data drives under a layout, as a plan holds them. */
export interface DriveSet {
  readonly key: string
  readonly drives: Plan['drives']
}

/** A machine as every build with it sees it. */
export interface BoxRow {
  readonly id: number
  readonly price: number
  readonly priceMissing: boolean
  readonly bays: number
  readonly machine: MachineFacts
  readonly needs: FitNeeds['streams']
  /** the plan with this machine */
  readonly adopted: Plan
  readonly streams: VerdictState
  readonly possible: number
  readonly minutesShort: number
  readonly home: VerdictState
  readonly away: VerdictState
  /** its part of what the years cost, electricity apart */
  readonly yearsCost: number
}

/** Drives under a layout as every build with them sees them. */
export interface PoolRow {
  readonly set: DriveSet
  readonly count: number
  readonly price: number
  readonly drives: DrivesFacts
  readonly copyOnWrite: boolean
  /** pools of one key are alike as far as fit goes */
  readonly fitKey: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
  readonly space: VerdictState
  readonly survival: VerdictState
  /** their part of what the years cost, with extras, copies and own time, electricity apart */
  readonly yearsCost: number
}

export interface BoxEvaluator {
  /** like: a row whose streams stand for this one's where both convert with the same hardware */
  readonly box: (box: Box, copyOnWrite: boolean, like?: BoxRow) => BoxRow
  /** home network and internet line by a machine's port: with a faster one neither gets worse */
  readonly links: (serverPortMbps: Box['serverPortMbps']) => Pick<BoxRow, 'home' | 'away'>
  /** what it converts with, without asking how much */
  readonly hardware: (box: Box, copyOnWrite: boolean) => MachineFacts['hardware']
  readonly pool: (pool: DriveSet) => PoolRow
  /**
   * the drives as they hang in a machine: links that they share there make a rebuild slower, so
   * they survive no better than on their own
   */
  readonly hung: (box: BoxRow, pool: PoolRow) => PoolRow
  /**
   * whether machine and drives go together, by the same rules as an assessment; once for pools that
   * are alike
   */
  readonly fit: (box: BoxRow, pool: PoolRow) => VerdictState
  readonly evaluate: (box: BoxRow, pool: PoolRow) => Evaluation
  /** ids of the rules among these that fail; of the strict ones those that warn as well */
  readonly failing: (
    box: BoxRow,
    pool: PoolRow,
    asked: { readonly rules: readonly FitRule[]; readonly strict?: ReadonlySet<string> },
  ) => string[]
  /** whether any of these rules warns or fails; once for pools that are alike */
  readonly warns: (box: BoxRow, pool: PoolRow, rules: readonly FitRule[]) => boolean
  /** how a day is spent, whatever the machine */
  readonly hours: DayHours
  /** what one watt at the wall, on average, costs over the years */
  readonly wattCost: number
  /** of the price of machine and drives, what is left after the sale at the end */
  readonly keptShare: number
  readonly counts: () => { readonly boxes: number; readonly pools: number }
}
