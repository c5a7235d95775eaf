import { describe, expect, it } from 'vitest'
import { drawWorld } from '../../../tests/plans/drawWorld'
import { seededRandom } from '../../random'
import { patient, usualValues } from '../planningValues'
import { EveningRun } from './eveningRun'
import type { LiveSession } from './liveSession'
import type { CopyPlan, SessionPlan } from './world'

/** A speed vector is the fair one exactly if nobody can have more. */
function unfair(live: readonly LiveSession[], capacities: Float64Array): string | null {
  const used = new Float64Array(capacities.length)
  for (const { speed, rungNow } of live)
    rungNow.uses.forEach((resource, at) => (used[resource]! += speed * rungNow.needs[at]!))
  for (let at = 0; at < used.length; at++)
    if (used[at]! > capacities[at]! * (1 + 1e-9) + 1e-12) return `${at} is overfull`
  for (const session of live) {
    if (session.speed > session.wanted * (1 + 1e-12)) return 'above its limit'
    if (session.speed >= session.wanted * (1 - 1e-9)) continue
    const isHeld = session.rungNow.uses.some(
      resource =>
        used[resource]! >= capacities[resource]! * (1 - 1e-9) - 1e-12 &&
        live.every(
          other =>
            !other.rungNow.uses.includes(resource) || other.speed <= session.speed * (1 + 1e-9),
        ),
    )
    if (!isHeld) return 'could have more'
  }
  return null
}

describe('laws of an evening', () => {
  it('hold on 10,000 drawn ones', () => {
    let stalls = 0
    for (let seed = 0; seed < 10_000; seed++) {
      const evening = drawWorld(seed)
      const values = seed % 3 === 0 ? { ...usualValues, ...patient } : usualValues
      let wrong: string | null = null
      const run = new EveningRun(evening, values, {
        shares: (now, live, capacities) => {
          const hangs = evening.changes.reduce(
            (is, change) => (change.resource === null && change.at <= now ? !change.capacity : is),
            false,
          )
          wrong ??= hangs
            ? live.every(({ speed }) => speed === 0)
              ? null
              : 'moves in a hang'
            : unfair(live, capacities)
        },
      }).play()
      const used = new Float64Array(evening.resources.length)
      const holds = (law: boolean, name: string) => {
        if (!law) wrong ??= name
      }
      for (const result of run.results) {
        const { live, plan, outcome, over, overload } = result!
        if (!live) {
          holds(outcome === 'never', 'refused without a reason')
          continue
        }
        const near = (one: number, other: number) => Math.abs(one - other) < 1e-6
        holds(near(live.produced, live.played + live.buffer + live.thrownAway), 'produced')
        holds(
          near(over - plan.start, live.startWait + live.played + live.stalled + live.seekWait),
          'time there',
        )
        holds(live.stalled <= live.lost + 1e-6, 'stalled more than lost')
        holds(live.lost <= overload + 1e-6, 'lost more than overload')
        holds(overload > 0 || live.stalls === 0, 'a stall without overload')
        stalls += live.stalls
        if (live.steps === 0)
          live.rungNow.uses.forEach(
            (resource, at) => (used[resource]! += live.produced * live.rungNow.needs[at]!),
          )
      }
      run.used.forEach((all, at) => {
        holds(all <= run.offered[at]! * (1 + 1e-9) + 1e-6, 'used more than offered')
        holds(all >= used[at]! - 1e-6, 'used less than was made')
      })
      expect(wrong, `${seed}`).toBeNull()
      expect(Number.isFinite(run.now)).toBe(true)
    }
    expect(stalls).toBeGreaterThan(1000)
  }, 120_000)
  it('hold in small steps of time as well', () => {
    // The slow definition: a hundredth of a second at a time, without seeks and steps.
    for (const seed of [3, 21]) {
      const whole = drawWorld(seed)
      const sessions = whole.sessions.map(session => ({
        ...session,
        seeks: [],
        never: null,
        routes: session.routes.map(route => ({ ...route, rungs: route.rungs.slice(0, 1) })),
      }))
      const evening = { ...whole, sessions, changes: [] }
      const run = new EveningRun(evening, { ...usualValues, ...patient }).play()
      const slow = ticked(
        evening.sessions,
        evening.resources.map(({ capacity }) => capacity),
      )
      run.results.forEach((result, at) => {
        const { live, plan } = result!
        expect(Math.abs(live!.played - slow[at]!), `${seed} ${at}`).toBeLessThan(
          10 + 0.01 * (plan.end - plan.start),
        )
      })
    }
  })
})

/** Seconds played by each, by small steps of time and shares found by bisection. */
function ticked(sessions: readonly SessionPlan[], capacities: readonly number[]): number[] {
  const tick = 0.1
  const state = sessions.map(() => ({ buffer: 0, plays: false, full: false, played: 0 }))
  const until = Math.max(...sessions.map(({ end }) => end))
  for (let now = 0; now < until; now += tick) {
    const on = sessions.flatMap((session, at) =>
      session.start <= now && now < session.end ? [at] : [],
    )
    if (on.length === 0) continue
    const rungOf = (at: number) => sessions[at]!.routes[0]!.rungs[0]!
    const speeds = new Map<number, number>()
    const limit = (at: number) => (state[at]!.full ? 1 : rungOf(at).limit)
    const open = new Set(on)
    // Rising together by small steps.
    const used = capacities.map(() => 0)
    for (let level = 0; open.size > 0; level += 0.01) {
      for (const at of [...open]) {
        const { uses, needs } = rungOf(at)
        const isFull = uses.some(
          (resource, use) => used[resource]! + 0.01 * needs[use]! > capacities[resource]!,
        )
        if (isFull || level >= limit(at)) {
          speeds.set(at, Math.min(level, limit(at)))
          open.delete(at)
        } else uses.forEach((resource, use) => (used[resource]! += 0.01 * needs[use]!))
      }
    }
    for (const at of on) {
      const one = state[at]!
      const speed = speeds.get(at)!
      one.buffer += tick * (one.plays ? speed - 1 : speed)
      if (one.plays) {
        one.played += tick
        one.full = one.buffer >= 60
        if (one.buffer <= 0) Object.assign(one, { plays: false, buffer: 0, full: false })
      } else if (one.buffer >= 10) one.plays = true
    }
  }
  return state.map(({ played }) => played)
}

