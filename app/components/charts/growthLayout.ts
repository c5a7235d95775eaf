import { max } from 'd3-array'
import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { Estimate } from '~~/core/figure'

export interface GrowthLayout {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly bandPath: string
  readonly linePath: string
  readonly yearTicks: readonly number[]
  readonly sizeTicks: readonly number[]
  /** months shown */
  readonly months: number
}

export interface GrowthLayoutOptions {
  readonly months: readonly Estimate[]
  readonly roomTB: number | null
  readonly horizonMonths: number
  readonly width: number
  readonly height: number
  readonly margin: { readonly left: number, readonly right: number, readonly top: number, readonly bottom: number }
}

/** Scales and shapes of content against room over the months: a little past the horizon, at most as far as the forecast. */
export function growthLayout({ months, roomTB, horizonMonths, width, height, margin }: GrowthLayoutOptions): GrowthLayout {
  const shown = Math.min(months.length - 1, Math.max(84, horizonMonths + 24))
  const visible = months.slice(0, shown + 1)
  const top = Math.max(max(visible, month => month.high) ?? 0, roomTB ?? 0, 0.1) * 1.06
  const x = scaleLinear().domain([0, shown]).range([margin.left, Math.max(margin.left + 1, width - margin.right)])
  const y = scaleLinear().domain([0, top]).range([height - margin.bottom, margin.top]).nice(5)
  return {
    x,
    y,
    months: shown,
    bandPath: area<Estimate>((_, index) => x(index), month => y(month.low), month => y(month.high))([...visible]) ?? '',
    linePath: line<Estimate>((_, index) => x(index), month => y(month.likely))([...visible]) ?? '',
    yearTicks: Array.from({ length: Math.floor(shown / 12) + 1 }, (_, year) => year * 12),
    sizeTicks: y.ticks(5),
  }
}
