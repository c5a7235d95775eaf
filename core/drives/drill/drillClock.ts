import { afterFailures } from '../failedDrives'
import { groupRebuildHours, sectorChance, type PoolGroup } from '../layoutRisk'
import { failureSpans } from '../failureRate'
import { type RandomSource, seededRandom, spreadSeed } from '../../random'
import {
  badDayFailures,
  badDaySector,
  drillAftermath,
  missingOf,
  type DrillEntry,
  type DrillGround,
  type DrillState,
  type MistakeCode,
} from './drillState'

export const note = (state: DrillState, entry: Omit<DrillEntry, 'atHours'>): DrillState => ({
  ...state,
  log: [...state.log, { atHours: state.clockHours, ...entry }],
})

export const mistake = (state: DrillState, code: MistakeCode): DrillState =>
  note(state, { event: 'mistake', mistake: code })

/** The group of a drive of the pool. */
export function groupOf({ pool }: DrillGround, place: number): PoolGroup {
  const { groups, memberPlaces } = pool.arrangement
  const member = memberPlaces.indexOf(place)
  return groups.find(({ members }) => members.includes(member))!
}

/** Places of the drives of a group. */
export const placesOf = ({ pool }: DrillGround, { members }: Pick<PoolGroup, 'members'>) =>
  members.map(member => pool.arrangement.memberPlaces[member]!)

/** What is lost for good is counted: a good drive that was pulled holds its data still. */
export function withLosses(ground: DrillGround, state: DrillState): DrillState {
  const { pool, leadHours } = ground
  const gone = missingOf(ground, { ...state, pulledGood: null })
  const { lostShare } = afterFailures(pool, gone, leadHours)
  if (lostShare === 0 || state.isGone) return state
  switch (pool.layout.loss) {
    case 'everything':
      return lost(state, { lostShare: 1, isGone: true, ownRebuilds: [] })
    case 'shareOfFiles':
      return lostShare > (state.isRestored ? 0 : state.lostShare) + 1e-12
        ? lost(state, { lostShare: Math.max(lostShare, state.lostShare) })
        : state
    case 'failedDrivesOnly':
      return lostOn(
        ground,
        state,
        [...gone].filter(place => {
          const group = groupOf(ground, place)
          return placesOf(ground, group).filter(other => gone.has(other)).length > group.survives
        }),
      )
  }
}

const lost = (state: DrillState, changes: Partial<DrillState>): DrillState =>
  note({ ...state, ...changes, isChecked: false, isRestored: false }, { event: 'lost' })

/** The files on some drives are lost, where drives hold whole files. */
function lostOn(ground: DrillGround, state: DrillState, places: readonly number[]): DrillState {
  // A parity drive holds no files: it is computed anew.
  const more = places.filter(
    place => shareOn(ground, [place]) > 0 && !state.lostPlaces.includes(place),
  )
  return more.length === 0
    ? state
    : lost(state, {
        lostPlaces: [...state.lostPlaces, ...more],
        lostShare: Math.min(1, state.lostShare + shareOn(ground, more)),
      })
}

/** Share of what is kept that lies on some drives. */
export function shareOn({ pool }: DrillGround, places: readonly number[]): number {
  const { parts, memberPlaces, usableTB } = pool.arrangement
  const onThem = parts.reduce(
    (sum, { dataTB }, member) => sum + (places.includes(memberPlaces[member]!) ? dataTB : 0),
    0,
  )
  return usableTB > 0 ? Math.min(1, onThem / usableTB) : 0
}

/** A drive fails; a hot spare that is large enough takes its place by itself. */
export function failing(ground: DrillGround, before: DrillState, place: number): DrillState {
  const { pool } = ground
  const state = withLosses(
    ground,
    note(
      { ...before, dead: [...before.dead, place], isChecked: false },
      { event: 'failed', place },
    ),
  )
  const role = roleOf(ground, state, place)
  if (role === null) return { ...state, spares: state.spares.filter(other => other !== place) }
  const group = groupOf(ground, role)
  const largest = Math.max(...group.sizesTB)
  const spare = state.spares.find(
    other => pool.arrangement.sparesTB[pool.arrangement.sparePlaces.indexOf(other)]! >= largest,
  )
  const isLost = state.isGone || state.lostPlaces.includes(role) || group.survives === 0
  if (spare === undefined || isLost)
    return { ...state, fresh: state.fresh.filter(at => at !== role) }
  const doneAtHours = state.clockHours + groupRebuildHours(group)
  return note(
    {
      ...state,
      spares: state.spares.filter(other => other !== spare),
      standsIn: { ...state.standsIn, [role]: spare },
      fresh: [...new Set([...state.fresh, role])],
      ownRebuilds: [
        ...state.ownRebuilds.filter(one => one.place !== role),
        { place: role, doneAtHours },
      ],
    },
    { event: 'spareStarted', place: spare },
  )
}

/** The place in the pool that a drive serves; null for a hot spare that waits. */
function roleOf({ pool }: DrillGround, { standsIn }: DrillState, place: number): number | null {
  const served = Object.entries(standsIn).find(([, spare]) => spare === place)
  if (served) return Number(served[0])
  return pool.arrangement.memberPlaces.includes(place) && standsIn[place] === undefined
    ? place
    : null
}

