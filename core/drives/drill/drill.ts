import { requireWithin } from '../../errors'
import { seededRandom, spreadSeed, type RandomSource } from '../../random'
import { afterFailures, type AfterFailures } from '../failedDrives'
import { failureSpans } from '../failureRate'
import { groupRebuildHours } from '../layoutRisk'
import type { Pool } from '../poolOf'
import { readErrorChance } from '../readError'

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

/** Random numbers of a drill from where it stands. */
function randomFrom({ seed }: DrillGround, draws: number): RandomSource {
  const random = seededRandom(spreadSeed(seed))
  for (let i = 0; i < draws; i++) random()
  return random
}

/**
 * Begins a drill: one drive of the pool fails.
 * @param place which; null lets chance pick
 * @throws {CoreRangeError} DRILL_DRIVE: no such drive in the pool
 */
export function beginDrill(ground: DrillGround, place: number | null): DrillState {
  const { memberPlaces, sparePlaces } = ground.pool.arrangement
  const random = randomFrom(ground, 0)
  const draw = random()
  const chosen =
    place ??
    memberPlaces[Math.min(memberPlaces.length - 1, Math.floor(draw * memberPlaces.length))]!
  requireWithin('DRILL_DRIVE', memberPlaces.indexOf(chosen), {
    min: 0,
    max: memberPlaces.length - 1,
  })
  const state: DrillState = {
    clockHours: 0,
    dead: [chosen],
    empty: [],
    fresh: [],
    pulledGood: null,
    hasRead: false,
    hasCopied: false,
    readyAtHours: null,
    spares: sparePlaces.length,
    lostShare: 0,
    filesLost: 0,
    isScrubbed: false,
    isOver: false,
    log: [{ atHours: 0, event: 'failed', place: chosen }],
    draws: 1,
  }
  return withLosses(ground, state)
}

/** The share that is lost is the most that ever was: what is gone does not come back by itself. */
function withLosses(ground: DrillGround, state: DrillState): DrillState {
  // A good drive that was pulled holds its data still.
  const { lostShare } = afterFailures(
    ground.pool,
    new Set([...state.dead, ...state.empty, ...state.fresh]),
    ground.leadHours,
  )
  if (lostShare <= state.lostShare) return state
  return { ...state, lostShare, log: [...state.log, { atHours: state.clockHours, event: 'lost' }] }
}

const note = (state: DrillState, entry: Omit<DrillEntry, 'atHours'>): DrillState => ({
  ...state,
  log: [...state.log, { atHours: state.clockHours, ...entry }],
})
const mistake = (state: DrillState, code: MistakeCode): DrillState =>
  note(state, { event: 'mistake', mistake: code })

/** Failures an hour of the drives that still work. */
function failuresPerHour(ground: DrillGround, state: DrillState): number {
  const { pool, pace, leadHours } = ground
  const working = pool.arrangement.members - missing(state).size
  const [span] = failureSpans(pool.conditions, 1)
  if (!span || working <= 0) return 0
  const rate = working * span.failureRatePerHour * pool.conditions.batchFactor
  if (pace === 'true') return rate
  const longest = Math.max(
    ...pool.arrangement.groups.map(group => groupRebuildHours(group, pool.conditions)),
  )
  return Math.max(rate, badDayFailures / (leadHours + longest))
}

/** Time passes; drives may fail meanwhile, with the chance they have. */
function pass(ground: DrillGround, from: DrillState, hours: number): DrillState {
  let state = from
  const random = randomFrom(ground, state.draws)
  for (let left = hours; left > 0;) {
    const rate = failuresPerHour(ground, state)
    const until = -Math.log(1 - random()) / rate
    state = { ...state, draws: state.draws + 1 }
    if (!(until < left)) return { ...state, clockHours: state.clockHours + left }
    const gone = missing(state)
    const working = ground.pool.arrangement.memberPlaces.filter(place => !gone.has(place))
    const place = working[Math.floor(random() * working.length)]!
    state = {
      ...state,
      draws: state.draws + 1,
      clockHours: state.clockHours + until,
      dead: [...state.dead, place],
    }
    state = withLosses(ground, note(state, { event: 'failed', place }))
    left -= until
  }
  return state
}

const hoursFor = (sizeTB: number, rateMBps: number) => (sizeTB * 1e6) / rateMBps / 3600

/** Everything on the pool is gone: only a copy brings it back. */
export function isAllLost({ pool }: DrillGround, { lostShare }: DrillState): boolean {
  return lostShare >= 1 - 1e-9 && pool.layout.loss === 'everything'
}

/**
 * One step of a drill: what it does, how long it takes, and what happens meanwhile. The drill after
 * its end stays as it is.
 */
export function drillStep(ground: DrillGround, state: DrillState, action: DrillAction): DrillState {
  if (state.isOver) return state
  switch (action.do) {
    case 'read':
      return note({ ...pass(ground, state, drillHours.read), hasRead: true }, { event: 'read' })
    case 'copy': {
      const hours = hoursFor(ground.irreplaceableTB, ground.copyMBps)
      return note({ ...pass(ground, state, hours), hasCopied: true }, { event: 'copied', hours })
    }
    case 'order': {
      const ordered = pass(ground, state, drillHours.order)
      return note(
        { ...ordered, readyAtHours: ordered.readyAtHours ?? ordered.clockHours + ground.leadHours },
        { event: 'ordered', hours: ground.leadHours },
      )
    }
    case 'pull':
      return pull(ground, state, action.place)
    case 'putBack':
      return state.pulledGood === null
        ? state
        : note(
            { ...pass(ground, state, drillHours.putBack), pulledGood: null },
            { event: 'putBack', place: state.pulledGood },
          )
    case 'insert':
      return insert(ground, state)
    case 'rebuild':
      return rebuild(ground, state)
    case 'scrub': {
      const hours = Math.max(
        ...ground.pool.arrangement.groups.map(group =>
          groupRebuildHours(group, ground.pool.conditions),
        ),
      )
      return note({ ...pass(ground, state, hours), isScrubbed: true }, { event: 'scrubbed', hours })
    }
    case 'restore':
      return restore(ground, state)
    case 'record':
      return record(ground, state)
  }
}

