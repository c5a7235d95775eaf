import { describe, expect, it } from 'vitest'
import { drawPlan } from '../../tests/plans/drawPlan'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import { planSchema, type Plan, type PlanInput } from '../plan/planSchema'
import { chanceStream } from './draw/chance'
import { EveningDraw } from './draw/drawEvening'
import type { DrawnHabit } from './draw/drawnHabit'
import { happening, type Outing } from './draw/happening'
import { EveningRun } from './evening/eveningRun'
import { pairedInterval } from './many/intervals'
import { isDisturbed, worseFirst } from './many/eveningScore'
import { isEnough, lotSize, LotSums, pairOf, playLot } from './many/lots'
import { patient, usualValues, type PlanningValues } from './planningValues'
import { Rehearsal } from './playOne'
import { rehearsalWorld } from './question/rehearsalWorld'
import type { SessionOffer } from './question/sessionOffer'
import { asUsual, type WhatIf } from './whatIf/whatIf'

const demo = planSchema.parse(tideMillHouse)
const sliceOf = (plan: Plan) => ({
  plan,
  catalogue: effectiveCatalogue(plan, catalogue),
  facts: assess(plan, catalogue).domains,
})
function rehearsalOf(plan: Plan, more: Partial<WhatIf> = {}, values = usualValues, seed = 'one') {
  const how = { seed, values, whatIf: { ...asUsual, ...more } }
  const { world, missing } = rehearsalWorld(sliceOf(plan), how)
  if (!world) throw new Error(missing)
  return new Rehearsal(world, how)
}
const withHousehold = (change: Partial<Plan['household']>): Plan => ({
  ...demo,
  household: { ...demo.household, ...change },
})

describe('chance', () => {
  it('is the same of a name and an evening whenever it is asked, and another of another', () => {
    const stream = chanceStream('seed', 'viewer maren', 0, 'start')
    const [one, again] = [stream.of(7), stream.of(7)]
    expect([one(), one()]).toEqual([again(), again()])
    expect(stream.of(8)()).not.toBe(stream.of(7)())
    expect(chanceStream('seed', 'viewer maren', 0, 'row').of(7)()).not.toBe(stream.of(7)())
    expect(chanceStream('a', 'bc').of(0)()).not.toBe(chanceStream('ab', 'c').of(0)())
    expect(chanceStream('🎬').of(0)()).not.toBe(chanceStream('').of(0)())
  })
  it('shares no draw among a million, and falls evenly', () => {
    const seen = new Set<number>()
    const bins = Array<number>(20).fill(0)
    let both = 0
    for (let name = 0; name < 100; name++) {
      const stream = chanceStream('seed', `viewer ${name}`, 0, 'start')
      let last = 0
      for (let evening = 0; evening < 10_000; evening++) {
        const value = stream.of(evening)()
        seen.add(value)
        bins[Math.floor(value * 20)]!++
        both += (value - 0.5) * (last - 0.5)
        last = value
      }
    }
    expect(seen.size).toBe(1_000_000)
    // Chi squared with 19 degrees of freedom: 43.8 is exceeded once in a thousand.
    const chi = bins.reduce((sum, count) => sum + (count - 50_000) ** 2 / 50_000, 0)
    expect(chi).toBeLessThan(43.8)
    expect(Math.abs(both / 1e6)).toBeLessThan(4 / 12 / 1000)
  })
})

describe('which habits happen', () => {
  it('each has exactly its chance, and never two at once', () => {
    const random = chanceStream('which').of(0)
    const outings = (): Outing[] => [
      { start: 0, end: 60, chance: 0.4, luck: random() },
      { start: 30, end: 90, chance: 0.5, luck: random() },
      { start: 70, end: 100, chance: 0.5, luck: random() },
    ]
    const counts = [0, 0, 0]
    const rounds = 100_000
    for (let round = 0; round < rounds; round++) {
      const all = outings()
      const does = happening(all)
      does.forEach((is, at) => is && counts[at]!++)
      all.forEach((one, at) =>
        all.forEach((other, place) => {
          if (at < place && does[at] && does[place])
            expect(other.start).toBeGreaterThanOrEqual(one.end)
        }),
      )
    }
    outings().forEach(({ chance }, at) =>
      expect(Math.abs(counts[at]! / rounds - chance)).toBeLessThan(0.006),
    )
  })
  it('of a crowd above 1 watch less: 84 minutes an evening instead of 104', () => {
    const random = chanceStream('crowd').of(0)
    let minutes = 0
    const rounds = 60_000
    for (let round = 0; round < rounds; round++) {
      const film = 1140 + 120 * random()
      const series = 1200 + 120 * random()
      const [watchesFilm, watchesSeries] = happening([
        { start: film, end: film + 110, chance: 0.7, luck: random() },
        { start: series, end: series + 45, chance: 0.6, luck: random() },
      ])
      minutes += (watchesFilm ? 110 : 0) + (watchesSeries ? 45 : 0)
    }
    expect(Math.abs(minutes / rounds - 84)).toBeLessThan(0.9)
  })
})

