import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import { planSchema, type Plan, type PlanInput } from '../../plan/planSchema'
import type { Rung } from '../evening/world'
import { Rehearsal } from '../playOne'
import { usualValues } from '../planningValues'
import { asUsual, type WhatIf } from '../whatIf/whatIf'
import { arrivalWifiMbps, backgroundsOf } from './backgrounds'
import { readShare, readsFrom, sharesByTB } from './driveReads'
import { rehearsalWorld } from './rehearsalWorld'
import { worldMark } from './worldMark'

const home = (more: Partial<PlanInput> = {}): Plan =>
  planSchema.parse({
    name: 'x',
    household: {
      viewers: [
        { id: 'a', lowestRungMbps: 1 },
        { id: 'b', place: 'far' },
      ],
      places: [{ id: 'far', downloadMbps: 10 }],
      devices: [
        { id: 'tv', class: 'tv2020', link: 'wired1000' },
        { id: 'lap', class: 'browser', link: 'wifiFair', linkMbps: 120 },
      ],
      habits: [
        {
          viewer: 'a',
          device: 'tv',
          earliest: 1200,
          latest: 1200,
          minutes: 60,
          chance: 1,
          days: ['mon'],
        },
        {
          viewer: 'a',
          device: 'lap',
          earliest: 1300,
          latest: 1300,
          minutes: 60,
          chance: 1,
          days: ['mon'],
        },
        {
          viewer: 'b',
          device: 'lap',
          earliest: 1200,
          latest: 1200,
          minutes: 60,
          chance: 1,
          days: ['mon'],
        },
      ],
    },
    library: { holdings: [{ kind: 'film', quality: 'hd1080-h264', titles: 10, bitrateMbps: 8 }] },
    machine: { score: 8000, cores: 8, base: 'parts' },
    drives: {
      lots: [
        { count: 2, sizeTB: 8 },
        { count: 1, sizeTB: 16 },
      ],
      layout: 'separate',
      outerMBps: 200,
    },
    network: { uploadMbps: 20, uploadReserveShare: 0.25 },
    ...more,
  } as PlanInput)
function worldOf(plan: Plan, more: Partial<WhatIf> = {}) {
  const facts = assess(plan, catalogue).domains
  const slice = { plan, catalogue: effectiveCatalogue(plan, catalogue), facts }
  const how = { seed: 's', values: usualValues, whatIf: { ...asUsual, ...more } }
  const { world, missing } = rehearsalWorld(slice, how)
  if (!world) throw new Error(missing)
  const rehearsal = new Rehearsal(world, how)
  const sessions = rehearsal.evening(0).sessions
  const of = (habit: number) => sessions.find(session => session.habit === habit)!
  const need = ({ uses, needs }: Rung, kind: string) => {
    const use = uses.findIndex(place => world.resources.list[place]!.kind === kind)
    return use < 0 ? 0 : needs[use]!
  }
  return { world, rehearsal, facts, sessions, of, need }
}

