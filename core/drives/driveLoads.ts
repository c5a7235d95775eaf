import { exactly, type Estimate } from '../figure'
import type { DriveTraits } from './driveTraits'
import { largestFirst, surgeOf, type Surge } from './surge'

/** What drives ask of the machine that they hang in: places, watts, and a surge at the start. */
export interface DriveLoads {
  readonly count: number
  readonly rawTB: number
  /** in cases of their own on USB, which take no place of the machine; and their watts, likely */
  readonly inOwnCase: number
  readonly ownCaseIdleW: number
  readonly ownCaseActiveW: number
  /** of the others, as far as putting them in goes */
  readonly spinning: number
  readonly fast: number
  readonly nvme: number
  /** watts of all drives, DC; of those that turn in the machine, likely */
  readonly idleW: Estimate
  readonly turningIdleW: number
  readonly turningActiveW: number
  /** what each drive that turns takes while it spins up, the largest first */
  readonly surges: readonly Surge[]
  readonly activeW: Estimate
  /** with the platters of those that turn stopped */
  readonly asleepW: Estimate
}

/**
 * Drives that read faster on their outer tracks turn at 7200 a minute, others at 5400: halfway
 * between the two.
 */
export const fastFromMBps = 215

/** Sum over drives; ends are summed too, because drives of one kind err alike. */
export function sumEstimates(list: readonly Estimate[]): Estimate {
  return list.reduce(
    (sum, { low, likely, high }) => ({
      low: sum.low + low,
      likely: sum.likely + likely,
      high: sum.high + high,
    }),
    exactly(0),
  )
}

/** What drives ask of the machine, from what each of them is like. */
export function driveLoads(
  traits: readonly (DriveTraits & { readonly sizeTB: number })[],
): DriveLoads {
  const beside = traits.filter(({ inOwnCase }) => inOwnCase)
  const turning = traits.filter(({ spinning, inOwnCase }) => spinning && !inOwnCase)
  return {
    count: traits.length,
    rawTB: traits.reduce((sum, { sizeTB }) => sum + sizeTB, 0),
    inOwnCase: beside.length,
    ownCaseIdleW: sumEstimates(beside.map(({ idleW }) => idleW)).likely,
    ownCaseActiveW: sumEstimates(beside.map(({ activeW }) => activeW)).likely,
    spinning: turning.length,
    fast: turning.filter(({ outerMBps }) => outerMBps > fastFromMBps).length,
    nvme: traits.filter(({ nvme }) => nvme).length,
    idleW: sumEstimates(traits.map(({ idleW }) => idleW)),
    turningIdleW: sumEstimates(turning.map(({ idleW }) => idleW)).likely,
    turningActiveW: sumEstimates(turning.map(({ activeW }) => activeW)).likely,
    surges: largestFirst(turning.map(({ model }) => surgeOf(model))),
    activeW: sumEstimates(traits.map(({ activeW }) => activeW)),
    asleepW: sumEstimates(traits.map(({ asleepW }) => asleepW)),
  }
}
