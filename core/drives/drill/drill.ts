import { requireWithin } from '../../errors'
import { groupRebuildHours } from '../layoutRisk'
import {
  failing,
  groupOf,
  mistake,
  note,
  pass,
  placesOf,
  randomFrom,
  rebuiltOn,
  shareOn,
} from './drillClock'
import {
  drillAftermath,
  drillHours,
  isStopped,
  isWhole,
  makeHours,
  missingOf,
  type DrillAction,
  type DrillGround,
  type DrillState,
  type MistakeCode,
} from './drillState'

/**
 * Begins a drill: one drive of the pool fails.
 * @param place which; null lets chance pick
 * @throws {CoreRangeError} DRILL_DRIVE: no such drive in the pool
 */
export function beginDrill(ground: DrillGround, place: number | null): DrillState {
  const { memberPlaces, sparePlaces } = ground.pool.arrangement
  const draw = randomFrom(ground, 0)()
  const chosen =
    place ??
    memberPlaces[Math.min(memberPlaces.length - 1, Math.floor(draw * memberPlaces.length))]!
  requireWithin('DRILL_DRIVE', memberPlaces.indexOf(chosen), {
    min: 0,
    max: memberPlaces.length - 1,
  })
  return failing(
    ground,
    {
      clockHours: 0,
      dead: [],
      empty: [],
      fresh: [],
      pulledGood: null,
      spares: sparePlaces,
      standsIn: {},
      ownRebuilds: [],
      hasRead: false,
      copiedAtLost: null,
      coming: [],
      ordered: 0,
      lostPlaces: [],
      lostShare: 0,
      isGone: false,
      filesLost: 0,
      isRestored: false,
      isChecked: false,
      bareHours: 0,
      isOver: false,
      log: [],
      draws: 1,
    },
    chosen,
  )
}

const hoursFor = (sizeTB: number, rateMBps: number) => (sizeTB * 1e6) / rateMBps / 3600

/** What keeps an action that reads the pool from being done; null where nothing does. */
function unreadable(ground: DrillGround, state: DrillState): MistakeCode | null {
  if (state.isGone) return 'POOL_LOST'
  return isStopped(ground, state) ? 'POOL_STOPPED' : null
}

/**
 * One step of a drill: what it does, how long it takes, and what happens meanwhile. What lacks what
 * it needs is not done, takes no time, and is written down with the reason. The drill after its end
 * stays as it is.
 */
export function drillStep(ground: DrillGround, state: DrillState, action: DrillAction): DrillState {
  if (state.isOver) return state
  switch (action.do) {
    case 'read':
      return note({ ...pass(ground, state, drillHours.read), hasRead: true }, { event: 'read' })
    case 'copy':
      return copy(ground, state)
    case 'order':
      return order(ground, state)
    case 'pull':
      return pull(ground, state, action.place)
    case 'putBack':
      return state.pulledGood === null
        ? state
        : note(
            { ...pass(ground, state, drillHours.putBack), pulledGood: null, isChecked: false },
            { event: 'putBack', place: state.pulledGood },
          )
    case 'insert':
      return insert(ground, state)
    case 'rebuild':
      return rebuild(ground, state)
    case 'scrub':
      return scrub(ground, state)
    case 'restore':
      return restore(ground, state)
    case 'record':
      return record(ground, state)
  }
}

function copy(ground: DrillGround, before: DrillState): DrillState {
  if (ground.irreplaceableTB === 0) return mistake(before, 'NOTHING_TO_COPY')
  const reason = unreadable(ground, before)
  if (reason) return mistake(before, reason)
  const hours = hoursFor(ground.irreplaceableTB, ground.copyMBps)
  const state = pass(ground, before, hours)
  // What fails meanwhile takes what has not been copied with it.
  if (unreadable(ground, state)) return note(state, { event: 'copyBroke', hours })
  return note({ ...state, copiedAtLost: state.lostShare }, { event: 'copied', hours })
}

