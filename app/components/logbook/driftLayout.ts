import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import type { Estimate } from '~~/core/figure'
import { monthsSince, type FittedGrowth, type SpaceReading } from '~~/core/logbook/growth'

export interface DriftLayout {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly bandPath: string
  readonly linePath: string
  readonly fittedBand: string
  readonly fittedLine: string
  readonly roomPath: string
  readonly points: readonly {
    readonly x: number
    readonly y: number
    readonly reading: SpaceReading
  }[]
  readonly yTicks: readonly number[]
  readonly xTicks: readonly number[]
}

/** The forecast, the readings on it, and what growth they make of it. */
export function driftLayout({
  forecast,
  readings,
  growth,
  room,
  from,
  box,
}: {
  readonly forecast: readonly Estimate[]
  readonly readings: readonly SpaceReading[]
  readonly growth: FittedGrowth | null
  readonly room: readonly number[] | null
  readonly from: string
  readonly box: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  }
}): DriftLayout {
  const full = growth?.monthFull.latest ?? null
  const now = growth?.now.month ?? 0
  const shown = Math.min(forecast.length - 1, Math.max(24, Math.ceil(now) + 12, (full ?? 0) + 6))
  const months = forecast.slice(0, shown + 1)
  const fitted = growth
    ? Array.from({ length: Math.max(0, shown - Math.ceil(now)) + 1 }, (_, at) => {
        const month = at === 0 ? now : Math.ceil(now) + at
        return { month, content: growth.contentTB(month) }
      }).filter(({ month }) => month <= shown)
    : []
  const top = Math.max(
    0.1,
    ...months.map(({ high }) => high),
    ...(room ?? []).slice(0, shown + 1),
    ...readings.map(({ usedTB }) => usedTB),
    ...fitted.map(({ content }) => content.high),
  )
  const first = Math.min(0, ...readings.map(({ day }) => Math.floor(monthsSince(from, day))))
  const x = scaleLinear(
    [Math.max(-36, first), shown],
    [box.left, Math.max(box.left + 1, box.right)],
  )
  const y = scaleLinear([0, top * 1.06], [box.bottom, box.top]).nice(5)
  return {
    x,
    y,
    bandPath:
      area<Estimate>(
        (_, month) => x(month),
        month => y(month.low),
        month => y(month.high),
      )(months) ?? '',
    linePath:
      line<Estimate>(
        (_, month) => x(month),
        month => y(month.likely),
      )(months) ?? '',
    fittedBand:
      area<(typeof fitted)[number]>(
        ({ month }) => x(month),
        ({ content }) => y(content.low),
        ({ content }) => y(content.high),
      )(fitted) ?? '',
    fittedLine:
      line<(typeof fitted)[number]>(
        ({ month }) => x(month),
        ({ content }) => y(content.likely),
      )(fitted) ?? '',
    roomPath: room
      ? (line<number>(
          month => x(month),
          month => y(room[Math.round(month)] ?? room.at(-1) ?? 0),
        )(months.map((_, month) => month)) ?? '')
      : '',
    points: readings.flatMap(reading => {
      const month = monthsSince(from, reading.day)
      return month >= -36 && month <= shown ? [{ x: x(month), y: y(reading.usedTB), reading }] : []
    }),
    yTicks: y.ticks(5),
    xTicks: Array.from({ length: Math.floor(shown / 12) + 1 }, (_, year) => year * 12),
  }
}