describe('what a session takes at speed 1', () => {
  it('untouched, by cable: the port, its cable, and the drive it lies on', () => {
    const { of, need } = worldOf(home())
    const [route] = of(0).routes
    const rung = route!.rungs[0]!
    expect(rung).toMatchObject({ mbps: 8, limit: 10 })
    expect(need(rung, 'port')).toBe(8)
    expect(need(rung, 'deviceCable')).toBe(8)
    expect(need(rung, 'airtime')).toBe(0)
    expect(need(rung, 'upload')).toBe(0)
    // 8 Mb/s are a megabyte a second, read four at a time from three quarters of 200 MB/s.
    expect(need(rung, 'drives')).toBeCloseTo(0.25 * (0.013 + 4 / 150), 12)
  })
  it('over Wi-Fi: of the channel by what the device carries of its rate', () => {
    const { of, need } = worldOf(home())
    const rung = of(1).routes[0]!.rungs[0]!
    expect(need(rung, 'airtime')).toBeCloseTo(rung.mbps / 40, 12)
  })
  it('away: of the upload 1.08 of it, and of the line there', () => {
    const { world, of, need } = worldOf(home())
    const rung = of(2).routes[0]!.rungs[0]!
    expect(need(rung, 'upload')).toBeCloseTo(1.08 * rung.mbps, 12)
    expect(need(rung, 'placeLine')).toBe(rung.mbps)
    const line = world.resources.list.find(({ kind }) => kind === 'placeLine')!
    expect(line.capacity).toBe(8)
    const upload = world.resources.list.find(({ kind }) => kind === 'upload')!
    expect(upload.capacity).toBe(15)
  })
  it('converted in software: its work, at most as fast as six cores are, and rung by rung', () => {
    const { facts, of, need } = worldOf(home())
    const { rungs, engine } = of(2).routes[0]!
    expect(engine).toBeNull()
    const capacity = facts.streams.converter.processor!.likely
    rungs.forEach((rung, at) => {
      const work = need(rung, 'processor')
      expect(rung.limit).toBeCloseTo(Math.min(4, (capacity * 6) / 8 / work), 12)
      if (at > 0) expect(rung.mbps).toBeLessThanOrEqual(rungs[at - 1]!.mbps)
    })
    // Away 4 Mb/s at most, and the viewer accepts 2.8.
    expect(rungs.map(({ mbps }) => mbps)).toEqual([4, 2.8])
  })
  it('on an engine: of its units, its memory and its sessions, and a little of the processor', () => {
    const base = home()
    const plan = {
      ...base,
      machine: {
        ...base.machine,
        parts: [
          {
            ...planSchema.parse({ name: 'x', machine: { parts: [{ ref: 'cardEntry' }] } }).machine
              .parts[0]!,
          },
        ],
      },
    }
    const { world, of, need, facts } = worldOf(plan)
    if (facts.streams.converter.engines.length === 0) throw new Error('no engine')
    const route = of(2).routes.find(({ engine }) => engine === 0)!
    const [rung] = route.rungs
    expect(need(rung!, 'processor')).toBeCloseTo(0.06, 12)
    expect(rung!.limit).toBe(4)
    // 1080p at 24 pictures a second, of 0.85 of 1400 megapixels.
    expect(need(rung!, 'decode')).toBeCloseTo((2.0736 * 24) / (0.85 * 1400), 9)
    expect(world.places).toEqual([
      { kind: 'driverSessions', engine: 0, capacity: 5 },
      { kind: 'engineMemory', engine: 0, capacity: 4000 },
    ])
    expect(route.holds.map(([place]) => world.places[place]!.kind)).toEqual([
      'driverSessions',
      'engineMemory',
    ])
  })
})

describe('drives', () => {
  it('are read one by one, together, or one of many, as the layout has it', () => {
    const group = { members: 4, survives: 1, sizesTB: [8, 8, 8] }
    const of = (layoutId: string, members = 4) =>
      readsFrom({
        layoutId,
        groups: [{ ...group, members, sizesTB: Array<number>(members - 1).fill(8) }],
        outerMBps: 200,
        spinning: true,
      })
    expect(of('separate')).toHaveLength(3)
    expect(of('rotating-1')).toMatchObject([{ times: 1, together: 3, isMirror: false }])
    expect(of('mirror', 2)).toMatchObject([{ times: 2, together: 1, isMirror: true }])
    expect(sharesByTB(of('separate'))).toEqual(
      [1 / 3, 2 / 3, 1].map(share => expect.closeTo(share)),
    )
    expect(sharesByTB(of('rotating-1'))).toEqual([])
  })
  it('that have no head answer at once', () => {
    const one = { together: 1 }
    const slow = readShare(8, one, { outerMBps: 200, spinning: true })
    expect(readShare(8, one, { outerMBps: 200, spinning: false })).toBeCloseTo(
      slow - 0.25 * 0.0129,
      12,
    )
  })
})

