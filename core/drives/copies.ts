import type { Drives } from '../plan/drives'
import type { CopyMarks } from '../library/libraryFacts'
import type { VerdictState } from '../verdict'

/** Whether a copy holds everything that cannot be replaced, and everything that can. */
export interface Held {
  readonly irreplaceable: boolean
  readonly replaceable: boolean
}
export const copyIds = ['secondBox', 'offlineCopy', 'awayCopy'] as const
export type CopyId = (typeof copyIds)[number]
export type Copies = Readonly<Record<CopyId, Held>>

/** What the copies of a plan are set to, and whether the line carries the one away. */
export interface CopyQuestion {
  readonly drives: Pick<
    Drives,
    | CopyId
    | 'secondBoxEveryDays'
    | 'offlineEveryDays'
    | 'awayEveryDays'
    | 'awayBy'
    | 'awaySets'
    | 'awayKept'
    | 'copiesWithVersions'
  >
  readonly copyMarks: CopyMarks
  /** false for a copy over the line whose nights never end, or whose first pass takes too many */
  readonly lineKeepsUp: boolean
}

/**
 * What each copy holds whole, once the marks of single holdings are counted. A copy over the line
 * that cannot be kept counts as not there.
 */
export function copiesOf({ drives, copyMarks, lineKeepsUp }: CopyQuestion): Copies {
  const { irreplaceableNowhere, replaceableNowhere, replaceableEverywhere } = copyMarks
  const holds = (id: CopyId): Held => {
    const isThere = drives[id] !== 'nothing' && (id !== 'awayCopy' || lineKeepsUp)
    return {
      irreplaceable: isThere && !irreplaceableNowhere,
      replaceable:
        isThere && !replaceableNowhere && (drives[id] === 'everything' || replaceableEverywhere),
    }
  }
  return {
    secondBox: holds('secondBox'),
    offlineCopy: holds('offlineCopy'),
    awayCopy: holds('awayCopy'),
  }
}

/** Whether anything holds a second copy of all that is irreplaceable. */
export function hasCopy(question: CopyQuestion): boolean {
  return Object.values(copiesOf(question)).some(({ irreplaceable }) => irreplaceable)
}

/** A copy that is made more seldom counts as none. */
export const oldestCopyDays = 31

/** How what cannot be replaced is copied, and the state that follows. */
export interface CopiesState {
  readonly state: VerdictState
  readonly is: 'nowhere' | 'here' | 'away' | 'twice'
}

/**
 * The state of copies of what cannot be replaced: none outside this machine is short, one in the
 * same house tight (theft, fire and water take both), one away enough; with older versions there
 * and one here besides, ample. Of two sets in rotation one is away while the other is here.
 */
export function copiesState(question: CopyQuestion): CopiesState {
  const { drives } = question
  const copies = copiesOf(question)
  const counts = (id: CopyId, everyDays: number) =>
    copies[id].irreplaceable && everyDays <= oldestCopyDays
  const away = counts('awayCopy', drives.awayEveryDays)
  const rotates = away && drives.awayBy === 'carried' && drives.awaySets > 1
  const here =
    counts('secondBox', drives.secondBoxEveryDays) ||
    counts('offlineCopy', drives.offlineEveryDays) ||
    rotates
  if (!away) return here ? { state: 'tight', is: 'here' } : { state: 'short', is: 'nowhere' }
  const versions = drives.copiesWithVersions && drives.awayKept > 0
  return here && versions ? { state: 'ample', is: 'twice' } : { state: 'enough', is: 'away' }
}
