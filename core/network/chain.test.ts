import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import {
  bindingLink,
  bindingTwo,
  chainHours,
  chainOf,
  homeCapacity,
  homeCapacityMbps,
  powerlineShare,
  serverLinks,
  wifiShare,
  meshShare,
  usualServerLinkMbps,
  type ChainLink,
  type ChainQuestion,
} from './chain'
import { minGain, nextLineFactor, upgradePrices, upgradeRows, upgradeSteps } from './upgrades'

const network = (input: PlanInput['network'] = {}) =>
  planSchema.parse({ name: 'x', network: input }).network
const question = {
  drivesMBps: 157.5,
  controllerMBps: null,
  enclosureMBps: null,
  processorMBps: null,
  deviceMbps: null,
  loadMbps: 0,
  deviceLoadMbps: 0,
}

describe('the chain from drive to device', () => {
  it('has every link with what it carries, in their order', () => {
    expect(
      chainOf({
        ...question,
        network: network(),
        deviceMbps: 94.1,
        loadMbps: 36,
        deviceLoadMbps: 12,
      }).map(({ id, capacityMbps, loadMbps }) => [id, Math.round(capacityMbps), loadMbps]),
    ).toEqual([
      ['drives', 1260, 36],
      ['port', 941, 36],
      ['cable', 941, 36],
      ['switch', 941, 36],
      ['device', 94, 12],
    ])
    expect(serverLinks(network({ serverLink: 'powerline' })).map(({ id }) => id)).toEqual([
      'port',
      'serverLink',
      'switch',
    ])
    expect([powerlineShare, wifiShare, meshShare, usualServerLinkMbps]).toEqual([
      { low: 0.2, likely: 0.25, high: 0.3 },
      { good: 1 / 2, fair: 1 / 3, poor: 1 / 6 },
      0.5,
      { powerline: 600, wifi: 300 },
    ])
  })
  it('Wi-Fi at the machine carries by how good it is there, and half over a mesh without a wire', () => {
    const carries = (input: Partial<ReturnType<typeof network>>) =>
      homeCapacityMbps(network({ serverLink: 'wifi', serverLinkMbps: 600, ...input }))
    expect(carries({})).toBeCloseTo(300, 9)
    expect(carries({ serverWifi: 'fair' })).toBeCloseTo(200, 9)
    expect(carries({ serverWifi: 'poor' })).toBeCloseTo(100, 9)
    expect(carries({ serverWifi: 'poor', meshWithoutWire: true })).toBeCloseTo(50, 9)
    // Powerline carries a fifth to three tenths of its label, up to what the port lets through.
    expect(homeCapacity(network({ serverLink: 'powerline' }))).toEqual({
      low: expect.closeTo(120, 9),
      likely: expect.closeTo(150, 9),
      high: expect.closeTo(180, 9),
    })
    const slowPort = network({ serverLink: 'powerline', serverPortMbps: 100 })
    expect(homeCapacity(slowPort).high).toBeCloseTo(94.148, 2)
    // A mesh says nothing of a machine on a cable.
    expect(homeCapacityMbps(network({ meshWithoutWire: true }))).toBeCloseTo(941.48, 2)
  })
  it(
    'a cable of 100 Mb/s hides everything behind it; once it is new, the drives or the port ' +
      'bind',
    () => {
      const old = chainOf({ ...question, network: network({ cableMbps: 100 }) })
      expect(bindingTwo(old, 'copies')).toMatchObject({
        now: { id: 'cable' },
        next: { id: 'port' },
      })
      expect(
        bindingTwo(chainOf({ ...question, network: network({ serverPortMbps: 2500 }) }), 'copies'),
      ).toMatchObject({ now: { id: 'drives' }, next: { id: 'port' } })
      expect(chainHours(10, chainOf({ ...question, network: network() }))).toBeCloseTo(
        (10e6 * 8) / 941.48 / 3600,
        2,
      )
      expect(chainHours(10, [])).toBeNull()
    },
  )
  it(
    'binds for copies where least is left, for streams where it is fullest, of equals the ' +
      'first',
    () => {
      const link = (id: ChainLink['id'], capacityMbps: number, loadMbps: number): ChainLink => ({
        id,
        capacityMbps,
        loadMbps,
      })
      expect(bindingLink([link('port', 1000, 500), link('device', 100, 20)], 'copies')!.id).toBe(
        'device',
      )
      expect(bindingLink([link('port', 1000, 500), link('device', 100, 20)], 'streams')!.id).toBe(
        'port',
      )
      expect(bindingLink([link('port', 100, 10), link('switch', 100, 10)], 'copies')!.id).toBe(
        'port',
      )
      fc.assert(
        fc.property(
          fc.array(
            fc.record({
              capacityMbps: fc.double({ min: 1, max: 1e4, noNaN: true }),
              loadMbps: fc.double({ min: 0, max: 1e4, noNaN: true }),
            }),
            { minLength: 1, maxLength: 8 },
          ),
          parts => {
            const links = parts.map((part, index): ChainLink => ({
              id: (
                [
                  'drives',
                  'controller',
                  'enclosure',
                  'port',
                  'cable',
                  'serverLink',
                  'switch',
                  'device',
                ] as const
              )[index]!,
              ...part,
            }))
            const least = Math.min(
              ...links.map(({ capacityMbps, loadMbps }) => capacityMbps - loadMbps),
            )
            const found = bindingLink(links, 'copies')!
            expect(found.capacityMbps - found.loadMbps).toBeCloseTo(least, 6)
          },
        ),
      )
    },
  )
  it('sets the home network of the headroom line', () => {
    const home = (input: PlanInput['network']) =>
      assess(planSchema.parse({ name: 'x', network: input }), catalogue).figures[
        'network.homeLinkMbps'
      ]!.value!
    expect(home({})).toBeCloseTo(941.5, 1)
    expect(home({ cableMbps: 100 })).toBeCloseTo(94.1, 1)
    expect(home({ switchMbps: 2500, serverPortMbps: 10_000 })).toBeCloseTo(2353.7, 1)
    expect(home({ serverLink: 'powerline', serverLinkMbps: 1200 })).toBe(300)
    expect(home({ serverLink: 'wifi' })).toBe(150)
    expect(
      homeCapacityMbps(network({ serverLink: 'wifi', serverLinkMbps: 866, switchMbps: 100 })),
    ).toBeCloseTo(94.1, 1)
  })
})