describe('against the week of the household', () => {
  it.each([
    ['the demo', demo, false],
    ['a slow machine', { ...demo, machine: { ...demo.machine, score: 900 } } as Plan, false],
  ])('%s: as many watch at a moment as are expected then', (_, plan, guests) => {
    const rehearsal = rehearsalOf(plan, { guests })
    const { week } = sliceOf(plan).facts.household
    const moments = [18 * 60, 19 * 60 + 30, 20 * 60 + 30, 21 * 60 + 45]
    const weeks = 3000
    for (const day of [0, 4, 5]) {
      const counts = moments.map(() => 0)
      const squares = moments.map(() => 0)
      for (let turn = 0; turn < weeks; turn++) {
        const { sessions } = rehearsal.evening(turn * 7 + day)
        moments.forEach((minute, at) => {
          const on = sessions.filter(({ start, end }) => start <= minute * 60 && minute * 60 < end)
          counts[at]! += on.length
          squares[at]! += on.length ** 2
        })
      }
      moments.forEach((minute, at) => {
        const slot = day * 288 + minute / 5
        const expected = week.ordinary.watching.reduce((sum, own) => sum + own[slot]!, 0)
        const mean = counts[at]! / weeks
        const error = Math.sqrt((squares[at]! / weeks - mean * mean) / weeks)
        expect(Math.abs(mean - expected), `${day} ${minute}`).toBeLessThan(4 * error + 1e-9)
      })
    }
  })
  it('guests come on busy days', () => {
    const usual = rehearsalOf(demo)
    const busy = rehearsalOf(demo, { guests: true })
    const count = (rehearsal: Rehearsal) =>
      Array.from({ length: 700 }, (_, at) => rehearsal.evening(at).sessions.length).reduce(
        (sum, own) => sum + own,
        0,
      )
    expect(count(busy)).toBeGreaterThan(count(usual))
    // Whoever watches on ordinary days does so at the same times.
    const own = usual.evening(3).sessions
    const with_ = busy.evening(3).sessions
    for (const { habit, start } of own)
      if (!demo.household.habits.some(({ onBusyDays, viewer }) => onBusyDays && viewer !== ''))
        expect(with_.find(other => other.habit === habit)?.start).toBe(start)
  })
})

describe('minutes short of the plan', () => {
  it.each([
    ['the demo', demo],
    ['a slow machine', { ...demo, machine: { ...demo.machine, score: 3000 } } as Plan],
    ['a fast machine', { ...demo, machine: { ...demo.machine, score: 16_000 } } as Plan],
  ])('%s: are the time that drawn evenings ask for more than there is', (_, plan) => {
    const { facts } = sliceOf(plan)
    const rehearsal = rehearsalOf(plan, {}, usualValues, 'tide')
    const capacity = facts.streams.converter.processor!.likely
    let [sum, squares] = [0, 0]
    const evenings = 5000
    for (let evening = 0; evening < evenings; evening++) {
      const { sessions } = rehearsal.evening(evening)
      let short = 0
      for (let minute = 240; minute < 1680; minute += 5) {
        const on = sessions.filter(({ start, end }) => start <= minute * 60 && minute * 60 < end)
        const shares = on.map(({ never, routes }) => {
          if (never) return never.by === 'machine' ? Infinity : 0
          const { uses, needs } = routes[0]!.rungs.at(-1)!
          const use = uses.indexOf(0)
          // The plan counts in two-hundredths, rounded up.
          return use < 0 ? 0 : Math.ceil((needs[use]! / capacity) * 200 - 1e-9) / 200
        })
        if (shares.reduce((all, share) => all + share, 0) > 1 + 1e-9) short += 5
      }
      sum += short
      squares += short * short
    }
    const month = 7 * 4.348
    const mean = sum / evenings
    const error = Math.sqrt((squares / evenings - mean * mean) / evenings)
    const planned = facts.streams.minutes!.ordinary
    expect(Math.abs(mean * month - planned)).toBeLessThan(3.5 * error * month + 0.03 * planned)
  })
})

