import { scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3-scale'
import { line } from 'd3-shape'
import type { CapacityCurve } from '~~/core/tiers/capacityCurve'

export interface CapacityLayout {
  readonly loadX: ScaleContinuousNumeric<number, number>
  readonly loadY: ScaleContinuousNumeric<number, number>
  readonly bars: readonly {
    readonly x: number
    readonly width: number
    readonly y: number
    readonly height: number
    readonly chance: number
    readonly from: number
    readonly isOver: boolean
  }[]
  readonly curveX: ScaleContinuousNumeric<number, number>
  readonly curveY: ScaleContinuousNumeric<number, number>
  readonly curve: string
  readonly minuteTicks: readonly number[]
}

export interface CapacityLayoutOptions {
  readonly curve: CapacityCurve
  readonly target: number
  readonly width: number
  readonly height: number
  readonly margin: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  }
}

/** Under this, minutes are shown as nothing. */
export const fewestMinutes = 0.1

/**
 * Two panels over each other: the load of the worst moment, and minutes short by capacity; both
 * against the machine.
 */
export function capacityLayout({
  curve,
  target,
  width,
  height,
  margin,
}: CapacityLayoutOptions): CapacityLayout {
  const right = Math.max(margin.left + 10, width - margin.right)
  const loadX = scaleLinear()
    .domain([0, (curve.load.length - 1) * curve.loadStep])
    .range([margin.left, right])
  // The chance that nothing is converted would dwarf the rest; it is said in words.
  const rest = curve.load.slice(1)
  const loadY = scaleLinear()
    .domain([0, Math.max(0.01, ...rest) * 1.1])
    .range([height - margin.bottom, margin.top])
  const bars = rest.flatMap((chance, at) => {
    const from = at * curve.loadStep
    return chance < 1e-5
      ? []
      : [
          {
            x: loadX(from) + 0.5,
            width: Math.max(1, loadX(from + curve.loadStep) - loadX(from) - 1),
            y: loadY(chance),
            height: height - margin.bottom - loadY(chance),
            chance,
            from,
            isOver: from + curve.loadStep > 1 + 1e-9,
          },
        ]
  })
  const most = Math.max(target * 2, ...curve.points.map(point => point.minutes), 1)
  const curveX = scaleLog()
    .domain([curve.points[0]!.times, curve.points.at(-1)!.times])
    .range([margin.left, right])
  const curveY = scaleLog()
    .domain([fewestMinutes, most])
    .range([height - margin.bottom, margin.top])
  return {
    loadX,
    loadY,
    bars,
    curveX,
    curveY,
    curve:
      line<CapacityCurve['points'][number]>(
        point => curveX(point.times),
        point => curveY(Math.max(fewestMinutes, point.minutes)),
      )([...curve.points]) ?? '',
    minuteTicks: [0.1, 1, 10, 100, 1000, 10_000].filter(tick => tick <= most),
  }
}