describe('upgrade steps', () => {
  const rows = (input: PlanInput['network'], more: Partial<Omit<ChainQuestion, 'network'>> = {}) =>
    upgradeRows(network(input), {
      question: { ...question, ...more },
      sizeTB: 10,
      awayWith: upload => Math.floor(upload / 8),
    })
  it('are those that the network has not yet', () => {
    expect(upgradeSteps(network()).map(({ id }) => id)).toEqual([
      'fast',
      'tenCopper',
      'tenFibre',
      'line',
    ])
    expect(
      upgradeSteps(network({ serverLink: 'wifi', cableMbps: 100 })).map(({ id }) => id),
    ).toEqual(['wire', 'wire-fast', 'wire-tenCopper', 'wire-tenFibre', 'line'])
    expect(upgradeSteps(network({ serverPortMbps: 10_000 })).map(({ id }) => id)).toEqual(['line'])
    expect([nextLineFactor, minGain, upgradePrices]).toEqual([
      2,
      0.02,
      {
        cable: 12,
        wire: 60,
        gigabit: { card: 15, switch: 30 },
        fast: { card: 25, switch: 90 },
        tenCopper: { card: 90, switch: 200 },
        tenFibre: { card: 35, switch: 175 },
      },
    ])
  })
  it('exchange what is slower, by name and price, and leave what is faster', () => {
    const steps = (input: PlanInput['network']) =>
      upgradeSteps(network(input)).map(({ label, price, changes }) => [label, price, changes])
    // A port of 2.5 G behind a switch of 100 Mb/s wants a switch alone.
    expect(steps({ serverPortMbps: 2500, switchMbps: 100 }).slice(0, 2)).toEqual([
      ['Gigabit switch', 30, { switchMbps: 1000 }],
      ['2.5 G switch', 90, { switchMbps: 2500 }],
    ])
    expect(steps({ cableMbps: 100, switchMbps: 2500 }).slice(0, 2)).toEqual([
      ['A new cable to the machine', 12, { cableMbps: 0 }],
      ['2.5 G card and cable', 37, { serverPortMbps: 2500, cableMbps: 2500 }],
    ])
    expect(steps({ serverPortMbps: 100, serverLink: 'wifi' })[1]).toEqual([
      'A cable instead of Wi-Fi, and gigabit card and switch',
      105,
      { serverLink: 'cable', cableMbps: 0, serverPortMbps: 1000, switchMbps: 1000 },
    ])
    expect(upgradeSteps(network({ uploadMbps: 60_000 })).at(-1)!.changes.uploadMbps).toBe(100_000)
  })
  it('never make anything slower, whatever the network', () => {
    const [ports, others] = [
      [100, 1000, 2500, 10_000] as const,
      [0, 100, 1000, 2500, 10_000] as const,
    ]
    let seen = 0
    for (const serverPortMbps of ports)
      for (const cableMbps of others)
        for (const switchMbps of others)
          for (const serverLink of ['cable', 'wifi', 'powerline'] as const)
            for (const serverLinkMbps of [null, 2400, 20_000]) {
              const before = { serverPortMbps, cableMbps, switchMbps, serverLink, serverLinkMbps }
              const speed = (of: typeof before) => [
                of.serverPortMbps,
                of.switchMbps || of.serverPortMbps,
                of.serverLink === 'cable' ? of.cableMbps || of.serverPortMbps : 0,
              ]
              const was = speed(before)
              for (const { id, changes, hours, hoursBefore } of rows(before)) {
                const told = `${JSON.stringify(before)}: ${id}`
                const after = { ...before, ...changes } as typeof before
                expect(network(after), told).toMatchObject(changes)
                speed(after).forEach((now, at) => {
                  expect(now, told).toBeGreaterThanOrEqual(was[at]!)
                })
                expect(hours, told).toBeLessThanOrEqual(hoursBefore!)
                seen++
              }
            }
    expect(seen).toBeGreaterThan(1000)
    // Wi-Fi at 2 400 Mb/s carries more than a port of 100 Mb/s with its cable.
    const ids = (serverLinkMbps: number) =>
      rows({
        serverPortMbps: 100,
        switchMbps: 10_000,
        serverLink: 'wifi',
        serverLinkMbps,
      }).map(({ id }) => id)
    expect(ids(2400)).not.toContain('wire')
    expect(ids(2400)).toContain('wire-fast')
    expect(ids(150)).toContain('wire')
  })
  it('say no gain where another link binds', () => {
    const found = Object.fromEntries(rows({}).map(({ id, gains, binds }) => [id, [gains, binds]]))
    expect(found).toEqual({
      fast: [true, 'drives'],
      tenCopper: [true, 'drives'],
      tenFibre: [true, 'drives'],
      line: [true, 'port'],
    })
    expect(rows({ serverPortMbps: 2500 }).find(({ id }) => id === 'tenCopper')).toMatchObject({
      gains: false,
      binds: 'drives',
    })
    expect(rows({ uploadMbps: 1 }).find(({ id }) => id === 'line')).toMatchObject({
      gains: false,
      moreAway: 0,
    })
    expect(
      rows({ cableMbps: 100 }, { enclosureMBps: 10 }).find(({ id }) => id === 'cable'),
    ).toMatchObject({ gains: false, binds: 'enclosure' })
  })
})

