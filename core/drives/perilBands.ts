import type { Estimate } from '../figure'
import {
  chanceOf,
  waysToLoss,
  type PerilQuestion,
  type PerilResult,
  type WayToLoss,
} from './perilChances'

/** Planning values of perils, and what measures leave of them, are right within this. */
export const perilBand: Estimate = { low: 0.5, likely: 1, high: 2 }

/** A chance on the scale on which independent swings add up: −ln(1 − P). */
const hazard = (chance: number) => -Math.log1p(-chance)

/** What a measure leaves of a peril at an end of its band; all and nothing are certain. */
function swungLeave(leaves: number, factor: number): number {
  return leaves > 0 && leaves < 1 ? Math.min(1, leaves * factor) : leaves
}

/**
 * The band of the chance that any of several ways leads to a loss: each way's chance and what each
 * measure leaves of it is swung alone; the swings of ln(−ln(1 − P)) add up by the root of the sum
 * of squares. A chance of 0 or 1 is held.
 * @param ends the same ways with their chances at the low and the high end
 */
function bandOfWays(
  ways: readonly WayToLoss[],
  ends: Readonly<Record<'low' | 'high', readonly WayToLoss[]>>,
): Estimate {
  const hazards = ways.map(way => hazard(chanceOf(way)))
  const total = hazards.reduce((sum, each) => sum + each, 0)
  const likely = -Math.expm1(-total)
  if (likely <= 0 || likely >= 1) return { low: likely, likely, high: likely }
  const end = (which: 'low' | 'high') => {
    let squares = 0
    const swing = (at: number, way: WayToLoss) => {
      const swung = Math.log((total - hazards[at]! + hazard(chanceOf(way))) / total)
      squares += swung ** 2
    }
    ways.forEach((way, at) => {
      swing(at, { ...way, reaches: ends[which][at]!.reaches })
      way.leaves.forEach((leave, measure) => {
        const leaves = way.leaves.with(measure, swungLeave(leave, perilBand[which]))
        if (leaves[measure] !== leave) swing(at, { ...way, leaves })
      })
    })
    const away = Math.sqrt(squares) * (which === 'low' ? -1 : 1)
    return -Math.expm1(-Math.exp(Math.log(total) + away))
  }
  return { low: end('low'), likely, high: end('high') }
}

/**
 * Bands of the chances a year by all perils.
 * @param at the question with its chances likely, and at both ends
 */
export function perilBands(
  at: Readonly<Record<keyof Estimate, PerilQuestion>>,
): Readonly<Record<PerilResult, Estimate>> {
  const of = (end: keyof Estimate) => waysToLoss(at[end])
  const [low, likely, high] = [of('low'), of('likely'), of('high')]
  const band = (result: PerilResult) => {
    const ways = ({ perils, unreliable }: ReturnType<typeof waysToLoss>) => [
      ...perils.map(peril => peril[result]),
      ...(result === 'dayOut' ? [unreliable] : []),
    ]
    return bandOfWays(ways(likely), { low: ways(low), high: ways(high) })
  }
  return {
    irreplaceable: band('irreplaceable'),
    replaceable: band('replaceable'),
    dayOut: band('dayOut'),
  }
}