function order(ground: DrillGround, before: DrillState): DrillState {
  const wanted = before.dead.length + before.empty.length - before.coming.length
  if (wanted <= 0) return mistake(before, 'NOTHING_TO_ORDER')
  const state = pass(ground, before, drillHours.order)
  const hoursOf = (at: number) =>
    state.ordered + at === 0 ? ground.leadHours : Math.max(ground.leadHours, ground.laterHours)
  const coming = Array.from({ length: wanted }, (_, at) => state.clockHours + hoursOf(at))
  return note(
    {
      ...state,
      coming: [...state.coming, ...coming].sort((a, b) => a - b),
      ordered: state.ordered + wanted,
    },
    { event: 'ordered', count: wanted, hours: hoursOf(0) },
  )
}

function pull(ground: DrillGround, before: DrillState, place: number): DrillState {
  if (before.empty.includes(place)) return mistake(before, 'NOTHING_TO_PULL')
  if (before.pulledGood !== null && !before.dead.includes(place))
    return mistake(before, 'NOTHING_TO_PULL')
  let state = pass(ground, before, drillHours.pull)
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
  return note(mistake({ ...state, pulledGood: place, isChecked: false }, 'PULLED_GOOD'), {
    event: 'pulledGood',
    place,
  })
}

function insert(ground: DrillGround, before: DrillState): DrillState {
  const [place] = before.empty
  if (place === undefined) return mistake(before, 'NO_EMPTY_BAY')
  const [ready] = before.coming
  if (ready === undefined) return mistake(before, 'NOTHING_ORDERED')
  let state = before
  if (ready > state.clockHours) {
    const hours = ready - state.clockHours
    state = note(pass(ground, state, hours), { event: 'waited', hours })
  }
  state = pass(ground, state, drillHours.insert)
  state = {
    ...state,
    coming: state.coming.slice(1),
    empty: state.empty.filter(other => other !== place),
  }
  // A hot spare stands in for good: what is put in instead waits as the next one.
  return isServed(ground, state, place)
    ? note({ ...state, spares: [...state.spares, place] }, { event: 'newSpare', place })
    : note(
        { ...state, fresh: [...new Set([...state.fresh, servedBy(state, place)])] },
        { event: 'inserted', place },
      )
}

/** The place in the pool that a bay serves. */
function servedBy({ standsIn }: DrillState, bay: number): number {
  const served = Object.entries(standsIn).find(([, spare]) => spare === bay)
  return served ? Number(served[0]) : bay
}

/** Whether what the bay served is served from elsewhere, or it served nothing. */
function isServed({ pool }: DrillGround, state: DrillState, bay: number): boolean {
  const served = servedBy(state, bay)
  if (served !== bay) return false
  return state.standsIn[bay] !== undefined || !pool.arrangement.memberPlaces.includes(bay)
}

function rebuild(ground: DrillGround, before: DrillState): DrillState {
  const { irreplaceableTB, hasCopy } = ground
  const own = new Set(before.ownRebuilds.map(({ place }) => place))
  const fresh = before.fresh.filter(place => !own.has(place))
  if (fresh.length === 0) return mistake(before, 'NOTHING_TO_REBUILD')
  if (before.isGone) return makeAnew(ground, before)
  if (isStopped(ground, before)) return mistake(before, 'POOL_STOPPED')
  let state = before
  const overWith = (at: DrillState, place: number) => {
    const gone = missingOf(ground, { ...at, pulledGood: null })
    const group = groupOf(ground, place)
    return placesOf(ground, group).filter(other => gone.has(other)).length > group.survives
  }
  // Of two copies of every file the other one is there for all but what lay on both.
  const joined =
    ground.pool.layout.loss === 'shareOfFiles'
      ? []
      : fresh.filter(
          place =>
            before.lostPlaces.includes(place) ||
            (overWith(before, place) && shareOn(ground, [place]) > 0),
        )
  if (joined.length > 0) {
    state = pass(ground, state, makeHours)
    // What lay on them is lost: they come into use empty.
    state = note(
      { ...state, fresh: state.fresh.filter(place => !joined.includes(place)) },
      { event: 'joined', places: joined },
    )
  }
  const rebuilt = fresh.filter(
    place =>
      !joined.includes(place) &&
      isThere(state, place) &&
      (ground.pool.layout.loss === 'shareOfFiles' || !overWith(state, place)),
  )
  if (rebuilt.length === 0) return joined.length > 0 ? state : mistake(state, 'NOTHING_TO_REBUILD')
  const nothingLeft = drillAftermath(ground, state).stillSurvives === 0
  if (nothingLeft && irreplaceableTB > 0 && !hasCopy && state.copiedAtLost === null)
    state = mistake(state, 'NOT_COPIED')
  const perGroup = new Map<object, number>()
  for (const place of rebuilt) {
    const group = groupOf(ground, place)
    perGroup.set(group, (perGroup.get(group) ?? 0) + groupRebuildHours(group))
  }
  const hours = Math.max(...perGroup.values())
  state = pass(ground, state, hours)
  const still = rebuilt.filter(
    place => !state.isGone && !state.lostPlaces.includes(place) && isThere(state, place),
  )
  if (still.length < rebuilt.length) state = note(state, { event: 'rebuildFailed', hours })
  return still.length > 0 && !isStopped(ground, state) ? rebuiltOn(ground, state, still) : state
}

