import { afterFailures } from '../failedDrives'
import { groupRebuildHours } from '../layoutRisk'
import { failureSpans } from '../failureRate'
import {
  missing,
  badDayFailures,
  type DrillEntry,
  type DrillGround,
  type DrillState,
  type MistakeCode,
} from './drillState'
import { type RandomSource, seededRandom, spreadSeed } from '../../random'

/** The share that is lost is the most that ever was: what is gone does not come back by itself. */
export function withLosses(ground: DrillGround, state: DrillState): DrillState {
  // A good drive that was pulled holds its data still.
  const { lostShare } = afterFailures(
    ground.pool,
    new Set([...state.dead, ...state.empty, ...state.fresh]),
    ground.leadHours,
  )
  if (lostShare <= state.lostShare) return state
  return { ...state, lostShare, log: [...state.log, { atHours: state.clockHours, event: 'lost' }] }
}

export const note = (state: DrillState, entry: Omit<DrillEntry, 'atHours'>): DrillState => ({
  ...state,
  log: [...state.log, { atHours: state.clockHours, ...entry }],
})

export const mistake = (state: DrillState, code: MistakeCode): DrillState =>
  note(state, { event: 'mistake', mistake: code })

/** Failures an hour of the drives that still work. */
function failuresPerHour(ground: DrillGround, state: DrillState): number {
  const { pool, pace, leadHours } = ground
  const working = pool.arrangement.members - missing(state).size
  const [span] = failureSpans(pool.conditions, 1)
  if (!span || working <= 0) return 0
  const rate = working * span.failureRatePerHour * pool.conditions.batchFactor
  if (pace === 'true') return rate
  const longest = Math.max(...pool.arrangement.groups.map(groupRebuildHours))
  return Math.max(rate, badDayFailures / (leadHours + longest))
}

/** Time passes; drives may fail meanwhile, with the chance they have. */
export function pass(ground: DrillGround, from: DrillState, hours: number): DrillState {
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

/** Random numbers of a drill from where it stands. */
export function randomFrom({ seed }: DrillGround, draws: number): RandomSource {
  const random = seededRandom(spreadSeed(seed))
  for (let i = 0; i < draws; i++) random()
  return random
}
