import { describe, expect, it } from 'vitest'
import { patient, usualValues, type PlanningValues } from '../planningValues'
import { EveningRun, type EveningEvent } from './eveningRun'
import type { CapacityChange, Evening, Resource, Route, Rung, SessionPlan } from './world'

const free: PlanningValues = { ...usualValues, seekChance: 0 }
const still: PlanningValues = { ...free, ...patient }

const resource = (capacity: number, kind: Resource['kind'] = 'processor'): Resource => ({
  kind,
  at: 0,
  capacity,
})
const rung = (needs: Record<number, number>, more: Partial<Rung> = {}): Rung => ({
  mbps: 8,
  lines: 1080,
  limit: 4,
  uses: Object.keys(needs).map(Number),
  needs: Object.values(needs),
  ...more,
})
const software = (...rungs: Rung[]): Route => ({
  engine: null,
  converts: true,
  units: [],
  holds: [],
  rungs,
})
const session = (order: number, start: number, more: Partial<SessionPlan> = {}): SessionPlan => ({
  viewer: order,
  order,
  start,
  end: start + 3600,
  seeks: [],
  never: null,
  routes: [software(rung({ 0: 1 }))],
  ...more,
})
function played(evening: Partial<Evening>, values = free) {
  const events: EveningEvent[] = []
  const run = new EveningRun(
    { resources: [resource(1)], places: [], sessions: [], changes: [], ...evening },
    values,
    { event: event => events.push(event) },
  ).play()
  const of = (at: number) => run.results[at]!
  const times = (at: number, kind: EveningEvent['kind']) =>
    events.filter(event => event.session === at && event.kind === kind).map(event => event.at)
  return { run, events, of, live: (at: number) => of(at).live!, times }
}
const close = (value: number, expected: number) => expect(value).toBeCloseTo(expected, 9)
/** As printed, to so many digits behind the point. */
const about = (value: number, expected: number) =>
  expect(Math.abs(value - expected)).toBeLessThan(6e-5)

