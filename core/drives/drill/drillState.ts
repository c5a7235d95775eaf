import { type AfterFailures, afterFailures } from '../failedDrives'
import type { Pool } from '../poolOf'

/** What a drill is played on: the plan's own pool, and what stands around it. */
export interface DrillGround {
  readonly pool: Pool
  /** until a new drive is in the house */
  readonly leadHours: number
  /** until a further one is: only one lies on the shelf */
  readonly laterHours: number
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
  | 'NOTHING_TO_PULL'
  | 'NOT_COPIED'
  | 'NOTHING_TO_COPY'
  | 'SCRUBBED_EARLY'
  | 'NOT_SCRUBBED'
  | 'NOT_RECORDED'
  | 'NOT_WHOLE'
  | 'NO_EMPTY_BAY'
  | 'NOTHING_TO_ORDER'
  | 'NOTHING_ORDERED'
  | 'NOTHING_TO_REBUILD'
  | 'NOTHING_LOST'
  | 'NO_COPY'
  | 'NOT_RESTORED'
  | 'POOL_STOPPED'
  | 'POOL_LOST'

/** Something that happened, and when. */
export interface DrillEntry {
  readonly atHours: number
  readonly event:
    | 'failed'
    | 'spareStarted'
    | 'read'
    | 'copied'
    | 'copyBroke'
    | 'ordered'
    | 'pulled'
    | 'pulledGood'
    | 'putBack'
    | 'waited'
    | 'inserted'
    | 'newSpare'
    | 'rebuilt'
    | 'joined'
    | 'madeAnew'
    | 'rebuildFailed'
    | 'sector'
    | 'sectorEnds'
    | 'lost'
    | 'scrubbed'
    | 'scrubBroke'
    | 'recorded'
    | 'restored'
    | 'mistake'
  readonly place?: number
  /** places of the drives that it is about, where there are several */
  readonly places?: readonly number[]
  readonly count?: number
  readonly hours?: number
  readonly mistake?: MistakeCode
}

/** A rebuild that runs by itself, onto a hot spare. */
export interface OwnRebuild {
  /** of the drive that failed */
  readonly place: number
  readonly doneAtHours: number
}

export interface DrillState {
  readonly clockHours: number
  /** places of drives that have failed and are still in their bays */
  readonly dead: readonly number[]
  /** bays that a failed drive was pulled out of */
  readonly empty: readonly number[]
  /** places of drives whose place in the pool is taken by a new drive that holds nothing yet */
  readonly fresh: readonly number[]
  /** a good drive that was pulled by mistake */
  readonly pulledGood: number | null
  /** places of hot spares that wait */
  readonly spares: readonly number[]
  /** by the place of a failed drive the hot spare that stands in for it */
  readonly standsIn: Readonly<Record<number, number>>
  readonly ownRebuilds: readonly OwnRebuild[]
  readonly hasRead: boolean
  /** share that was lost when what is irreplaceable was copied; null while it was not */
  readonly copiedAtLost: number | null
  /** when each ordered drive is there, the soonest first */
  readonly coming: readonly number[]
  /** drives ordered so far */
  readonly ordered: number
  /** places whose files are lost for good, where drives hold whole files */
  readonly lostPlaces: readonly number[]
  /** share of what is kept that was lost */
  readonly lostShare: number
  /** the pool as it was is gone, and no other one has been made yet */
  readonly isGone: boolean
  readonly filesLost: number
  readonly isRestored: boolean
  /** it was read from end to end while it was whole, and nothing has happened since */
  readonly isChecked: boolean
  /** hours in which the next failure would have lost data */
  readonly bareHours: number
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

/** Hours to make a new pool of empty drives. */
export const makeHours = 0.5

/**
 * Places of the pool's drives whose data are not there: failed, pulled, or new and still empty,
 * unless a hot spare holds them by now.
 */
export function missing(
  state: Pick<DrillState, 'dead' | 'empty' | 'fresh' | 'pulledGood' | 'standsIn' | 'spares'>,
  members: readonly number[],
): Set<number> {
  const { dead, empty, fresh, pulledGood, standsIn } = state
  return new Set(
    members.filter(place => {
      if (fresh.includes(place)) return true
      const holder = standsIn[place] ?? place
      return dead.includes(holder) || empty.includes(holder) || pulledGood === holder
    }),
  )
}

/** As {@link missing}, for the drives of a drill. */
export const missingOf = ({ pool }: DrillGround, state: DrillState): Set<number> =>
  missing(state, pool.arrangement.memberPlaces)

/** What plays, waits and is lost just now. */
export function drillAftermath(ground: DrillGround, state: DrillState): AfterFailures {
  return afterFailures(ground.pool, missingOf(ground, state), ground.leadHours)
}

/** A good drive is out, and without it more is missing than the layout survives. */
export function isStopped(ground: DrillGround, state: DrillState): boolean {
  if (state.pulledGood === null) return false
  const without = drillAftermath(ground, { ...state, pulledGood: null }).lostShare
  return drillAftermath(ground, state).lostShare > without + 1e-12
}

/** Nothing is missing, and the pool is there. */
export function isWhole(ground: DrillGround, state: DrillState): boolean {
  return !state.isGone && state.pulledGood === null && missingOf(ground, state).size === 0
}
