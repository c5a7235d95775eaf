import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { area } from 'd3-shape'
import { latestAfter } from '~~/core/household/weekHabits'
import { weekdays, type Weekday } from '~~/core/plan/constants'
import type { Habit } from '~~/core/plan/household'
import { minutesPerDay, minutesPerWeek, slotMinutes } from '~~/core/units/week'

/**
 * A day of the picture runs from five in the morning to five, so that an evening stays in one
 * piece.
 */
export const dayStartsAt = 5 * 60
export const laneHeight = 15
const laneGap = 2
const loadHeight = 27
const rowGap = 5
export const dayOrder = Object.keys(weekdays) as Weekday[]

/** One piece of a habit in one row of the picture. */
export interface HabitPiece {
  /** index in the plan's habits */
  readonly index: number
  /** day on which it begins */
  readonly day: number
  /** the rest of a habit that runs past five in the morning */
  readonly isRest: boolean
  readonly row: number
  readonly lane: number
  readonly x: number
  readonly width: number
  readonly y: number
  /** where its latest start lies */
  readonly latestX: number
  /** its chance over time as a polygon: rising while it may begin, falling while it may end */
  readonly points: string
}

export interface WeekRow {
  /** the first of its days; 0 is Monday */
  readonly day: number
  /** days that are alike stand in one row */
  readonly days: readonly number[]
  /** 'Mon–Thu', 'Mon, Wed' */
  readonly label: string
  /** alike days that could stand in one row, when this one is opened out of it */
  readonly group: number
  readonly canOpen: boolean
  readonly isOpen: boolean
  readonly y: number
  readonly height: number
  /** where home (up) and away (down) meet */
  readonly baseline: number
  readonly home: string
  readonly away: string
}

export interface WeekLayout {
  readonly x: ScaleLinear<number, number>
  readonly rows: readonly WeekRow[]
  readonly pieces: readonly HabitPiece[]
  readonly height: number
  readonly hours: readonly number[]
  /** expected viewers that the load's full height stands for */
  readonly most: number
}

export interface WeekLayoutOptions {
  readonly habits: readonly Habit[]
  readonly home: Float64Array
  readonly away: Float64Array
  readonly width: number
  /** groups of alike days, by their first day, that stand open */
  readonly open?: ReadonlySet<number>
  readonly margin: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  }
}

type Raw = Omit<HabitPiece, 'lane' | 'y' | 'points' | 'x' | 'width' | 'latestX'> & {
  readonly from: number
  readonly to: number
  readonly latest: number
  readonly shape: readonly (readonly [number, number])[]
}

/** Minutes from the start of a row's day. */
function piecesOf(habit: Habit, index: number): Raw[] {
  const window = latestAfter(habit.earliest, habit.latest) - habit.earliest
  const length = window + habit.minutes
  // Where the window is longer than the habit, the chance never gets to its whole height.
  const top = habit.chance * Math.min(1, window > 0 ? habit.minutes / window : 1)
  const [up, down] = [Math.min(window, habit.minutes), Math.max(window, habit.minutes)]
  const shape = [
    [0, 0],
    [up, top],
    [down, top],
    [length, 0],
  ] as const
  return habit.days.flatMap(name => {
    const day = dayOrder.indexOf(name)
    const start =
      (day * minutesPerDay + habit.earliest - dayStartsAt + minutesPerWeek) % minutesPerWeek
    const row = Math.floor(start / minutesPerDay)
    const pieces: Raw[] = []
    for (let rows = 0; rows * minutesPerDay < (start % minutesPerDay) + length; rows++) {
      const from = (start % minutesPerDay) - rows * minutesPerDay
      pieces.push({
        index,
        day,
        isRest: rows > 0,
        row: (row + rows) % 7,
        from,
        to: from + length,
        latest: from + window,
        shape,
      })
    }
    return pieces
  })
}

/**
 * Which lane each piece takes, so that none lie over another; the earliest first, long habits keep
 * theirs.
 */
function laneOf(pieces: readonly Raw[]): number[] {
  const free: number[] = []
  return pieces.map(piece => {
    const lane = free.findIndex(until => until <= piece.from)
    const taken = lane < 0 ? free.length : lane
    free[taken] = piece.to
    return taken
  })
}

const shortDay = (day: number) => weekdays[dayOrder[day]!].slice(0, 3)

/** Days as people say them: 'Mon–Thu', 'Sat, Sun'. */
export function daysLabel(days: readonly number[]): string {
  const runs: number[][] = []
  for (const day of days) {
    if (runs.at(-1)?.at(-1) === day - 1) runs.at(-1)!.push(day)
    else runs.push([day])
  }
  return runs
    .map(run =>
      run.length > 2
        ? `${shortDay(run[0]!)}–${shortDay(run.at(-1)!)}`
        : run.map(shortDay).join(', '),
    )
    .join(', ')
}

/** Days whose rows would look the same, in the order of their first day. */
function alikeDays(byRow: readonly (readonly Raw[])[]): number[][] {
  const groups = new Map<string, number[]>()
  byRow.forEach((pieces, day) => {
    const look = pieces.map(piece => `${piece.index} ${piece.from} ${piece.isRest}`).join(';')
    groups.set(look, [...(groups.get(look) ?? []), day])
  })
  return [...groups.values()]
}

/**
 * Rows of days with the expected load at home and away, and under it each habit in its lane; days
 * that are alike are one row unless opened.
 */