describe('worked cases of the handbook', () => {
  it('one alone on 10 plays at 2.5 and is full at 19.1667', () => {
    const { live, times } = played({ resources: [resource(10)], sessions: [session(0, 0)] })
    close(times(0, 'plays')[0]!, 2.5)
    close(times(0, 'full')[0]!, 2.5 + 50 / 3)
    close(live(0).produced, 3657.5)
    close(live(0).played, 3597.5)
    close(live(0).buffer, 60)
  })
  it('two that start together on 6 play at 3.3333 and are full at 28.3333', () => {
    const { times } = played({ resources: [resource(6)], sessions: [session(0, 0), session(1, 0)] })
    for (const at of [0, 1]) {
      close(times(at, 'plays')[0]!, 10 / 3)
      close(times(at, 'full')[0]!, 28 + 1 / 3)
    }
  })
  it('on 1.6 the later one stalls nineteen times', () => {
    const two = [session(0, 0), session(1, 100, { end: 1300 })]
    const { live, times } = played({ resources: [resource(1.6)], sessions: two }, still)
    close(times(1, 'plays')[0]!, 112.5)
    expect(times(1, 'stall')).toHaveLength(19)
    close(times(1, 'stall')[0]!, 162.5)
    close(times(1, 'plays')[1]!, 175)
    close(times(1, 'stall')[1]!, 225)
    close(live(1).stalled, 237.5)
    close(live(1).lost, 237.5)
    close(times(0, 'stall')[0]!, 400)
    close(times(0, 'plays')[1]!, 412.5)
  })
  it('on 1.6 the later one leaves where nobody is patient, and the first never stalls', () => {
    const two = [session(0, 0), session(1, 100, { end: 1300 })]
    const { of, live, times } = played({ resources: [resource(1.6)], sessions: two })
    close(times(1, 'gaveUp')[0]!, 287.5)
    expect(of(1).outcome).toBe('gaveUp')
    close(live(1).stalled, 25)
    close(live(1).lost, 35)
    expect(times(0, 'stall')).toEqual([])
    close(live(0).lost, 37.5)
  })
  it('two away: the later one steps down twice', () => {
    const rungs = [4, 2.8, 2].map(mbps => rung({ 0: 1.08 * mbps }, { mbps }))
    const { live, times } = played({
      resources: [resource(6.6, 'upload')],
      sessions: [0, 600].map((start, at) =>
        session(at, start, { routes: [software(...rungs)], end: 3600 }),
      ),
    })
    close(times(1, 'step')[0]!, 600)
    close(times(1, 'step')[1]!, 610)
    about(times(1, 'plays')[0]!, 610.9947)
    expect(live(0).steps).toBe(0)
    about(live(0).lost, 1.0131)
  })
  it('an engine for one session: the second in software, the third refused', () => {
    const resources = [resource(3), resource(1, 'decode')]
    const engine: Route = {
      engine: 0,
      converts: true,
      units: [1],
      holds: [[0, 1]],
      rungs: [rung({ 0: 0.06, 1: 0.5 })],
    }
    const slow = software(rung({ 0: 2 }, { limit: 1.5 }))
    const { of, live, times } = played({
      resources,
      places: [{ kind: 'driverSessions', engine: 0, capacity: 1 }],
      sessions: [
        session(0, 0, { routes: [engine, slow] }),
        session(1, 60, { routes: [engine, slow] }),
        session(2, 120, { routes: [engine] }),
      ],
    })
    expect(live(0).route.engine).toBe(0)
    expect(live(1).route.engine).toBeNull()
    about(times(1, 'plays')[0]! - 60, 6.8027)
    expect(of(2)).toMatchObject({ outcome: 'noPlace', missing: 'driverSessions' })
  })
  const hangs: CapacityChange[] = [
    { at: 100, resource: null, capacity: 0 },
    { at: 700, resource: null, capacity: 1 },
  ]
  it('a hang from 100 to 700', () => {
    const one = { resources: [resource(10)], sessions: [session(0, 0)], changes: hangs }
    const waits = played(one, still)
    close(waits.times(0, 'stall')[0]!, 160)
    close(waits.times(0, 'plays')[1]!, 702.5)
    close(waits.live(0).lost, 600)
    close(played(one).times(0, 'gaveUp')[0]!, 340)
  })
  it('one away whose upload halves for ten minutes', () => {
    const { live, times } = played(
      {
        resources: [resource(6.48, 'upload')],
        sessions: [session(0, 0, { routes: [software(rung({ 0: 4.32 }, { mbps: 4 }))] })],
        changes: [
          { at: 300, resource: 0, capacity: 3.24 },
          { at: 900, resource: 0, capacity: 6.48 },
        ],
      },
      still,
    )
    close(times(0, 'stall')[0]!, 540)
    close(times(0, 'plays')[1]!, 553 + 1 / 3)
    expect(times(0, 'stall')).toHaveLength(7)
    close(live(0).stalled, 93 + 1 / 3)
    close(live(0).lost, 150)
  })
  it('a seek at 300 waits 2.5 and throws 60 away', () => {
    const { live, times } = played({
      resources: [resource(10)],
      sessions: [session(0, 0, { seeks: [300] })],
    })
    close(live(0).seekWait, 2.5)
    close(live(0).thrownAway, 60)
    expect(times(0, 'stall')).toEqual([])
  })
  it('three on a processor and an upload', () => {
    const { live, times } = played({
      resources: [resource(1.5), resource(5, 'upload')],
      sessions: ([{ 0: 1 }, { 0: 1, 1: 4 }, { 1: 4 }] as Record<number, number>[]).map(
        (needs, at) => session(at, 0, { routes: [software(rung(needs))] }),
      ),
    })
    const starts = [0, 1, 2].map(at => times(at, 'plays')[0]!)
    close(starts[0]!, 10 / 0.875)
    close(starts[1]!, 16)
    close(starts[2]!, 16)
    close(times(1, 'gaveUp')[0]!, 128)
    expect(times(1, 'stall')).toHaveLength(3)
    expect(times(2, 'stall')).toHaveLength(2)
    close(live(2).played, 3552)
  })
  it('a rung of the same height does not help a processor', () => {
    const rungs = [
      rung({ 0: 1 }, { mbps: 8 }),
      rung({ 0: 1 }, { mbps: 5.6 }),
      rung({ 0: 0.4 }, { mbps: 4, lines: 720 }),
    ]
    const { live, times } = played({
      resources: [resource(1.5)],
      sessions: [0, 300].map((start, at) => session(at, start, { routes: [software(...rungs)] })),
    })
    expect(live(1).steps).toBe(1)
    expect(live(1).rungNow.lines).toBe(720)
    close(times(1, 'plays')[0]!, 308)
    expect(live(0).steps).toBe(0)
  })
  it('a full one whose processor halves steps down when 15 s are left', () => {
    const rungs = [rung({ 0: 1 }), rung({ 0: 0.4 }, { mbps: 4, lines: 720 })]
    const { times } = played({
      sessions: [session(0, 0, { routes: [software(...rungs)] })],
      resources: [resource(2)],
      changes: [{ at: 100, resource: 0, capacity: 0.5 }],
    })
    close(times(0, 'step')[0]!, 100 + (60 - 15) / 0.5)
    expect(times(0, 'stall')).toEqual([])
  })
  it('two discs of 28 Mb/s over one Wi-Fi at 50', () => {
    const disc = software(rung({ 0: 28 / 50 }, { mbps: 28, limit: 10 }))
    const { times } = played({
      resources: [resource(1, 'airtime')],
      sessions: [0, 600].map((start, at) => session(at, start, { routes: [disc] })),
    })
    close(times(0, 'plays')[0]!, 5.6)
    close(times(1, 'plays')[0]! - 600, 11.2)
    about(times(1, 'stall')[0]!, 704.5333)
    about(times(1, 'plays')[1]!, 715.7333)
  })
  it('copies of 10 at 0 and of 5 at 2', () => {
    const { run } = played({
      copies: [
        { order: 0, start: 0, amount: 10, rung: rung({ 0: 1 }, { limit: Infinity }) },
        { order: 1, start: 2, amount: 5, rung: rung({ 0: 1 }, { limit: Infinity }) },
      ],
    })
    expect(run.copiesDone.map(({ plan, at }) => at - plan.start)).toEqual([10, 15])
  })
})
