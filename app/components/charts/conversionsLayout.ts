import { scaleLinear, type ScaleLinear } from 'd3-scale'
import type { Estimate } from '~~/core/figure'

export interface ConversionRow {
  readonly id: string
  readonly label: string
  readonly estimate: Estimate | null
}

export interface ConversionsLayout {
  readonly x: ScaleLinear<number, number>
  readonly ticks: readonly number[]
  readonly rowY: (index: number) => number
  /** a line from top to bottom at a place, broken where the labels of the rows stand */
  readonly brokenLine: (x: number) => string
  readonly height: number
}

const rowHeight = 46
/** How far a row's bar reaches from its middle, with a little room. */
const [barAbove, barBelow] = [7, 15]

/**
 * Rows of ranges over one axis of whole conversions; the axis has some room to the right for
 * dragging the ask.
 */
export function conversionsLayout(
  rows: readonly ConversionRow[],
  asked: number,
  width: number,
  margin: { left: number; right: number; top: number; bottom: number },
): ConversionsLayout {
  const most = Math.max(asked + 2, ...rows.map(row => row.estimate?.high ?? 0), 4)
  const x = scaleLinear()
    .domain([0, most])
    .range([margin.left, Math.max(margin.left + 1, width - margin.right)])
  const rowAt = (index: number) => margin.top + rowHeight * (index + 0.5)
  const step = Math.max(1, Math.ceil(most / 12))
  return {
    x,
    ticks: Array.from({ length: Math.floor(most / step) + 1 }, (_, index) => index * step),
    brokenLine: at =>
      rows
        .map((_, index) => `M${at} ${rowAt(index) - barAbove}V${rowAt(index) + barBelow}`)
        .join(''),
    rowY: rowAt,
    height: margin.top + rowHeight * rows.length + margin.bottom,
  }
}