export function weekLayout({
  habits,
  home,
  away,
  width,
  margin,
  open = new Set(),
}: WeekLayoutOptions): WeekLayout {
  const x = scaleLinear()
    .domain([0, minutesPerDay])
    .range([margin.left, Math.max(margin.left + 1, width - margin.right)])
  const raw = habits.flatMap((habit, index) => piecesOf(habit, index))
  const byRow = dayOrder.map((_, row) =>
    raw.filter(piece => piece.row === row).sort((a, b) => a.from - b.from || b.to - a.to),
  )
  const groups = alikeDays(byRow)
    .flatMap((days): Omit<WeekRow, 'y' | 'height' | 'baseline' | 'home' | 'away'>[] => {
      const group = {
        group: days[0]!,
        canOpen: days.length > 1,
        isOpen: open.has(days[0]!) && days.length > 1,
      }
      return (group.isOpen ? days.map(day => [day]) : [days]).map(own => ({
        ...group,
        day: own[0]!,
        days: own,
        label: daysLabel(own),
      }))
    })
    .sort((a, b) => a.day - b.day)
  const [homeTop, awayTop] = [home, away].map(load =>
    load.reduce((top, value) => Math.max(top, value), 0),
  ) as [number, number]
  const most = Math.max(homeTop + awayTop, 0.5)
  const perViewer = loadHeight / most
  let y = margin.top
  const pieces: HabitPiece[] = []
  const rows = groups.map((group): WeekRow => {
    const { day } = group
    const lanes = laneOf(byRow[day]!)
    const count = Math.max(1, ...lanes.map(lane => lane + 1))
    const baseline = y + 2 + homeTop * perViewer
    const lanesAt = y + loadHeight + 4
    byRow[day]!.forEach((piece, at) => {
      const laneY = lanesAt + lanes[at]! * (laneHeight + laneGap)
      const [left, right] = [x(Math.max(0, piece.from)), x(Math.min(minutesPerDay, piece.to))]
      pieces.push({
        index: piece.index,
        day: piece.day,
        isRest: piece.isRest,
        row: day,
        lane: lanes[at]!,
        x: left,
        width: Math.max(3, right - left),
        y: laneY,
        latestX: x(Math.min(minutesPerDay, Math.max(0, piece.latest))),
        points: clipped(piece)
          .map(
            ([minute, chance]) =>
              `${x(minute).toFixed(1)},${(laneY + laneHeight - chance * laneHeight).toFixed(1)}`,
          )
          .join(' '),
      })
    })
    const row = {
      ...group,
      y,
      baseline,
      height: lanesAt - y + count * (laneHeight + laneGap),
      home: loadPath(home, day, x, baseline, -perViewer),
      away: loadPath(away, day, x, baseline, perViewer),
    }
    y += row.height + rowGap
    return row
  })
  return { x, rows, pieces, most, height: y + margin.bottom, hours: hoursFor(width) }
}

/** Hours that are written, as minutes of the row: every three, on a narrow picture every six. */
function hoursFor(width: number): number[] {
  const step = width < 560 ? 360 : 180
  return Array.from({ length: minutesPerDay / step + 1 }, (_, at) => at * step)
}

/** The polygon of a piece, cut at the ends of its row. */
function clipped({ from, shape }: Raw): [number, number][] {
  const points = shape.map(([minute, chance]): [number, number] => [from + minute, chance])
  const at = (minute: number): number => {
    const next = points.findIndex(([other]) => other >= minute)
    if (next <= 0) return points[Math.max(0, next)]![1]
    const [[x0, y0], [x1, y1]] = [points[next - 1]!, points[next]!]
    return x1 === x0 ? y1 : y0 + ((y1 - y0) * (minute - x0)) / (x1 - x0)
  }
  const [start, end] = [Math.max(0, points[0]![0]), Math.min(minutesPerDay, points.at(-1)![0])]
  return [
    [start, 0],
    [start, at(start)],
    ...points.filter(([minute]) => minute > start && minute < end),
    [end, at(end)],
    [end, 0],
  ]
}

function loadPath(
  load: Float64Array,
  day: number,
  x: ScaleLinear<number, number>,
  baseline: number,
  perViewer: number,
): string {
  const slotsOfDay = minutesPerDay / slotMinutes
  const first = (day * minutesPerDay + dayStartsAt) / slotMinutes
  const values = Array.from(
    { length: slotsOfDay + 1 },
    (_, slot) => load[(first + slot) % load.length] ?? 0,
  )
  if (values.every(value => value === 0)) return ''
  return (
    area<number>(
      (_, slot) => x(slot * slotMinutes),
      () => baseline,
      value => baseline + value * perViewer,
    )(values) ?? ''
  )
}

/** The slot of the week at a place of the picture; null beside the rows. */
export function slotAt(layout: WeekLayout, pointX: number, pointY: number): number | null {
  const row = layout.rows.find(
    candidate =>
      pointY >= candidate.y - rowGap / 2 && pointY < candidate.y + candidate.height + rowGap / 2,
  )
  if (!row) return null
  const minute = Math.max(0, Math.min(minutesPerDay - 1, layout.x.invert(pointX)))
  return Math.floor(
    ((row.day * minutesPerDay + dayStartsAt + minute) % minutesPerWeek) / slotMinutes,
  )
}

/** Where a slot of the week lies in the picture. */
export function placeOfSlot(
  layout: WeekLayout,
  slot: number,
): { readonly x: number; readonly row: WeekRow } {
  const minute = (slot * slotMinutes - dayStartsAt + minutesPerWeek) % minutesPerWeek
  return {
    x: layout.x(minute % minutesPerDay),
    row: layout.rows.find(row => row.days.includes(Math.floor(minute / minutesPerDay)))!,
  }
}