function pull(ground: DrillGround, before: DrillState, place: number): DrillState {
  let state = pass(ground, before, drillHours.pull)
  if (state.empty.includes(place) || state.fresh.includes(place) || state.pulledGood !== null)
    return state
  if (!before.hasRead) state = mistake(state, 'PULLED_UNREAD')
  if (state.dead.includes(place))
    return note(
      {
        ...state,
        dead: state.dead.filter(other => other !== place),
        empty: [...state.empty, place],
      },
      { event: 'pulled', place },
    )
  return note(mistake({ ...state, pulledGood: place }, 'PULLED_GOOD'), {
    event: 'pulledGood',
    place,
  })
}

function insert(ground: DrillGround, before: DrillState): DrillState {
  const [place] = before.empty
  if (place === undefined) return mistake(before, 'NO_EMPTY_BAY')
  let state = before
  if (state.spares > 0) state = { ...state, spares: state.spares - 1 }
  else if (state.readyAtHours === null) return mistake(state, 'NOTHING_ORDERED')
  else if (state.readyAtHours > state.clockHours) {
    const hours = state.readyAtHours - state.clockHours
    state = note(pass(ground, state, hours), { event: 'waited', hours })
  }
  state = pass(ground, state, drillHours.insert)
  return note(
    {
      ...state,
      empty: state.empty.filter(other => other !== place),
      fresh: [...state.fresh, place],
    },
    { event: 'inserted', place },
  )
}

function rebuild(ground: DrillGround, before: DrillState): DrillState {
  const { pool, irreplaceableTB, hasCopy, pace, readErrorEndsRebuild } = ground
  if (before.fresh.length === 0) return mistake(before, 'NOTHING_TO_REBUILD')
  let state = before
  const nothingLeft = drillAftermath(ground, state).stillSurvives === 0
  if (nothingLeft && state.lostShare === 0 && irreplaceableTB > 0 && !hasCopy && !state.hasCopied)
    state = mistake(state, 'NOT_COPIED')
  const { groups, memberPlaces } = pool.arrangement
  const own = groups
    .map(group => ({
      group,
      fresh: group.members.filter(member => state.fresh.includes(memberPlaces[member]!)).length,
    }))
    .filter(({ fresh }) => fresh > 0)
  const hours = Math.max(
    0,
    ...own.map(({ group, fresh }) => fresh * groupRebuildHours(group, pool.conditions)),
  )
  const rebuilt = state.fresh
  state = pass(ground, state, hours)
  // What was lost stays lost, but the drives are in use again.
  if (isAllLost(ground, state)) return note({ ...state, fresh: [] }, { event: 'rebuilt', hours })
  if (nothingLeft) {
    const readTB =
      own.reduce(
        (sum, { group }) =>
          sum + group.readsTB.reduce((all, size) => all + Math.min(size, group.rebuiltTB), 0),
        0,
      ) * pool.conditions.usedShare
    const chance = readErrorChance(readTB, pool.conditions.readErrorsPerBit)
    const met =
      randomFrom(ground, state.draws)() <
      (pace === 'badDay' ? Math.max(badDaySector, chance) : chance)
    state = { ...state, draws: state.draws + 1 }
    if (met && readErrorEndsRebuild)
      return note({ ...state, lostShare: 1 }, { event: 'sectorEnds', hours })
    if (met) state = note({ ...state, filesLost: state.filesLost + 1 }, { event: 'sector' })
  }
  return note(
    { ...state, fresh: state.fresh.filter(place => !rebuilt.includes(place)) },
    { event: 'rebuilt', hours },
  )
}

function restore(ground: DrillGround, before: DrillState): DrillState {
  if (!ground.hasCopy && !before.hasCopied) return mistake(before, 'NO_COPY')
  const sizeTB = ground.hasCopy
    ? ground.heldTB * Math.max(before.lostShare, before.filesLost > 0 ? 1e-4 : 0)
    : ground.irreplaceableTB
  const hours = hoursFor(sizeTB, ground.copyMBps)
  return note(pass(ground, before, hours), { event: 'restored', hours })
}

function record(ground: DrillGround, before: DrillState): DrillState {
  const state = note(pass(ground, before, drillHours.record), { event: 'recorded' })
  return state.isScrubbed
    ? { ...state, isOver: true }
    : { ...mistake(state, 'NOT_SCRUBBED'), isOver: true }
}

/** Ends a drill as it stands, before its last step. */
export function endDrill(state: DrillState): DrillState {
  return state.isOver ? state : { ...mistake(state, 'NOT_RECORDED'), isOver: true }
}

/**
 * Whether everything is as it was: no drive is missing, and nothing more is to do than to check and
 * to write it down.
 */
export function isWhole(state: DrillState): boolean {
  return missing(state).size === 0
}