describe('draws', () => {
  const sessionsOf = (plan: Plan, viewer: string, count = 60) => {
    const rehearsal = rehearsalOf(plan)
    const at = plan.household.viewers.findIndex(({ id }) => id === viewer)
    return Array.from({ length: count }, (_, evening) =>
      rehearsal
        .evening(evening)
        .sessions.filter(session => session.viewer === at)
        .map(({ start, end, seeks, offer }) => ({
          start,
          end,
          seeks,
          row: offer.row,
          subtitled: offer.subtitled,
        })),
    )
  }
  it('stay as they are when the machine, the line or another viewer changes', () => {
    for (const { id } of demo.household.viewers.slice(0, 4)) {
      const before = sessionsOf(demo, id)
      const faster = { ...demo, machine: { ...demo.machine, score: 40_000 } }
      expect(sessionsOf(faster, id)).toEqual(before)
      const slowLine = { ...demo, network: { ...demo.network, uploadMbps: 2 } }
      expect(sessionsOf(slowLine, id)).toEqual(before)
      const other = demo.household.viewers.find(viewer => viewer.id !== id)!
      const without = withHousehold({
        viewers: demo.household.viewers.filter(viewer => viewer !== other),
        habits: demo.household.habits.filter(({ viewer }) => viewer !== other.id),
      })
      expect(sessionsOf(without, id)).toEqual(before)
    }
  })
  it('seek once an hour on average, and never after the end', () => {
    const rehearsal = rehearsalOf(demo)
    let [seeks, halfHours] = [0, 0]
    for (let evening = 0; evening < 3000; evening++)
      for (const { start, end, seeks: own } of rehearsal.evening(evening).sessions) {
        expect(own.every(at => start <= at && at < end)).toBe(true)
        // Those of a last half hour that is not whole are dropped in part.
        const whole = Math.floor((end - start) / 1800)
        seeks += own.filter(at => at < start + whole * 1800).length
        halfHours += whole
      }
    expect(Math.abs(seeks / halfHours - 0.5)).toBeLessThan(3.5 * Math.sqrt(0.25 / halfHours))
  })
  it('are others with another seed', () => {
    const starts = (seed: string) =>
      rehearsalOf(demo, {}, usualValues, seed)
        .evening(4)
        .sessions.map(({ start }) => start)
    expect(starts('a')).not.toEqual(starts('b'))
    expect(starts('')).toEqual(starts(''))
  })
})

/** The case of the handbook: one unit, viewers with shares of it and habits. */
function unitCase(values: PlanningValues): { draw: EveningDraw; values: PlanningValues } {
  const viewers = [
    {
      share: 0.35,
      habits: [
        [1140, 1260, 110, 0.6],
        [1280, 1350, 60, 0.4],
      ],
    },
    { share: 0.4, habits: [[1200, 1200, 95, 0.5]] },
    {
      share: 0.3,
      habits: [
        [1170, 1290, 45, 0.35],
        [1190, 1300, 45, 0.3],
        [1290, 1330, 30, 0.2],
      ],
    },
    { share: 0.5, habits: [[1230, 1350, 90, 0.2]] },
    { share: 0.25, habits: [[1020, 1380, 30, 1]] },
  ] as const
  const habits = viewers.flatMap(({ share, habits: own }, watcher) => {
    const offer: SessionOffer = {
      row: 0,
      column: 0,
      subtitled: false,
      sourceMbps: 8,
      never: null,
      routes: () => [
        {
          engine: null,
          converts: true,
          units: [],
          holds: [],
          rungs: [{ mbps: 8, lines: 1080, limit: 4, uses: [0], needs: [share] }],
        },
      ],
    }
    return own.map(([earliest, latest, minutes, chance], place): DrawnHabit => ({
      watcher,
      habit: place,
      name: `viewer ${watcher}`,
      place,
      evenings: Array<boolean>(7).fill(true),
      earliest,
      latest,
      minutes,
      chance,
      rows: [{ upTo: 1, plain: offer, subtitled: null }],
      subtitledShare: 0,
      soundAlone: offer,
      isNothing: false,
    }))
  })
  return {
    draw: new EveningDraw({ habits, onDrives: [], fallbackShare: 0, seekChance: 0 }, 'case'),
    values,
  }
}