describe('what is sent out in a month', () => {
  const plan = (cap: number) =>
    planSchema.parse({
      name: 'x',
      household: {
        places: [{ id: 'ship', name: 'Ship' }],
        viewers: [{ id: 'a', place: 'ship' }, { id: 'b' }],
        devices: [{ id: 'd' }],
        habits: [
          {
            viewer: 'a',
            device: 'd',
            chance: 0.5,
            minutes: 120,
            days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
          },
          { viewer: 'b', device: 'd' },
          { viewer: 'a', device: 'd', onBusyDays: true },
        ],
      },
      network: { awayRungMbps: 4, dataCapGBPerMonth: cap },
    })
  it('follows from the habits of viewers away: 30.4 days × half × 2 h × 4 Mb/s × 0.45', () => {
    const { figures, findings } = assess(plan(50), catalogue)
    expect(figures['network.uploadGBPerMonth']!.value).toBeCloseTo(
      (365.25 / 12) * 0.5 * 2 * 4 * 0.45,
      9,
    )
    expect(findings.map(({ code }) => code)).toContain('UPLOAD_CAP')
    // A quarter of an hour a month counts as well.
    const little = plan(50)
    const [habit, ...others] = little.household.habits
    const seldom = assess(
      {
        ...little,
        household: {
          ...little.household,
          habits: [{ ...habit!, chance: 0.05, minutes: 5 }, ...others],
        },
      },
      catalogue,
    )
    expect(seldom.figures['network.uploadGBPerMonth']!.value).toBeCloseTo(
      (365.25 / 12) * 0.05 * (5 / 60) * 4 * 0.45,
      9,
    )
    expect(assess(plan(55), catalogue).findings.map(({ code }) => code)).not.toContain('UPLOAD_CAP')
    expect(
      assess(planSchema.parse({ name: 'x' }), catalogue).figures['network.uploadGBPerMonth']!.value,
    ).toBeNull()
  })
  it(
    'a home network below 100 Mb/s is told as slow, and media software that asks outside ' +
      'every time',
    () => {
      const codes = (input: PlanInput['network']) =>
        assess(planSchema.parse({ name: 'x', network: input }), catalogue).findings.map(
          ({ code }) => code,
        )
      expect(codes({ cableMbps: 100 })).toContain('SLOW_PORT')
      expect(
        assess(
          planSchema.parse({ name: 'x', network: { cableMbps: 100 } }),
          catalogue,
        ).findings.find(({ code }) => code === 'SLOW_PORT')!.sentence,
      ).toMatch(/carries 94\.1 Mb\/s .* each terabyte of a first fill takes 24.h\.$/)
      expect(codes({ serverLink: 'wifi', serverLinkMbps: 200 })).not.toContain('SLOW_PORT')
      expect(codes({ needsOutside: 'always' })).toContain('NEEDS_OUTSIDE')
      expect(codes({})).not.toContain('NEEDS_OUTSIDE')
    },
  )
  it('says of the upload what nobody, one and two away come to', () => {
    const away = (watchingAway: number, uploadMbps = 40) => {
      const { verdicts, findings } = assess(
        planSchema.parse({
          name: 'x',
          household: { watchingAway },
          network: { uploadMbps, awayRungMbps: 4 },
        }),
        catalogue,
      )
      return {
        sentence: verdicts.find(({ id }) => id === 'away')!.sentence,
        tunnel: findings.some(({ code }) => code === 'TUNNEL'),
      }
    }
    expect(away(0)).toEqual({
      sentence: 'Nobody watches away; the upload would carry 6 viewers at 4 Mb/s.',
      tunnel: false,
    })
    expect(away(1)).toEqual({
      sentence: '6 viewers away can watch at 4 Mb/s; one more would stutter.',
      tunnel: true,
    })
    expect(away(2, 6).sentence).toBe('1 viewer away can watch at 4 Mb/s; 2 are needed.')
    expect(away(1, 2).sentence).toBe('The upload cannot carry even one viewer away at 4 Mb/s.')
  })
})
