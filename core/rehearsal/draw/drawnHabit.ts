import type { SessionOffer } from '../question/sessionOffer'

/** A habit as evenings are drawn from it. */
export interface DrawnHabit {
  /** of the week's watchers */
  readonly watcher: number
  /** of the week's habits */
  readonly habit: number
  /** by the viewer's short name; guests share one */
  readonly name: string
  /** place among this viewer's habits; of a guest among the guests */
  readonly place: number
  /** by weekday of an evening, Monday first: whether its earliest start lies in it */
  readonly evenings: readonly boolean[]
  /** minutes from the midnight at which its evening's day begins */
  readonly earliest: number
  readonly latest: number
  readonly minutes: number
  readonly chance: number
  /** rows of titles in order of their key, with the chance of each, cumulated */
  readonly rows: readonly DrawnRow[]
  readonly subtitledShare: number
  readonly soundAlone: SessionOffer
  /** its device is offered nothing at all, so that it is never watched */
  readonly isNothing: boolean
}

export interface DrawnRow {
  /** chance of this row or one before it */
  readonly upTo: number
  readonly plain: SessionOffer
  readonly subtitled: SessionOffer | null
}
