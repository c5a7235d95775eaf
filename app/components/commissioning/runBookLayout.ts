import type { Schedule, Timed } from '~~/core/commissioning/schedule'
import { chapterOf, chapters, type Chapter } from '~~/core/commissioning/step'

/** Waiting of more minutes than this in which nobody works is drawn short, with its hours. */
export const longWaitMin = 60
/** Width of such a wait, and of a minute of work at least. */
export const cutWidth = 36
const leastPerMinute = 0.5
/** No bar is too narrow to be pressed. */
const leastBar = 5
export const laneHeight = 30
export const top = 26

export interface Bar {
  readonly id: string
  readonly x: number
  readonly y: number
  readonly width: number
  /** end of the waiting behind the work; the end of the bar where there is none */
  readonly waitTo: number
  readonly isCritical: boolean
}
export interface Cut {
  readonly x: number
  readonly hours: number
}
export interface RunBookLayout {
  readonly width: number
  readonly height: number
  readonly lanes: readonly { readonly chapter: Chapter; readonly y: number }[]
  readonly bars: readonly Bar[]
  readonly cuts: readonly Cut[]
  /** where so many minutes from the beginning lie */
  readonly at: (minutes: number) => number
}

interface Span {
  readonly from: number
  readonly to: number
  readonly isCut: boolean
}

/** Spells of work, with the long waits between them. */
function spansOf(timed: readonly Timed[]): Span[] {
  const spans: Span[] = []
  let end = 0
  let from = 0
  for (const { from: begins, handsTo } of timed) {
    if (begins - end > longWaitMin) {
      spans.push({ from, to: end, isCut: false }, { from: end, to: begins, isCut: true })
      from = begins
    }
    end = Math.max(end, handsTo)
  }
  const last = Math.max(end, ...timed.map(({ to }) => to))
  spans.push({ from, to: end, isCut: false })
  if (last - end > longWaitMin) spans.push({ from: end, to: last, isCut: true })
  else spans.push({ from: end, to: last, isCut: false })
  return spans.filter(({ from: start, to }) => to > start)
}

/** The run-book over its hours: a lane a chapter, long waits cut short. */
export function layOutRunBook({ timed }: Pick<Schedule, 'timed'>, wanted: number): RunBookLayout {
  const spans = spansOf(timed)
  const worked = spans.reduce((sum, { from, to, isCut }) => (isCut ? sum : sum + to - from), 0)
  const cuts = spans.filter(({ isCut }) => isCut)
  const perMinute = Math.max(
    leastPerMinute,
    (wanted - 12 - cuts.length * cutWidth) / Math.max(1, worked),
  )
  const widthOf = ({ from, to, isCut }: Span) => (isCut ? cutWidth : (to - from) * perMinute)
  const starts = spans.map((_, at) =>
    spans.slice(0, at).reduce((sum, span) => sum + widthOf(span), 0),
  )
  const at = (minutes: number): number => {
    const index = spans.findIndex(({ to }) => minutes <= to)
    if (index < 0) return spans.reduce((sum, span) => sum + widthOf(span), 0)
    const span = spans[index]!
    return starts[index]! + ((minutes - span.from) / (span.to - span.from)) * widthOf(span)
  }
  const present = new Set(timed.map(({ id }) => chapterOf(id)))
  const lanes = (Object.keys(chapters) as Chapter[])
    .filter(chapter => present.has(chapter))
    .map((chapter, index) => ({ chapter, y: top + index * laneHeight }))
  const yOf = new Map(lanes.map(({ chapter, y }) => [chapter, y]))
  return {
    at,
    lanes,
    width: at(Infinity) + 12,
    height: top + lanes.length * laneHeight,
    bars: timed.map(({ id, from, handsTo, to, isCritical }) => {
      const x = at(from)
      const width = Math.max(leastBar, at(handsTo) - x)
      return {
        id,
        x,
        width,
        y: yOf.get(chapterOf(id))!,
        waitTo: to > handsTo ? Math.max(x + width, at(to)) : x + width,
        isCritical,
      }
    }),
    cuts: cuts.map(({ from, to }) => ({ x: at(from), hours: (to - from) / 60 })),
  }
}