describe('what arrives by itself', () => {
  const arrival = (more: object) =>
    planSchema.parse({
      name: 'x',
      drives: { arrivals: [{ gbPerDay: 18, hours: 4, from: 1200, pauses: false, ...more }] },
    } as PlanInput).drives.arrivals
  it('takes its mean, at most its limit, on so many evenings', () => {
    expect(backgroundsOf(arrival({ daysPerWeek: 7 }), 240)).toMatchObject([
      { chance: 1, from: 72_000, to: 86_400, mbps: 10 },
    ])
    expect(backgroundsOf(arrival({ limitMbps: 4, daysPerWeek: 3.5 }), 240)).toMatchObject([
      { chance: 0.5, mbps: 4 },
    ])
    expect(backgroundsOf(arrival({ pauses: true }), 240)).toEqual([])
    expect(backgroundsOf(arrival({ from: 60 }), 240)[0]!.from).toBe((1440 + 60) * 60)
  })
  it('is withdrawn first, in its hours, from port, channel and drives', () => {
    const base = home()
    const plan = {
      ...base,
      drives: { ...base.drives, arrivals: arrival({ link: 'wifi', daysPerWeek: 7 }) },
    }
    const { world, rehearsal } = worldOf(plan)
    const changes = rehearsal
      .evening(0)
      .changes.map(({ at, resource, capacity }) => [
        at,
        world.resources.list[resource!]!.kind,
        capacity,
      ])
    const port = world.resources.list.find(({ kind }) => kind === 'port')!.capacity
    expect(changes).toContainEqual([72_000, 'port', port - 10])
    expect(changes).toContainEqual([86_400, 'port', port])
    expect(changes).toContainEqual([72_000, 'airtime', 1 - 10 / arrivalWifiMbps])
    expect(arrivalWifiMbps).toBe(150)
    expect(changes.filter(([, kind]) => kind === 'drives')).toHaveLength(6)
  })
  it('leaves nothing below nothing', () => {
    const base = home()
    const plan = {
      ...base,
      drives: {
        ...base.drives,
        arrivals: arrival({ gbPerDay: 90_000, link: 'wired', daysPerWeek: 7 }),
      },
    }
    const { rehearsal } = worldOf(plan)
    expect(rehearsal.evening(0).changes.every(({ capacity }) => capacity >= 0)).toBe(true)
    expect(() => rehearsal.play(rehearsal.evening(0))).not.toThrow()
  })
})

describe('the mark of what was rehearsed', () => {
  it('changes with what matters, and with nothing else', () => {
    const demo = planSchema.parse(tideMillHouse)
    const mark = (plan: Plan) => worldMark(worldOf(plan).world)
    const own = mark(demo)
    expect(mark({ ...demo, name: 'Other' })).toBe(own)
    expect(mark({ ...demo, costs: { ...demo.costs, horizonYears: 3 } as Plan['costs'] })).toBe(own)
    for (const other of [
      { ...demo, machine: { ...demo.machine, score: demo.machine.score! + 500 } },
      { ...demo, network: { ...demo.network, uploadMbps: 9 } },
      { ...demo, household: { ...demo.household, habits: demo.household.habits.slice(1) } },
      { ...demo, library: { ...demo.library, holdings: demo.library.holdings.slice(1) } },
    ] as Plan[])
      expect(mark(other)).not.toBe(own)
  })
  it('the hang lasts ten minutes, at the moment with most there', () => {
    const { rehearsal } = worldOf(planSchema.parse(tideMillHouse), { hang: true })
    const { changes, sessions } = rehearsal.evening(5)
    const [from, to] = changes.filter(({ resource }) => resource === null)
    expect(to!.at - from!.at).toBe(600)
    const there = (at: number) =>
      sessions.filter(({ start, end }) => start <= at && at < end).length
    expect(there(from!.at)).toBe(Math.max(...sessions.map(({ start }) => there(start))))
  })
})