/** A place whose new drive has not failed meanwhile. */
const isThere = ({ fresh }: DrillState, place: number) => fresh.includes(place)

/** After everything was lost a new pool is made, once every drive is there. */
function makeAnew(ground: DrillGround, before: DrillState): DrillState {
  const { dead, empty, pulledGood } = before
  if (dead.length + empty.length > 0 || pulledGood !== null) return mistake(before, 'POOL_LOST')
  const state = pass(ground, before, makeHours)
  if (state.dead.length > 0) return state
  return note(
    { ...state, fresh: [], ownRebuilds: [], isGone: false, isChecked: false },
    { event: 'madeAnew' },
  )
}

function scrub(ground: DrillGround, before: DrillState): DrillState {
  const reason = unreadable(ground, before)
  if (reason) return mistake(before, reason)
  const wasWhole = isWhole(ground, before)
  const hours = Math.max(...ground.pool.arrangement.groups.map(groupRebuildHours))
  const state = pass(ground, wasWhole ? before : mistake(before, 'SCRUBBED_EARLY'), hours)
  if (unreadable(ground, state)) return note(state, { event: 'scrubBroke', hours })
  return note(
    { ...state, isChecked: wasWhole && isWhole(ground, state) },
    { event: 'scrubbed', hours },
  )
}

/** Whether a copy holds what was lost: the plan's, or one that was made before. */
export function copyHolds(
  { hasCopy, irreplaceableTB }: DrillGround,
  { copiedAtLost, lostShare, filesLost }: DrillState,
): boolean {
  if (irreplaceableTB === 0) return false
  return hasCopy || (copiedAtLost !== null && (copiedAtLost < lostShare || filesLost > 0))
}

function restore(ground: DrillGround, before: DrillState): DrillState {
  const { lostShare, filesLost } = before
  if (lostShare === 0 && filesLost === 0) return mistake(before, 'NOTHING_LOST')
  if (!copyHolds(ground, before)) return mistake(before, 'NO_COPY')
  const reason = unreadable(ground, before)
  if (reason) return mistake(before, reason)
  if (!isWhole(ground, before)) return mistake(before, 'NOT_WHOLE')
  const share = lostShare > 0 ? lostShare : 1e-4
  const hours = hoursFor(ground.irreplaceableTB * share, ground.copyMBps)
  const state = pass(ground, before, hours)
  if (unreadable(ground, state)) return state
  return note(
    { ...state, isRestored: true, isChecked: false, lostPlaces: [] },
    { event: 'restored', hours },
  )
}

function record(ground: DrillGround, before: DrillState): DrillState {
  let state = note(pass(ground, before, drillHours.record), { event: 'recorded' })
  if (!isWhole(ground, state)) state = mistake(state, 'NOT_WHOLE')
  else if (!state.isChecked) state = mistake(state, 'NOT_SCRUBBED')
  if (isLeftOut(ground, state)) state = mistake(state, 'NOT_RESTORED')
  return { ...state, isOver: true }
}

/** Something was lost, a copy holds it, and it is not back. */
function isLeftOut(ground: DrillGround, state: DrillState): boolean {
  return (
    (state.lostShare > 0 || state.filesLost > 0) && !state.isRestored && copyHolds(ground, state)
  )
}

/** Ends a drill as it stands, before its last step. */
export function endDrill(state: DrillState): DrillState {
  return state.isOver ? state : { ...mistake(state, 'NOT_RECORDED'), isOver: true }
}
