import type { DrawnSession } from '../draw/drawEvening'
import type { DrawnEvening } from '../playOne'
import type { EveningRun } from '../evening/eveningRun'
import { hang, ownLimit } from '../evening/world'
import { isDisturbed, scoreOf, type EveningScore } from './eveningScore'

/** What sessions of one viewer, or of all, came to; sums add up exactly over lots. */
export interface SessionSums {
  sessions: number
  /** hours there, of sessions that were not refused */
  hours: number
  stalls: number
  stalledS: number
  seekWaitS: number
  steps: number
  belowFirstS: number
  never: number
  noPlace: number
  /** stopped by line or device, which is not the machine's fault */
  elsewhere: number
  gaveUp: number
  notSeenS: number
  /** evenings in which this viewer was disturbed */
  disturbed: number
}
/** What was to blame, by name, and how often. */
export type Blame = Record<string, number>

/** Sums over some evenings, fit to be sent from a worker. */
export interface Tally {
  evenings: number
  disturbed: number
  never: number
  busy: number
  /** Σ over evenings of stalled seconds, hours, and their products */
  yy: number
  yh: number
  hh: number
  overloadS: number
  all: SessionSums
  viewers: SessionSums[]
  weekdays: { evenings: number; disturbed: number }[]
  /** start delays of those that play, by tenths of a second */
  delays: Record<number, number>
  stallBlame: Blame
  stepBlame: Blame
  gaveUpBlame: Blame
  refusedBlame: Blame
  /** by resource */
  used: number[]
  offered: number[]
  fullS: number[]
  /** every evening's, in order */
  scores: EveningScore[]
}

const noSums = (): SessionSums => ({
  sessions: 0,
  hours: 0,
  stalls: 0,
  stalledS: 0,
  seekWaitS: 0,
  steps: 0,
  belowFirstS: 0,
  never: 0,
  noPlace: 0,
  elsewhere: 0,
  gaveUp: 0,
  notSeenS: 0,
  disturbed: 0,
})

export function emptyTally(viewers: number, resources: number): Tally {
  return {
    evenings: 0,
    disturbed: 0,
    never: 0,
    busy: 0,
    yy: 0,
    yh: 0,
    hh: 0,
    overloadS: 0,
    all: noSums(),
    viewers: Array.from({ length: viewers }, noSums),
    weekdays: Array.from({ length: 7 }, () => ({ evenings: 0, disturbed: 0 })),
    delays: {},
    stallBlame: {},
    stepBlame: {},
    gaveUpBlame: {},
    refusedBlame: {},
    used: Array<number>(resources).fill(0),
    offered: Array<number>(resources).fill(0),
    fullS: Array<number>(resources).fill(0),
    scores: [],
  }
}

const count = (blame: Blame, name: string) => (blame[name] = (blame[name] ?? 0) + 1)

/** Name of what bound: its kind with which one, the hang, or a session's own limit. */
export function blameOf({ resources }: Pick<DrawnEvening, 'resources'>, binds: number): string {
  if (binds === hang) return 'hang'
  if (binds === ownLimit) return 'own'
  const { kind, at } = resources[binds]!
  return `${kind} ${at}`
}

/** Adds one evening that was played. */
export function addEvening(tally: Tally, evening: DrawnEvening, run: EveningRun): void {
  const score = scoreOf(evening.number, run)
  tally.evenings++
  if (score.isNever) tally.never++
  if (score.isBusy) tally.busy++
  const weekday = tally.weekdays[evening.number % 7]!
  weekday.evenings++
  if (isDisturbed(score)) {
    tally.disturbed++
    weekday.disturbed++
  }
  tally.yy += score.stalledS * score.stalledS
  tally.yh += score.stalledS * score.hours
  tally.hh += score.hours * score.hours
  tally.overloadS += run.overload
  tally.scores.push(score)
  run.used.forEach((used, at) => (tally.used[at]! += used))
  run.offered.forEach((offered, at) => (tally.offered[at]! += offered))
  run.fullS.forEach((full, at) => (tally.fullS[at]! += full))
  const disturbed = new Set<number>()
  for (const result of run.results) {
    const session = result!.plan as DrawnSession
    for (const sums of [tally.all, tally.viewers[session.viewer]!]) addSession(sums, result!)
    if (isSessionDisturbed(result!)) disturbed.add(session.viewer)
    if (result!.outcome === 'never')
      count(tally.refusedBlame, `never ${session.never!.by} ${session.offer.row ?? ''}`)
    else if (result!.outcome === 'noPlace') count(tally.refusedBlame, result!.missing ?? '')
    if (result!.live?.hasPlayed) {
      const tenth = Math.round(result!.live.startWait * 10)
      tally.delays[tenth] = (tally.delays[tenth] ?? 0) + 1
    }
  }
  for (const viewer of disturbed) tally.viewers[viewer]!.disturbed++
}

type Result = NonNullable<EveningRun['results'][number]>
const isSessionDisturbed = ({ outcome, live, plan }: Result) =>
  outcome === 'noPlace' ||
  outcome === 'gaveUp' ||
  (outcome === 'never' && plan.never?.by === 'machine') ||
  (live?.stalls ?? 0) > 0

function addSession(sums: SessionSums, { outcome, live, plan, over }: Result): void {
  sums.sessions++
  if (outcome === 'never') {
    if (plan.never!.by === 'machine') sums.never++
    else sums.elsewhere++
  }
  if (outcome === 'noPlace') sums.noPlace++
  if (!live) return
  sums.hours += (over - plan.start) / 3600
  sums.stalls += live.stalls
  sums.stalledS += live.stalled
  sums.seekWaitS += live.seekWait
  sums.steps += live.steps
  sums.belowFirstS += live.belowFirst
  if (outcome === 'gaveUp') {
    sums.gaveUp++
    sums.notSeenS += plan.end - over
  }
}

/** One tally with another added, as sums over lots in their order. */
export function addTally(into: Tally, more: Tally): void {
  for (const key of [
    'evenings',
    'disturbed',
    'never',
    'busy',
    'yy',
    'yh',
    'hh',
    'overloadS',
  ] as const)
    into[key] += more[key]
  const addSums = (own: SessionSums, other: SessionSums) => {
    for (const key of Object.keys(own) as (keyof SessionSums)[]) own[key] += other[key]
  }
  addSums(into.all, more.all)
  more.viewers.forEach((sums, at) => addSums(into.viewers[at]!, sums))
  more.weekdays.forEach(({ evenings, disturbed }, at) => {
    into.weekdays[at]!.evenings += evenings
    into.weekdays[at]!.disturbed += disturbed
  })
  for (const key of ['delays', 'stallBlame', 'stepBlame', 'gaveUpBlame', 'refusedBlame'] as const) {
    const own = into[key] as Blame
    for (const [name, times] of Object.entries(more[key] as Blame))
      own[name] = (own[name] ?? 0) + times
  }
  for (const key of ['used', 'offered', 'fullS'] as const)
    more[key].forEach((value, at) => (into[key][at]! += value))
  into.scores.push(...more.scores)
}
