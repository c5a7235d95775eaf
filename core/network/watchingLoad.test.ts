import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { poissonBinomial } from '../household/poissonBinomial'
import { watchingWeek } from '../household/watchingWeek'
import { newPart } from '../machine/partChanges'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { awayRates, busiestChances, ratedLoad, shortChance, watchingLoad } from './watchingLoad'

const demo = planSchema.parse(tideMillHouse)
const week = watchingWeek(demo.household)

describe('the busiest moment of one side', () => {
  it('is the slot in which most are expected, found by going through every slot of the week', () => {
    for (const isAway of [false, true]) {
      const side = week.watchers.flatMap((watcher, index) =>
        watcher.isAway === isAway ? [week.ordinary.watching[index]!] : [],
      )
      const sums = Array.from({ length: side[0]!.length }, (_, slot) =>
        side.reduce((sum, chances) => sum + chances[slot]!, 0),
      )
      const found = busiestChances(week, isAway)!
      expect(sums[found.slot]).toBeCloseTo(Math.max(...sums), 12)
      expect(found.chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(
        Math.max(...sums),
        12,
      )
    }
  })
  it(
    'is a distribution: each count with its rate, the mean their sum, the 99 % level the ' +
      'first that holds',
    () => {
      const load = watchingLoad(week, true, viewers => 5 * viewers)!
      const { chances } = busiestChances(week, true)!
      expect(load.rows.map(({ chance }) => chance)).toEqual(poissonBinomial(chances))
      expect(load.meanMbps).toBeCloseTo(5 * chances.reduce((sum, chance) => sum + chance, 0), 12)
      const sure = load.rows.findIndex(
        (_, viewers) =>
          load.rows.slice(0, viewers + 1).reduce((sum, { chance }) => sum + chance, 0) >=
          0.99 - 1e-12,
      )
      expect(load.level99Mbps).toBe(5 * sure)
      const rated = ratedLoad(week, true, [{ mbps: 5, share: 1 }])!
      expect(rated.level99Mbps).toBeCloseTo(5 * sure, 9)
      expect(shortChance(rated, 5)).toBeCloseTo(
        load.rows.slice(2).reduce((sum, { chance }) => sum + chance, 0),
        12,
      )
      expect(shortChance(rated, 1e6)).toBe(0)
    },
  )
  it('is none without habits, and the figures then say so', () => {
    const bare = planSchema.parse({ name: 'x' })
    expect(watchingLoad(watchingWeek(bare.household), false, viewers => viewers)).toBeNull()
    const { figures } = assess(bare, catalogue)
    expect([
      figures['network.homeMeanMbps']!.value,
      figures['network.home99Mbps']!.value,
      figures['network.awayShortChance']!.value,
    ]).toEqual([null, null, null])
  })
  it(
    'says when the upload is too small: with both away watching at a rate that only one of ' +
      'them gets',
    () => {
      const at = (uploadMbps: number) =>
        assess({ ...demo, network: { ...demo.network, uploadMbps } }, catalogue)
      const { figures, domains } = at(8)
      // 6 Mb/s are left of 8: one stream of 4.32, not two.
      expect(figures['network.awayShortChance']!.value).toBeCloseTo(
        domains.network.awayLoad!.rows[2]!.chance,
        12,
      )
      expect(at(40).figures['network.awayShortChance']!.value).toBe(0)
    },
  )
  it('sends away what has less than the quality that is sent as it is', () => {
    const rates = [
      { mbps: 28, share: 0.5, quality: null },
      { mbps: 1.2, share: 0.5, quality: null },
    ]
    expect(awayRates(rates, 4).map(({ mbps }) => mbps)).toEqual([
      expect.closeTo(4.32, 9),
      expect.closeTo(1.296, 9),
    ])
    const load = ratedLoad(week, true, awayRates(rates, 4))!
    // By hand: of those that watch, each sends 4.32 (rounded up to 4.4) or 1.296 (1.3).
    const [one, two] = load.chances as [number, number]
    const both = one * two
    expect(shortChance(load, 6)).toBeCloseTo(both / 4, 12)
    expect(shortChance(load, 5)).toBeCloseTo((both * 3) / 4, 12)
    expect(shortChance(load, 4)).toBeCloseTo((both * 3) / 4 + (one + two - 2 * both) / 2, 12)
    expect(load.meanMbps).toBeCloseTo((one + two) * (4.32 + 1.296) * 0.5, 9)
  })
})

describe('the wiring', () => {
  it('names the link that binds for copies, and the hours of a first fill with nobody watching', () => {
    const { figures, domains } = assess(demo, catalogue)
    expect(domains.wiring.copies).toMatchObject({ now: { id: 'port' }, next: { id: 'cable' } })
    expect(figures['network.bottleneck']).toMatchObject({
      label: 'Left for copies by the network port',
      note: 'Once it is faster, the cable is next.',
    })
    expect(figures['network.firstFillHours']!.value).toBeCloseTo(
      (figures['library.contentTB']!.value! * 8e6) / ((1000 * 1448) / 1538) / 3600,
      6,
    )
    const fast = assess(
      { ...demo, network: { ...demo.network, serverPortMbps: 10_000 } },
      catalogue,
    )
    expect(fast.domains.wiring.copies.now!.id).toBe('drives')
    expect(fast.domains.wiring.copies.now!.capacityMbps).toBeCloseTo(210 * 0.75 * 8, 9)
  })
  it('has the processor in it where it works out parity or encrypts', () => {
    const linkOf = (input: Partial<PlanInput>) =>
      assess(planSchema.parse({ name: 'x', ...input }), catalogue).domains.wiring.links.find(
        ({ id }) => id === 'processor',
      )?.capacityMbps
    const four: PlanInput['drives'] = {
      lots: [{ count: 4, sizeTB: 8 }],
      layout: 'rotating-1',
    }
    const thousand = { score: 1000 }
    expect(linkOf({ drives: four })).toBeUndefined()
    expect(linkOf({ drives: { ...four, layout: 'mirror' }, machine: thousand })).toBeUndefined()
    // At night nothing waits for it.
    expect(linkOf({ drives: { ...four, layout: 'nightly-1' }, machine: thousand })).toBeUndefined()
    expect(linkOf({ drives: four, machine: thousand })).toBeCloseTo(400 * 8, 9)
    const both = { ...four, encrypted: true }
    expect(linkOf({ drives: both, machine: thousand })).toBeCloseTo(8 / (1 / 400 + 1 / 250), 9)
    expect(linkOf({ drives: { ...both, layout: 'mirror' }, machine: thousand })).toBeCloseTo(
      250 * 8,
      9,
    )
    const old = { score: 1000, designYear: 2010 }
    expect(linkOf({ drives: { ...both, layout: 'mirror' }, machine: old })).toBeCloseTo(25 * 8, 9)
    expect(
      linkOf({ drives: { ...both, layout: 'mirror' }, machine: { ...old, designYear: 2011 } }),
    ).toBeCloseTo(250 * 8, 9)
    // What others use of it is not there.
    expect(
      linkOf({ drives: four, machine: { ...thousand, usedHoursPerDay: 4, usedShare: 0.5 } }),
    ).toBeCloseTo(200 * 8, 9)
    // It binds the first fill over a fast network.
    const { figures, domains } = assess(
      planSchema.parse({
        name: 'x',
        drives: both,
        machine: { score: 500 },
        network: { serverPortMbps: 10_000 },
        library: { holdings: [{ kind: 'documents', quality: 'given', sizeGB: 1000 }] },
      }),
      catalogue,
    )
    expect(domains.wiring.copies.now!.id).toBe('processor')
    // 1 ÷ (1/200 + 1/125) MB/s.
    expect(figures['network.firstFillHours']!.value).toBeCloseTo(
      figures['library.contentTB']!.value! * (1e6 / (1 / (1 / 200 + 1 / 125)) / 3600),
      6,
    )
  })
  it('has controllers and enclosures in it', () => {
    const { links } = assess(
      { ...demo, machine: { ...demo.machine, parts: [...demo.machine.parts, newPart('knot-5')] } },
      catalogue,
    ).domains.wiring
    expect(links.find(({ id }) => id === 'controller')!.capacityMbps).toBe(8 * 430)
  })
})
