import { requireWithin } from '../../errors'
import { groupRebuildHours, sectorChance } from '../layoutRisk'
import { mistake, note, pass, randomFrom, withLosses } from './drillClock'
import {
  drillHours,
  type DrillAction,
  type DrillGround,
  type DrillState,
  badDaySector,
  drillAftermath,
  isAllLost,
} from './drillState'
import { anyLost } from '../lossChance'

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

const hoursFor = (sizeTB: number, rateMBps: number) => (sizeTB * 1e6) / rateMBps / 3600

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
      const hours = Math.max(...ground.pool.arrangement.groups.map(groupRebuildHours))
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
  const hours = Math.max(0, ...own.map(({ group, fresh }) => fresh * groupRebuildHours(group)))
  const rebuilt = state.fresh
  state = pass(ground, state, hours)
  // What was lost stays lost, but the drives are in use again.
  if (isAllLost(ground, state)) return note({ ...state, fresh: [] }, { event: 'rebuilt', hours })
  if (nothingLeft) {
    const chance = anyLost(own.map(({ group }) => sectorChance(group)))
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
