import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { Estimate } from '~~/core/figure'
import { stepPath } from '~/components/charts/growthLayout'

export interface StaircaseOptions {
  readonly months: readonly Estimate[]
  readonly horizonMonths: number
  /** staircases that must fit, TB by month */
  readonly stairs: readonly (readonly number[])[]
  readonly width: number
  readonly height: number
}
export interface StaircaseLayout {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly bandPath: string
  readonly linePath: string
  readonly stairPath: (roomTB: readonly number[]) => string
  readonly yearTicks: readonly number[]
  readonly sizeTicks: readonly number[]
}

export const staircaseMargin = { left: 46, right: 18, top: 34, bottom: 34 } as const

/** Scales and shapes of the library's band and of staircases of room, from today to the horizon. */
export function staircaseLayout({
  months,
  horizonMonths,
  stairs,
  width,
  height,
}: StaircaseOptions): StaircaseLayout {
  const visible = months.slice(0, horizonMonths + 1)
  const { left, right, top, bottom } = staircaseMargin
  const most = Math.max(0.1, ...visible.map(month => month.high), ...stairs.flat())
  const x = scaleLinear([0, horizonMonths], [left, Math.max(left + 1, width - right)])
  const y = scaleLinear([0, most * 1.05], [height - bottom, top]).nice(5)
  const stairPath = (roomTB: readonly number[]) =>
    stepPath(roomTB.slice(0, horizonMonths + 1), x, y)
  const everyYears = horizonMonths > 96 && width < 600 ? 24 : 12
  return {
    x,
    y,
    stairPath,
    bandPath:
      area<Estimate>(
        (_, month) => x(month),
        month => y(month.low),
        month => y(month.high),
      )([...visible]) ?? '',
    linePath:
      line<Estimate>(
        (_, month) => x(month),
        month => y(month.likely),
      )([...visible]) ?? '',
    yearTicks: Array.from(
      { length: Math.floor(horizonMonths / everyYears) + 1 },
      (_, at) => at * everyYears,
    ),
    sizeTicks: y.ticks(5),
  }
}

/**
 * Rows of labels above their steps, so that neighbours do not lie on each other: each goes to the
 * first row with room.
 */
export function labelRows(
  steps: readonly { readonly at: number; readonly width: number }[],
): number[] {
  const ends: number[] = []
  return steps.map(({ at, width }) => {
    const row = ends.findIndex(end => end < at - width / 2)
    const chosen = row < 0 ? ends.length : row
    ends[chosen] = at + width / 2 + 6
    return chosen
  })
}