describe('minutes short and stalled', () => {
  it('are those of the handbook: 7.4 minutes short are softened by buffers', () => {
    const evenings = 8000
    const run = (bufferS: number) => {
      const { draw, values } = unitCase({ ...usualValues, ...patient, bufferS, stepAtS: -1 })
      let [short, stalled, lost, overload] = [0, 0, 0, 0]
      for (let evening = 0; evening < evenings; evening++) {
        const sessions = draw.evening(evening)
        const played = new EveningRun(
          {
            resources: [{ kind: 'encode', at: 0, capacity: 1 }],
            places: [],
            sessions,
            changes: [],
          },
          values,
        ).play()
        for (let minute = 1020; minute < 1500; minute += 5) {
          const on = sessions.filter(({ start, end }) => start <= minute * 60 && minute * 60 < end)
          const share = on.reduce((sum, { routes }) => sum + routes[0]!.rungs[0]!.needs[0]!, 0)
          if (share > 1 + 1e-9) short += 5
        }
        overload += played.overload / 60
        for (const result of played.results) {
          stalled += result!.live!.stalled / 60
          lost += result!.live!.lost / 60
        }
      }
      return [short, overload, lost, stalled].map(sum => sum / evenings)
    }
    const [short, overload, lost, stalled] = run(60) as [number, number, number, number]
    expect(Math.abs(short - 7.43)).toBeLessThan(0.5)
    expect(Math.abs(overload - 7.58)).toBeLessThan(0.5)
    expect(Math.abs(lost - 2.52)).toBeLessThan(0.25)
    expect(Math.abs(stalled - 2.05)).toBeLessThan(0.25)
    const [, , , more] = run(11) as [number, number, number, number]
    const [, , , less] = run(120) as [number, number, number, number]
    expect(Math.abs(more - 2.45)).toBeLessThan(0.25)
    expect(Math.abs(less - 1.71)).toBeLessThan(0.25)
    expect(more).toBeGreaterThan(stalled)
    expect(stalled).toBeGreaterThan(less)
  })
})

describe('many evenings', () => {
  const viewers = demo.household.viewers.length + 4
  it('come to the same digits in whatever order lots are played, and end at the stop', () => {
    const rehearsal = rehearsalOf(demo)
    const lots = Array.from({ length: 8 }, (_, lot) => playLot(rehearsal, lot, viewers))
    const resources = rehearsal.world.resources.list.length
    const summed = (order: readonly number[]) => {
      const sums = new LotSums(viewers, resources, 0.012)
      for (const lot of order) sums.take(lot, structuredClone(lots[lot]!))
      return sums
    }
    const one = summed([0, 1, 2, 3, 4, 5, 6, 7])
    const other = summed([3, 1, 0, 7, 2, 6, 5, 4])
    expect(one.isDone).toBe(true)
    expect(JSON.stringify(other.sum)).toBe(JSON.stringify(one.sum))
    expect(one.sum.evenings % lotSize).toBe(0)
    expect(one.sum.scores).toHaveLength(one.sum.evenings)
    expect(isEnough({ evenings: 252, disturbed: 0 }, 1)).toBe(false)
    expect(isEnough({ evenings: 504, disturbed: 0 }, 1)).toBe(true)
    expect(isEnough({ evenings: 99_792, disturbed: 50_000 }, 0)).toBe(true)
  })
  it('add up: sessions of viewers, of weekdays, and disturbed evenings', () => {
    const { all, viewers: each, weekdays, ...sums } = playLot(rehearsalOf(demo), 0, viewers)
    for (const key of Object.keys(all) as (keyof typeof all)[])
      if (key !== 'disturbed')
        expect(each.reduce((sum, own) => sum + own[key], 0)).toBeCloseTo(all[key], 6)
    expect(weekdays.map(({ evenings }) => evenings)).toEqual(Array(7).fill(36))
    expect(sums.scores.filter(isDisturbed)).toHaveLength(sums.disturbed)
    expect(weekdays.reduce((sum, day) => sum + day.disturbed, 0)).toBe(sums.disturbed)
    expect(Object.values(sums.stallBlame).reduce((a, b) => a + b, 0)).toBe(all.stalls)
    expect(Object.values(sums.stepBlame).reduce((a, b) => a + b, 0)).toBe(all.steps)
    const [worst] = [...sums.scores].sort(worseFirst)
    expect(sums.scores.every(score => worseFirst(worst!, score) <= 0)).toBe(true)
  })
  it('tell a what-if in an interval that holds the truth about 95 times of 100', () => {
    const evenings = 60 * 4 * lotSize
    const lots = evenings / lotSize
    const run = (rehearsal: Rehearsal) =>
      Array.from({ length: lots }, (_, lot) => playLot(rehearsal, lot, viewers)).flatMap(
        ({ scores }) => scores.map(isDisturbed),
      )
    const [usual, low] = [run(rehearsalOf(demo)), run(rehearsalOf(demo, { machine: 'low' }))]
    const share = (list: readonly boolean[]) => list.filter(Boolean).length / list.length
    const truth = share(low) - share(usual)
    expect(truth).toBeGreaterThan(0.002)
    const size = evenings / 60
    let covers = 0
    for (let part = 0; part < 60; part++) {
      let [without, withIt] = [0, 0]
      for (let at = part * size; at < (part + 1) * size; at++) {
        if (usual[at] && !low[at]) without++
        if (!usual[at] && low[at]) withIt++
      }
      const { low: least, high: most } = pairedInterval({ n: size, without, withIt })
      if (least <= truth && truth <= most) covers++
    }
    expect(covers).toBeGreaterThanOrEqual(53)
  }, 120_000)
  it('pairs evenings of two runs', () => {
    const one = playLot(rehearsalOf(demo), 0, viewers)
    const other = playLot(rehearsalOf(demo, { hang: true }), 0, viewers)
    const { n, without, withIt, sums } = pairOf(one, other)
    expect(n).toBe(lotSize)
    expect(withIt - without).toBe(other.disturbed - one.disturbed)
    expect(withIt).toBeGreaterThan(0)
    expect(sums.one.y).toBeCloseTo(one.all.stalledS, 6)
  })
})