/** Drives that work and hold data of the pool, by where they are. */
function working(ground: DrillGround, state: DrillState): number[] {
  const gone = missingOf(ground, state)
  return ground.pool.arrangement.memberPlaces
    .filter(place => !gone.has(place))
    .map(place => state.standsIn[place] ?? place)
}

/** Failures an hour of the drives that still work. */
function failuresPerHour(ground: DrillGround, count: number): number {
  const { pool, pace, leadHours } = ground
  const [span] = failureSpans(pool.conditions, 1)
  if (!span || count <= 0) return 0
  const rate = count * span.failureRatePerHour * pool.conditions.batchFactor
  if (pace === 'true') return rate
  const longest = Math.max(...pool.arrangement.groups.map(groupRebuildHours))
  return Math.max(rate, badDayFailures / (leadHours + longest))
}

/** Time passes; drives may fail meanwhile, with the chance they have, and spares are rebuilt. */
export function pass(ground: DrillGround, from: DrillState, hours: number): DrillState {
  const end = from.clockHours + hours
  let state = from
  while (state.clockHours < end) {
    const random = randomFrom(ground, state.draws)
    const there = working(ground, state)
    const until = -Math.log(1 - random()) / failuresPerHour(ground, there.length)
    state = { ...state, draws: state.draws + 1 }
    const done = state.ownRebuilds.toSorted((a, b) => a.doneAtHours - b.doneAtHours)[0]
    const next = Math.min(end, state.clockHours + until, done?.doneAtHours ?? Infinity)
    const passed = Math.max(0, next - state.clockHours)
    state = {
      ...state,
      clockHours: Math.max(state.clockHours, next),
      bareHours: state.bareHours + (isBare(ground, state) ? passed : 0),
    }
    if (done && done.doneAtHours <= next) {
      state = ended(ground, state, done.place)
      continue
    }
    if (state.clockHours >= end) break
    const place = there[Math.floor(random() * there.length)]!
    state = failing(ground, { ...state, draws: state.draws + 1 }, place)
  }
  return state
}

/** The next failure would lose data although the layout survives one. */
function isBare(ground: DrillGround, state: DrillState): boolean {
  if (state.isGone || ground.pool.arrangement.survives === 0) return false
  return drillAftermath(ground, { ...state, pulledGood: null }).stillSurvives === 0
}

/** A rebuild onto a hot spare comes to its end. */
function ended(ground: DrillGround, before: DrillState, place: number): DrillState {
  const state = {
    ...before,
    ownRebuilds: before.ownRebuilds.filter(one => one.place !== place),
  }
  if (state.isGone || state.lostPlaces.includes(place)) return state
  return rebuiltOn(ground, state, [place])
}

/**
 * Data of some places are on their new drives, unless a sector that cannot be read comes in
 * between: it costs a file, or ends the rebuild, and with it what lay on them.
 */
export function rebuiltOn(
  ground: DrillGround,
  before: DrillState,
  places: readonly number[],
): DrillState {
  let state = before
  const gone = missingOf(ground, { ...state, pulledGood: null })
  const groups = [...new Set(places.map(place => groupOf(ground, place)))]
  const done: number[] = []
  for (const group of groups) {
    const own = places.filter(place => groupOf(ground, place) === group)
    const down = placesOf(ground, group).filter(place => gone.has(place)).length
    if (down === group.survives && meetsSector(ground, state, group)) {
      state = { ...state, draws: state.draws + 1 }
      if (ground.readErrorEndsRebuild) {
        state = lostWith(ground, note(state, { event: 'sectorEnds', places: own }), own)
        continue
      }
      state = note(
        { ...state, filesLost: state.filesLost + 1, isRestored: false },
        { event: 'sector' },
      )
    } else if (down === group.survives) state = { ...state, draws: state.draws + 1 }
    done.push(...own)
  }
  return done.length === 0
    ? state
    : note(
        { ...state, fresh: state.fresh.filter(place => !done.includes(place)), isChecked: false },
        { event: 'rebuilt', places: done },
      )
}

function meetsSector(ground: DrillGround, { draws }: DrillState, group: PoolGroup): boolean {
  const chance = sectorChance(group)
  return (
    randomFrom(ground, draws)() <
    (ground.pace === 'badDay' ? Math.max(badDaySector, chance) : chance)
  )
}

/** What a rebuild that ends loses: everything, or what lay on the drives that it was for. */
function lostWith(ground: DrillGround, state: DrillState, places: readonly number[]): DrillState {
  switch (ground.pool.layout.loss) {
    case 'everything':
      return lost(state, { lostShare: 1, isGone: true, ownRebuilds: [] })
    case 'failedDrivesOnly':
      return lostOn(ground, state, places)
    case 'shareOfFiles':
      return lost(state, { lostShare: Math.max(state.lostShare, shareOn(ground, places)) })
  }
}

/** Random numbers of a drill from where it stands. */
export function randomFrom({ seed }: DrillGround, draws: number): RandomSource {
  const random = seededRandom(spreadSeed(seed))
  for (let i = 0; i < draws; i++) random()
  return random
}
