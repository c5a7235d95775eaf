import { scaleLinear } from 'd3-scale'
import { line, curveStepAfter } from 'd3-shape'
import type { StartMoment } from '~~/core/machine/power/startSurge'

export const startMargin = { left: 52, right: 52, top: 20, bottom: 34 } as const

/**
 * The start over its seconds: watts by the left axis, amps at 12 V by the right one, the supply's
 * limits as walls.
 */
export function startPicture(
  course: readonly StartMoment[],
  {
    width,
    height,
    ratingW,
    amps12,
  }: {
    readonly width: number
    readonly height: number
    readonly ratingW: number | null
    readonly amps12: number | null
  },
) {
  const last = course.at(-1)?.s ?? 1
  const x = scaleLinear([0, last], [startMargin.left, width - startMargin.right])
  const topW = Math.max(10, ...course.map(({ watts }) => watts), ratingW ?? 0) * 1.12
  const maxA = Math.max(1, ...course.map(({ amps12: amps }) => amps), amps12 ?? 0) * 1.12
  const y = scaleLinear([0, topW], [height - startMargin.bottom, startMargin.top])
  const yAmps = scaleLinear([0, maxA], [height - startMargin.bottom, startMargin.top])
  const steps = line<StartMoment>()
    .x(({ s }) => x(s))
    .curve(curveStepAfter)
  return {
    x,
    y,
    yAmps,
    watts: steps.y(({ watts }) => y(watts))([...course]) ?? '',
    amps:
      line<StartMoment>()
        .x(({ s }) => x(s))
        .curve(curveStepAfter)
        .y(({ amps12: amps }) => yAmps(amps))([...course]) ?? '',
    wall: ratingW === null ? null : y(ratingW),
    wallAmps: amps12 === null ? null : yAmps(amps12),
    ticksX: x.ticks(6),
    ticksY: y.ticks(5),
    ticksAmps: yAmps.ticks(5),
  }
}
