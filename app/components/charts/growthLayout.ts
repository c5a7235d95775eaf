import { max } from 'd3-array'
import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { Estimate } from '~~/core/figure'

/** The content of one kind, lying on those before it. */
export interface GrowthLayer {
  readonly kind: string
  readonly path: string
  /** middle of the layer at the right end, and how thick it is there */
  readonly labelY: number
  readonly thickness: number
}

export interface GrowthLayout {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly bandPath: string
  readonly linePath: string
  /** the room over the months */
  readonly roomPath: string
  readonly layers: readonly GrowthLayer[]
  readonly yearTicks: readonly number[]
  readonly sizeTicks: readonly number[]
  /** months shown */
  readonly months: number
}

export interface GrowthLayoutOptions {
  readonly months: readonly Estimate[]
  /** likely content by kind, month by month; left out, no layers are drawn */
  readonly kinds?: ReadonlyMap<string, Float64Array>
  readonly roomTB: number | null
  /** where it grows: by month */
  readonly roomByMonthTB?: readonly number[]
  readonly horizonMonths: number
  readonly width: number
  readonly height: number
  readonly margin: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  }
}

/**
 * Scales and shapes of content against room over the months: a little past the horizon, at most as
 * far as the forecast.
 */
export function growthLayout({
  months,
  kinds,
  roomTB,
  roomByMonthTB,
  horizonMonths,
  width,
  height,
  margin,
}: GrowthLayoutOptions): GrowthLayout {
  const shown = Math.min(months.length - 1, Math.max(84, horizonMonths + 24))
  const visible = months.slice(0, shown + 1)
  const top =
    Math.max(
      max(visible, month => month.high) ?? 0,
      roomTB ?? 0,
      ...(roomByMonthTB?.slice(0, shown + 1) ?? []),
      0.1,
    ) * 1.06
  const x = scaleLinear()
    .domain([0, shown])
    .range([margin.left, Math.max(margin.left + 1, width - margin.right)])
  const y = scaleLinear()
    .domain([0, top])
    .range([height - margin.bottom, margin.top])
    .nice(5)
  return {
    x,
    y,
    months: shown,
    bandPath:
      area<Estimate>(
        (_, index) => x(index),
        month => y(month.low),
        month => y(month.high),
      )([...visible]) ?? '',
    linePath:
      line<Estimate>(
        (_, index) => x(index),
        month => y(month.likely),
      )([...visible]) ?? '',
    roomPath:
      roomTB === null
        ? ''
        : stepPath(
            visible.map((_, month) => roomByMonthTB?.[month] ?? roomTB),
            x,
            y,
          ),
    layers: kinds ? layersOf(kinds, shown, x, y) : [],
    yearTicks: Array.from({ length: Math.floor(shown / 12) + 1 }, (_, year) => year * 12),
    sizeTicks: y.ticks(5),
  }
}

/** A line that steps up in the month of each change. */
export function stepPath(
  values: readonly number[],
  x: (month: number) => number,
  y: (value: number) => number,
): string {
  const steps = values.map((value, month) =>
    month === 0
      ? `M${x(0)} ${y(value)}`
      : value === values[month - 1]
        ? ''
        : `H${x(month)}V${y(value)}`,
  )
  return `${steps.join('')}H${x(values.length - 1)}`
}

/** Kinds that hold anything, the largest at the end lowest. */
function layersOf(
  kinds: ReadonlyMap<string, Float64Array>,
  shown: number,
  x: ScaleLinear<number, number>,
  y: ScaleLinear<number, number>,
): GrowthLayer[] {
  const held = [...kinds]
    .filter(([, tb]) => tb.some(value => value > 1e-6))
    .sort(([, a], [, b]) => b[shown]! - a[shown]!)
  const below = new Float64Array(shown + 1)
  return held.map(([kind, tb]) => {
    const base = below.slice()
    for (let month = 0; month <= shown; month++) below[month]! += Math.max(0, tb[month]!)
    const top = below.slice()
    const [low, high] = [y(base[shown]!), y(top[shown]!)]
    return {
      kind,
      labelY: (low + high) / 2,
      thickness: low - high,
      path:
        area<number>(
          (_, month) => x(month),
          (_, month) => y(base[month]!),
          value => y(value),
        )(Array.from(top)) ?? '',
    }
  })
}
