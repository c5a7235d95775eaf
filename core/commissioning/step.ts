import type { CautionId } from './cautions'
import type { ConditionId, Counts } from './setup'

/** Chapters of a run-book, in the order in which they are worked through. */
export const chapters = {
  before: 'Before',
  bench: 'Bench',
  assembly: 'Assembly',
  system: 'System',
  pool: 'Pool',
  people: 'People and shares',
  services: 'Services',
  folders: 'Folders and names',
  fill: 'First fill',
  away: 'Away',
  copies: 'Copies',
  sign: 'Sign-off',
} as const
export type Chapter = keyof typeof chapters

/** Minutes: always the same, or by what there is of it. */
export type Minutes = number | ((counts: Counts) => number)

/** What a step asks of a plan: all of these; of a list within it one. `!` before it: not that. */
type Wanted = ConditionId | `!${ConditionId}`
export type When = readonly (Wanted | readonly Wanted[])[]

/**
 * One step of a run-book. Another step is an entry in the file of its chapter; its minutes are
 * planning values.
 */
export interface Step {
  /** chapter.name; never changed, since ticks are kept by it */
  readonly id: string
  readonly do: string
  readonly why: string
  readonly cautions: readonly CautionId[]
  /** of work */
  readonly hands: Minutes
  /** of waiting after it */
  readonly wait?: Minutes
  readonly tools: string
  readonly good: string
  /** what to do when it is not: an advice, fault trees, earlier steps */
  readonly ifNot: {
    readonly advice: string
    readonly trees: readonly string[]
    readonly steps: readonly string[]
  }
  /** steps that come before it; one that does not appear passes on its own */
  readonly needs: readonly string[]
  readonly when: When
}

export const chapterOf = (id: string): Chapter => id.split('.')[0] as Chapter
