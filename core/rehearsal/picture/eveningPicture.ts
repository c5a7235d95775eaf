import type { RehearsalSlice } from '../question/rehearsalSlice'
import type { Rehearsal } from '../playOne'
import { phases, type LiveSession, type Phase } from '../evening/liveSession'
import type { EveningEvent } from '../evening/eveningRun'
import { scoreOf, type EveningScore } from '../many/eveningScore'
import { placeName, resourceName } from './names'

/** A session from one change of its speed to the next; the buffer is a straight line in between. */
export interface PicturePoint {
  readonly at: number
  readonly phase: Phase
  readonly buffer: number
  readonly speed: number
  readonly mbps: number
  readonly lines: number
  /** what keeps it from more speed: a resource by its place, its own limit, the hang */
  readonly binds: number
}

export interface PictureSession {
  /** which lane */
  readonly lane: number
  readonly habit: number
  readonly title: string
  readonly device: string
  readonly start: number
  readonly end: number
  /** when it was over: its end, or when the viewer gave up */
  readonly over: number
  readonly outcome: 'watched' | 'gaveUp' | 'never' | 'noPlace'
  /** why it was refused, in short; '' where it was not */
  readonly refusal: string
  /** 'as it is', on an engine, in software */
  readonly how: 'asItIs' | 'engine' | 'software'
  readonly points: readonly PicturePoint[]
  readonly startWait: number
  readonly stalls: number
  readonly stalledS: number
  readonly steps: number
}

export interface PictureResource {
  readonly name: string
  readonly kind: string
  /** largest share of what there is that was ever in use, 0..1 */
  readonly most: number
  readonly points: readonly { readonly at: number; readonly used: number; readonly has: number }[]
}

/** One evening as it can be drawn and stepped through. */
export interface EveningPicture {
  readonly number: number
  readonly from: number
  readonly to: number
  readonly lanes: readonly string[]
  readonly sessions: readonly PictureSession[]
  readonly resources: readonly PictureResource[]
  readonly events: readonly EveningEvent[]
  readonly score: EveningScore
  /** when the machine hangs */
  readonly hangs: readonly { readonly from: number; readonly to: number }[]
}

/** Plays an evening and keeps all that a picture of it needs. */
export function eveningPicture(
  rehearsal: Rehearsal,
  slice: RehearsalSlice,
  number: number,
): EveningPicture {
  const evening = rehearsal.evening(number)
  const { week } = slice.facts.household
  const { rows, columns } = slice.facts.playback.matrix
  const points = evening.sessions.map((): PicturePoint[] => [])
  const places = new Map<LiveSession['plan'], number>(
    evening.sessions.map((session, at) => [session, at]),
  )
  const samples = evening.resources.map((): PictureResource['points'][number][] => [])
  const events: EveningEvent[] = []
  const run = rehearsal.play(evening, {
    event: event => events.push(event),
    shares: (now, live, capacities) => {
      const used = new Float64Array(capacities.length)
      for (const session of live) {
        const { uses, needs } = session.rungNow
        uses.forEach((resource, use) => (used[resource]! += session.speed * needs[use]!))
        const own = points[places.get(session.plan)!]!
        // Brought up to this moment without changing anything of it.
        const passed = now - session.now
        const fills = session.isWaiting ? session.speed : session.speed - 1
        keep(own, {
          at: now,
          phase: session.phase,
          buffer: session.buffer + fills * passed,
          speed: session.speed,
          mbps: session.rungNow.mbps,
          lines: session.rungNow.lines,
          binds: session.binds,
        })
      }
      capacities.forEach((has, at) => {
        const last = samples[at]!.at(-1)
        if (last && last.used === used[at] && last.has === has) return
        if (last?.at === now) samples[at]!.pop()
        samples[at]!.push({ at: now, used: used[at]!, has })
      })
    },
  })
  const lanes = [...new Set(evening.sessions.map(({ viewer }) => viewer))].sort((a, b) => a - b)
  const sessions = run.results.map((result, at): PictureSession => {
    const session = evening.sessions[at]!
    const { live, outcome, over, missing } = result!
    const { offer } = session
    return {
      lane: lanes.indexOf(session.viewer),
      habit: session.habit,
      title: offer.row === null ? 'Sound alone' : rows[offer.row]!.label,
      device: columns[offer.column]!.deviceName,
      start: session.start,
      end: session.end,
      over,
      outcome,
      refusal:
        outcome === 'never'
          ? session.never!.by === 'machine'
            ? 'the machine is too slow for it'
            : session.never!.by === 'line'
              ? 'the line carries nothing of it'
              : 'the device shows nothing of it'
          : outcome === 'noPlace'
            ? placeName(missing ?? 'software')
            : '',
      how: live?.route.converts ? (live.route.engine === null ? 'software' : 'engine') : 'asItIs',
      points: points[at]!,
      startWait: live?.startWait ?? 0,
      stalls: live?.stalls ?? 0,
      stalledS: live?.stalled ?? 0,
      steps: live?.steps ?? 0,
    }
  })
  const ends = sessions.map(({ end }) => end)
  return {
    number,
    from: Math.min(...sessions.map(({ start }) => start)),
    to: Math.max(...ends),
    lanes: lanes.map(viewer => week.watchers[viewer]!.name),
    sessions,
    resources: evening.resources.map((resource, at) => ({
      name: resourceName(resource, slice),
      kind: resource.kind,
      most: Math.max(
        0,
        ...samples[at]!.map(({ used, has }) => (has > 0 ? used / has : used > 0 ? 1 : 0)),
      ),
      points: samples[at]!,
    })),
    events,
    score: scoreOf(number, run),
    hangs: hangsOf(evening.changes),
  }
}

function keep(points: PicturePoint[], next: PicturePoint): void {
  const last = points.at(-1)
  if (
    last &&
    last.phase === next.phase &&
    last.speed === next.speed &&
    last.mbps === next.mbps &&
    last.binds === next.binds &&
    next.phase !== phases.full
  ) {
    const fills = last.phase === phases.plays ? last.speed - 1 : last.speed
    // On the same straight line: nothing new.
    if (Math.abs(last.buffer + fills * (next.at - last.at) - next.buffer) < 1e-6) return
  }
  if (last?.at === next.at) points.pop()
  points.push(next)
}

function hangsOf(
  changes: readonly {
    readonly at: number
    readonly resource: number | null
    readonly capacity: number
  }[],
) {
  const own = changes.filter(({ resource }) => resource === null)
  return own.flatMap(({ at, capacity }, place) =>
    capacity === 0 ? [{ from: at, to: own[place + 1]?.at ?? at }] : [],
  )
}