describe('what-ifs', () => {
  const disturbed = (more: Partial<WhatIf>, plan = demo) =>
    playLot(rehearsalOf(plan, more), 0, 20).disturbed
  it('of worse conditions never disturb fewer evenings', () => {
    const usual = disturbed({})
    for (const worse of [
      { guests: true },
      { hang: true },
      { rebuilding: true },
      { busyDrives: 'scrub' },
      { busyDrives: 'copy' },
      { uploading: true },
      { machine: 'low' },
    ] satisfies Partial<WhatIf>[])
      expect(disturbed(worse), JSON.stringify(worse)).toBeGreaterThanOrEqual(usual)
    expect(disturbed({ machine: 'high' })).toBeLessThanOrEqual(usual)
  })
  it('leave of the drives and of the line what the handbook says', () => {
    const world = (plan: Plan, more: Partial<WhatIf> = {}) => rehearsalOf(plan, more).world
    const capacity = (plan: Plan, kind: string, more: Partial<WhatIf> = {}) =>
      world(plan, more).resources.list.find(resource => resource.kind === kind)!.capacity
    const layout = (id: string, count: number): Plan =>
      planSchema.parse({
        ...demo,
        drives: { ...demo.drives, layout: id, lots: [{ count, sizeTB: 8 }], hotSpares: 0 },
      } as PlanInput)
    expect(capacity(layout('rotating-1', 4), 'drives')).toBeCloseTo(0.7)
    expect(capacity(layout('rotating-1', 4), 'drives', { rebuilding: true })).toBeCloseTo(0.3)
    expect(capacity(layout('rotating-1', 4), 'drives', { busyDrives: 'scrub' })).toBeCloseTo(0.35)
    expect(capacity(layout('mirror', 2), 'drives')).toBeCloseTo(1.4)
    expect(capacity(layout('mirror', 2), 'drives', { rebuilding: true })).toBeCloseTo(0.7)
    expect(
      world(layout('separate', 3)).resources.list.filter(({ kind }) => kind === 'drives'),
    ).toHaveLength(3)
    expect(capacity(demo, 'upload', { uploading: true })).toBeCloseTo(
      0.4 * capacity(demo, 'upload'),
    )
    expect(capacity(demo, 'port', { busyDrives: 'copy' })).toBeCloseTo(capacity(demo, 'port') / 2)
  })
})

describe('plans of any kind', () => {
  it('say what is missing, or are played by the laws', () => {
    const missing = new Set<string>()
    let played = 0
    for (let seed = 1; seed <= 120; seed++) {
      const plan = drawPlan(seed)
      const how = { seed: `${seed}`, values: usualValues, whatIf: { ...asUsual, guests: true } }
      const question = rehearsalWorld(sliceOf(plan), how)
      if (!question.world) {
        missing.add(question.missing)
        continue
      }
      played++
      const rehearsal = new Rehearsal(question.world, how)
      for (let evening = 0; evening < 14; evening++) {
        const run = rehearsal.play(rehearsal.evening(evening))
        for (const result of run.results) {
          const { live, plan: own, over } = result!
          if (!live) continue
          const there = live.startWait + live.played + live.stalled + live.seekWait
          expect(Math.abs(over - own.start - there), `${seed}`).toBeLessThan(1e-6)
          expect(
            Math.abs(live.produced - live.played - live.buffer - live.thrownAway),
          ).toBeLessThan(1e-6)
          expect(live.stalled).toBeLessThanOrEqual(live.lost + 1e-6)
        }
      }
    }
    expect(played).toBeGreaterThan(30)
    expect(missing.has('habits')).toBe(true)
  }, 120_000)
})
