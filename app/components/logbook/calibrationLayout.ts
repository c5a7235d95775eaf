import { scaleLog, type ScaleLogarithmic } from 'd3-scale'
import type { HeldState } from '~~/core/calibration/correction'
import type { CalibrationRow } from '~~/core/logbook/calibrationRows'

/** A range on the scale of ratios to the plan, px. */
interface Span {
  readonly from: number
  readonly to: number
}
export interface TrialMark {
  readonly id: string
  readonly state: HeldState
  /** a point, or the open end of a bound */
  readonly kind: 'point' | 'interval' | 'atLeast' | 'atMost'
  readonly x: number
  readonly to: number
  /** it lies beyond the end of the scale */
  readonly beyond: boolean
}
export interface RowLayout {
  readonly row: CalibrationRow
  readonly planned: Span | null
  readonly corrected: (Span & { readonly at: number }) | null
  readonly marks: readonly TrialMark[]
}
export interface CalibrationLayout {
  readonly x: ScaleLogarithmic<number, number>
  readonly rows: readonly RowLayout[]
  readonly ticks: readonly { readonly at: number; readonly label: string }[]
}

/** The scale goes no further than this, either way. */
const widest = 4
const narrowest = 1.6

/** Every row on one scale: how many times the plan's likely value. */
export function calibrationLayout(
  rows: readonly CalibrationRow[],
  { left, right }: { readonly left: number; readonly right: number },
): CalibrationLayout {
  const ratios = rows.flatMap(({ planned, correction, trials }) => [
    ...(planned ? [planned.low / planned.likely, planned.high / planned.likely] : []),
    ...(correction ? [correction.factor.low, correction.factor.high] : []),
    ...trials.flatMap(({ from, to }) => [from, to].filter(Number.isFinite).map(Math.exp)),
  ])
  const reach = Math.min(
    widest,
    Math.max(
      narrowest,
      ...ratios.filter(ratio => ratio > 0).map(ratio => Math.max(ratio, 1 / ratio)),
    ) * 1.08,
  )
  const x = scaleLog([1 / reach, reach], [left, right]).clamp(true)
  const inside = (ratio: number) => ratio <= reach && ratio >= 1 / reach
  return {
    x,
    ticks: [0.25, 0.5, 0.8, 1, 1.25, 2, 4]
      .filter(inside)
      .map(ratio => ({ at: x(ratio), label: ratio === 1 ? 'as planned' : `× ${ratio}` })),
    rows: rows.map(row => {
      const { planned, correction, trials } = row
      return {
        row,
        planned: planned && {
          from: x(Math.max(1e-6, planned.low / planned.likely)),
          to: x(Math.max(1e-6, planned.high / planned.likely)),
        },
        corrected: correction && {
          from: x(correction.factor.low),
          to: x(correction.factor.high),
          at: x(correction.factor.likely),
        },
        marks: trials.map(({ trial, from, to, state }): TrialMark => {
          const [low, high] = [Math.exp(from), Math.exp(to)]
          const kind =
            from === to
              ? 'point'
              : to === Infinity
                ? 'atLeast'
                : from === -Infinity
                  ? 'atMost'
                  : 'interval'
          const near = kind === 'atMost' ? high : low
          return {
            id: trial.id,
            state,
            kind,
            x: x(Math.max(1e-6, near)),
            to: kind === 'interval' ? x(high) : x(near),
            beyond: !inside(near),
          }
        }),
      }
    }),
  }
}
