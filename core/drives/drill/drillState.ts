import { type AfterFailures, afterFailures } from '../failedDrives'
import type { Pool } from '../poolOf'

/** What a drill is played on: the plan's own pool, and what stands around it. */
export interface DrillGround {
  readonly pool: Pool
  /** until a new drive is in the house */
  readonly leadHours: number
  /** what is irreplaceable, TB, and whether a copy of it is there */
  readonly irreplaceableTB: number
  readonly hasCopy: boolean
  /** what is kept, TB */
  readonly heldTB: number
  /** MB/s of an external drive that a fresh copy is made on, or read back from */
  readonly copyMBps: number
  readonly readErrorEndsRebuild: boolean
  /** further events come as rarely as they do, or so often that one is likely */
  readonly pace: 'true' | 'badDay'
  readonly seed: number
}

export type DrillAction =
  | {
      readonly do:
        | 'read'
        | 'copy'
        | 'order'
        | 'insert'
        | 'rebuild'
        | 'scrub'
        | 'record'
        | 'restore'
        | 'putBack'
    }
  | { readonly do: 'pull'; readonly place: number }
export type MistakeCode =
  | 'PULLED_UNREAD'
  | 'PULLED_GOOD'
  | 'NOT_COPIED'
  | 'NOT_SCRUBBED'
  | 'NOT_RECORDED'
  | 'NO_EMPTY_BAY'
  | 'NOTHING_ORDERED'
  | 'NOTHING_TO_REBUILD'
  | 'NO_COPY'

/** Something that happened, and when. */
export interface DrillEntry {
  readonly atHours: number
  readonly event:
    | 'failed'
    | 'read'
    | 'copied'
    | 'ordered'
    | 'pulled'
    | 'pulledGood'
    | 'putBack'
    | 'waited'
    | 'inserted'
    | 'rebuilt'
    | 'sector'
    | 'sectorEnds'
    | 'lost'
    | 'scrubbed'
    | 'recorded'
    | 'restored'
    | 'mistake'
  readonly place?: number
  readonly hours?: number
  readonly mistake?: MistakeCode
}

export interface DrillState {
  readonly clockHours: number
  /** places of drives that have failed and are still in their bays */
  readonly dead: readonly number[]
  /** bays that a failed drive was pulled out of */
  readonly empty: readonly number[]
  /** new drives that are not rebuilt yet */
  readonly fresh: readonly number[]
  /** a good drive that was pulled by mistake */
  readonly pulledGood: number | null
  readonly hasRead: boolean
  readonly hasCopied: boolean
  /** when the ordered drives are there; null while none are ordered */
  readonly readyAtHours: number | null
  /** hot spares that are left */
  readonly spares: number
  /** share of what is kept that was lost, the most so far */
  readonly lostShare: number
  readonly filesLost: number
  readonly isScrubbed: boolean
  readonly isOver: boolean
  readonly log: readonly DrillEntry[]
  /** random numbers drawn so far: a drill goes on from its state alone */
  readonly draws: number
}

/** Hours that things take besides copying and rebuilding. */
export const drillHours = {
  read: 0.25,
  order: 0.5,
  pull: 0.25,
  insert: 0.25,
  putBack: 1,
  record: 0.25,
} as const
/** On a bad day so many further failures are to be expected until all is whole again. */
export const badDayFailures = 0.7
/** … and a rebuild without redundancy meets an unreadable sector at least so often. */
export const badDaySector = 0.5

/** Places of the drives that are not there: failed, pulled, or new and still empty. */
export function missing({
  dead,
  empty,
  fresh,
  pulledGood,
}: Pick<DrillState, 'dead' | 'empty' | 'fresh' | 'pulledGood'>): Set<number> {
  return new Set([...dead, ...empty, ...fresh, ...(pulledGood === null ? [] : [pulledGood])])
}

/** What plays, waits and is lost just now. */
export function drillAftermath(ground: DrillGround, state: DrillState): AfterFailures {
  return afterFailures(ground.pool, missing(state), ground.leadHours)
}

/** Everything on the pool is gone: only a copy brings it back. */
export function isAllLost({ pool }: DrillGround, { lostShare }: DrillState): boolean {
  return lostShare >= 1 - 1e-9 && pool.layout.loss === 'everything'
}

/**
 * Whether everything is as it was: no drive is missing, and nothing more is to do than to check and
 * to write it down.
 */
export function isWhole(state: DrillState): boolean {
  return missing(state).size === 0
}