describe('against theory', () => {
  const limitless = {
    ...usualValues,
    ...patient,
    startS: 0,
    bufferS: Infinity,
    stepAtS: -1,
  }
  /** Gaps or lengths with exactly their mean, so that the sample's own load does not decide. */
  function stretched(values: readonly number[], mean: number): number[] {
    const own = values.reduce((sum, value) => sum + value, 0) / values.length
    return values.map(value => (value * mean) / own)
  }
  const exponential = (random: () => number) => -Math.log(1 - random())

  it.each([
    [2, 4, 0.0952],
    [3, 6, 0.0522],
  ])('Erlang B: %i on %i', (load, places, expected) => {
    const count = 200_000
    const random = seededRandom(load * 31)
    const gaps = stretched(
      Array.from({ length: count }, () => exponential(random)),
      1,
    )
    const lengths = stretched(
      Array.from({ length: count }, () => exponential(random)),
      load,
    )
    let start = 0
    const sessions = gaps.map((gap, at): SessionPlan => {
      start += gap
      return {
        viewer: at,
        order: at,
        start,
        end: start + lengths[at]!,
        seeks: [],
        never: null,
        routes: [
          {
            engine: 0,
            converts: true,
            units: [],
            holds: [[0, 1]],
            rungs: [{ mbps: 1, lines: 1080, limit: 10, uses: [], needs: [] }],
          },
        ],
      }
    })
    const run = new EveningRun(
      {
        resources: [],
        places: [{ kind: 'driverSessions', engine: 0, capacity: places }],
        sessions,
        changes: [],
      },
      limitless,
    ).play()
    const refused = run.results.filter(result => result!.outcome === 'noPlace').length / count
    // Refusals come in clumps: their standard error is about twice that of a plain share.
    expect(Math.abs(refused - expected)).toBeLessThan(
      3 * 2 * Math.sqrt((expected * (1 - expected)) / count),
    )
  })

  /** Copies that come by chance, on one thing at a load of 0.7; sizes are 1 on average. */
  function copies({
    count,
    servers = 1,
    limit = Infinity,
    size = exponential,
  }: {
    readonly count: number
    readonly servers?: number
    readonly limit?: number
    readonly size?: (random: () => number) => number
  }) {
    const random = seededRandom(4242)
    const drawn = (of: (random: () => number) => number, mean: number) =>
      stretched(
        Array.from({ length: count }, () => of(random)),
        mean,
      )
    const gaps = drawn(exponential, 1 / (0.7 * servers))
    const sizes = drawn(size, 1)
    let start = 0
    const plans = gaps.map((gap, order): CopyPlan => {
      start += gap
      const rung = { mbps: 0, lines: 0, limit, uses: [0], needs: [1] }
      return { order, start, amount: sizes[order]!, rung }
    })
    const run = new EveningRun(
      {
        resources: [{ kind: 'drives', at: 0, capacity: servers }],
        places: [],
        sessions: [],
        copies: plans,
        changes: [],
      },
      limitless,
    ).play()
    return { plans, done: run.copiesDone }
  }
  const meanStay = ({ done }: ReturnType<typeof copies>) =>
    done.reduce((sum, { plan, at }) => sum + at - plan.start, 0) / done.length

  it('processor sharing: a mean stay of 3.333 at load 0.7, whatever the sizes', () => {
    expect(Math.abs(meanStay(copies({ count: 60_000 })) - 10 / 3)).toBeLessThan(0.25)
    const even = copies({ count: 60_000, size: () => 1 })
    expect(Math.abs(meanStay(even) - 10 / 3)).toBeLessThan(0.25)
    // Virtual time: each copy has done so much of its amount as time passed, shared by all.
    const few = copies({ count: 3000 })
    const stays = new Map(few.done.map(({ plan, at }) => [plan.order, at]))
    let [virtual, now] = [0, 0]
    const open: { order: number; ends: number }[] = []
    const found = new Map<number, number>()
    const run = (until: number) => {
      for (;;) {
        const first = open.reduce((a, b) => (b.ends < a.ends ? b : a), {
          order: -1,
          ends: Infinity,
        })
        const at = now + (first.ends - virtual) * open.length
        if (first.order < 0 || at > until) break
        now = at
        virtual = first.ends
        found.set(first.order, now)
        open.splice(open.indexOf(first), 1)
      }
      if (open.length > 0) virtual += (until - now) / open.length
      now = until
    }
    for (const { order, start, amount } of few.plans) {
      run(start)
      open.push({ order, ends: virtual + amount })
    }
    run(Infinity)
    for (const [order, at] of found) expect(Math.abs(at - stays.get(order)!)).toBeLessThan(1e-6)
    expect(found.size).toBe(3000)
  })
  it('two servers: a mean stay of 1.961 at load 0.7', () => {
    const two = copies({ count: 60_000, servers: 2, limit: 1 })
    expect(Math.abs(meanStay(two) - 1.961)).toBeLessThan(0.1)
  })
})
