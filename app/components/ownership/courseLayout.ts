import { scaleLinear, type ScaleLinear } from 'd3-scale'

export const courseMargin = { left: 62, right: 18, top: 20, bottom: 34 } as const

/** A line of money, month by month from today. */
export interface Course {
  readonly id: string
  readonly label: string
  readonly sums: readonly (number | null)[]
  /** it does not meet its need: its line is broken, and nothing is told where it crosses others */
  readonly isShort?: boolean
}
export interface Crossing {
  readonly month: number
  readonly sum: number
  readonly one: string
  readonly other: string
}
export interface CoursePicture {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly paths: readonly {
    readonly id: string
    readonly label: string
    readonly path: string
    readonly endX: number
    readonly endY: number
  }[]
  readonly crossings: readonly Crossing[]
  readonly yearTicks: readonly number[]
  readonly moneyTicks: readonly number[]
}

/**
 * Where two lines of money cross, on straight lines within the month; equal beginnings are no
 * crossing.
 */
export function crossingsOf(courses: readonly Course[]): Crossing[] {
  const found: Crossing[] = []
  courses.forEach((one, at) =>
    courses.slice(at + 1).forEach(other => {
      for (let month = 1; month < Math.min(one.sums.length, other.sums.length); month++) {
        const values = [
          one.sums[month - 1],
          other.sums[month - 1],
          one.sums[month],
          other.sums[month],
        ]
        if (values.some(value => value === null || value === undefined)) return
        const [a, b, c, d] = values as number[]
        const [before, now] = [a! - b!, c! - d!]
        if (before === 0 || before * now > 0 || now === before) continue
        const along = before / (before - now)
        found.push({
          month: month - 1 + along,
          sum: a! + along * (c! - a!),
          one: one.id,
          other: other.id,
        })
      }
    }),
  )
  return found
}

/** Scales and paths of lines of money. */
export function coursePicture(
  courses: readonly Course[],
  { width, height }: { readonly width: number; readonly height: number },
): CoursePicture {
  const months = Math.max(1, ...courses.map(({ sums }) => sums.length - 1))
  const all = courses.flatMap(({ sums }) => sums.filter((sum): sum is number => sum !== null))
  const { left, right, top, bottom } = courseMargin
  const x = scaleLinear([0, months], [left, Math.max(left + 1, width - right)])
  const y = scaleLinear(
    [Math.min(0, ...all), Math.max(100, ...all) * 1.06],
    [height - bottom, top],
  ).nice(5)
  const paths = courses.map(({ id, label, sums }) => {
    const known = sums
      .map((sum, month) => ({ sum, month }))
      .filter((point): point is { sum: number; month: number } => point.sum !== null)
    const last = known.at(-1)
    return {
      id,
      label,
      path: known
        .map(
          ({ sum, month }, index) =>
            `${index === 0 ? 'M' : 'L'}${x(month).toFixed(1)},${y(sum).toFixed(1)}`,
        )
        .join(''),
      endX: last ? x(last.month) : 0,
      endY: last ? y(last.sum) : 0,
    }
  })
  return {
    x,
    y,
    paths,
    crossings: crossingsOf(courses.filter(({ isShort }) => !isShort)),
    yearTicks: Array.from({ length: Math.floor(months / 12) + 1 }, (_, year) => year * 12),
    moneyTicks: y.ticks(5),
  }
}
