import { scaleUtc, type ScaleTime } from 'd3-scale'
import { momentTime, type Entry } from '~~/core/logbook/entry'
import { entryKinds, type EntryKind, type EntrySort } from '~~/core/logbook/kinds'

/** Lanes of the line of time, from above. */
export const lanes: readonly EntrySort[] = ['happened', 'measured', 'changed']
export const laneWords: Readonly<Record<EntrySort, string>> = {
  happened: 'Happened',
  measured: 'Measured',
  changed: 'Changed',
}
/** More entries than this in a lane stand as bars, one for each week or month. */
export const mostMarks = 160
/** Marks closer than this stand above each other, px. */
const apart = 9
const highest = 4

export interface TimeMark {
  readonly entry: Entry
  readonly x: number
  /** end of a span, px; null for a moment */
  readonly until: number | null
  /** marks below it at the same place */
  readonly level: number
}
export interface TimeBar {
  readonly x: number
  readonly width: number
  readonly count: number
  readonly from: number
}
export interface TimeLane {
  readonly sort: EntrySort
  readonly marks: readonly TimeMark[]
  readonly bars: readonly TimeBar[]
  /** of the highest bar */
  readonly most: number
}
export interface TimeLine {
  readonly x: ScaleTime<number, number>
  readonly lanes: readonly TimeLane[]
  readonly ticks: readonly { readonly at: number; readonly label: string }[]
}

const dayMs = 86_400_000
const untilOf = (entry: Entry): number | null =>
  entry.kind === 'incident' && entry.values.until !== '' ? momentTime(entry.values.until) : null

/**
 * Entries along a line of time, in lanes by what they are about; incidents as spans. Where a lane
 * is full, bars stand for the entries of a week.
 * @param from and to: milliseconds since 1970
 */
export function timeLine({
  entries,
  from,
  to,
  left,
  right,
}: {
  readonly entries: readonly Entry[]
  readonly from: number
  readonly to: number
  readonly left: number
  readonly right: number
}): TimeLine {
  const x = scaleUtc([from, to], [left, right])
  const shown = entries
    .flatMap(entry => {
      const time = momentTime(entry.at)
      return time !== null && time >= from && time <= to ? [{ entry, time }] : []
    })
    .sort((a, b) => a.time - b.time)
  return {
    x,
    ticks: x.ticks(Math.max(2, Math.floor((right - left) / 90))).map(tick => ({
      at: x(tick),
      label: x.tickFormat()(tick),
    })),
    lanes: lanes.map((sort): TimeLane => {
      const own = shown.filter(({ entry }) => entryKinds[entry.kind].sort === sort)
      if (own.length > mostMarks) return barsOf(sort, own, x)
      let lastX = -Infinity
      let level = 0
      return {
        sort,
        bars: [],
        most: 0,
        marks: own.map(({ entry, time }) => {
          const at = x(time)
          level = at - lastX < apart ? Math.min(highest, level + 1) : 0
          if (level === 0) lastX = at
          const until = untilOf(entry)
          return { entry, x: at, level, until: until === null ? null : x(Math.min(until, to)) }
        }),
      }
    }),
  }
}

function barsOf(
  sort: EntrySort,
  own: readonly { readonly time: number }[],
  x: ScaleTime<number, number>,
): TimeLane {
  const [start, end] = x.domain() as [Date, Date]
  const days = (Number(end) - Number(start)) / dayMs
  const span = dayMs * (days > 800 ? 30 : days > 120 ? 7 : 1)
  const counts = new Map<number, number>()
  for (const { time } of own) {
    const bin = Math.floor((time - Number(start)) / span)
    counts.set(bin, (counts.get(bin) ?? 0) + 1)
  }
  const bars = [...counts].map(([bin, count]) => {
    const from = Number(start) + bin * span
    return { x: x(from), width: Math.max(1.5, x(from + span) - x(from) - 1), count, from }
  })
  return { sort, marks: [], bars, most: Math.max(...bars.map(({ count }) => count)) }
}

/** Kinds in the picture: what a mark is, is told by its shape too. */
export const kindShapes: Readonly<Record<EntryKind, 'dot' | 'square' | 'diamond' | 'bar'>> = {
  watts: 'dot',
  energy: 'dot',
  temperature: 'dot',
  space: 'square',
  conversion: 'diamond',
  network: 'diamond',
  disk: 'diamond',
  copy: 'diamond',
  ups: 'dot',
  driveReport: 'bar',
  build: 'square',
  selfTest: 'bar',
  incident: 'diamond',
  change: 'square',
  money: 'dot',
  restore: 'square',
  copyRun: 'square',
  watched: 'dot',
  note: 'dot',
}
