import { describe, expect, it } from 'vitest'
import { assess, planAssessor } from '../../assess'
import { catalogue as shipped, type Catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { freely } from '../../../tests/stubs/freely'
import { planSchema, type Plan } from '../../plan/planSchema'
import { conditions } from '../conditions/conditions'
import { costOverYears } from '../../ownership/cashFlow'
import { addedGBPerMonth, withAddedGBPerMonth } from '../../library/additions'
import { assumptions, flipBars, nearestFlip, noWay, winnerOf } from '../sensitivity'
import { createBoxEvaluator } from '../boxEvaluator'
import { adoptPool } from '../builds'
import { createBuildSearch, finishSearch } from './buildSearch'
import { needIds, type NeedId } from '../../headrooms'
import { changedPools, cheapestChange, maxWaysOut, waysOut } from './cheapestChange'
import { clashOf } from './clash'
import { frontier } from './frontier'
import { poolOffers } from './poolOffers'
import { ratioOf, upgradePath } from './upgradePath'
import { wayRows, type WaysProgress } from './wayRows'
import { fewModels } from '../../../tests/stubs/smallCatalogue'
import { newPart } from '../../machine/partChanges'
import { meetsNeed, stateOfBuild } from '../../verdict'

// The ways of building are searched in all of the shipped catalogue; the other answers of the same
// search in a part of it.
const catalogue = fewModels(shipped)

const demo = planSchema.parse(freely(tideMillHouse))
const fails = (plan: Plan) =>
  assess({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
    .verdicts.filter(verdict => ['short', 'impossible'].includes(stateOfBuild(verdict)))
    .map(({ id }) => id)
function last<Progress>(steps: Generator<Progress, Progress>): {
  readonly answer: Progress
  readonly reports: readonly Progress[]
} {
  const reports: Progress[] = []
  for (;;) {
    const step = steps.next()
    if (step.done) return { answer: step.value, reports }
    reports.push(step.value)
  }
}
const tiers = [
  { name: 'Lean', cap: 700 },
  { name: 'Middle', cap: 1700 },
]

describe('drives that are offered', () => {
  it('cost over the years what the evaluator says, and stand under layouts that take them', () => {
    for (const plan of [
      demo,
      planSchema.parse({
        name: 'x',
        library: { otherTB: 3 },
        costs: {
          resaleShare: 0.3,
          hourValue: 10,
          warrantyMonths: 12,
          electricityRisePerYear: 0.05,
        },
        drives: { awayCopy: 'everything', awayBy: 'store' },
      }),
    ]) {
      const pools = poolOffers(plan, catalogue, { roomTB: 0, survives: 0 })
      const evaluator = createBoxEvaluator(
        plan,
        catalogue,
        adoptPool(plan, pools[0]!.choice).drives,
      )
      for (const { key, drives, yearsCost, price, count, roomTB } of pools.filter(
        (_, at) => at % 41 === 0,
      )) {
        const row = evaluator.pool({ key, drives })
        expect(yearsCost).toBeCloseTo(row.yearsCost, 6)
        expect([price, count]).toEqual([row.price, row.count])
        expect(roomTB).toBeCloseTo(row.roomTB, 9)
      }
    }
  }, 60_000)
  it('are left out where room or redundancy are too little', () => {
    const all = poolOffers(demo, catalogue, { roomTB: 0, survives: 0 })
    const some = poolOffers(demo, catalogue, { roomTB: 30, survives: 2 })
    expect(some.every(({ roomTB, survives }) => roomTB >= 30 && survives >= 2)).toBe(true)
    expect(some).toHaveLength(
      all.filter(({ roomTB, survives }) => roomTB >= 30 && survives >= 2).length,
    )
  })
})

describe('every way of building', () => {
  const { answer, reports } = last<WaysProgress>(
    wayRows(demo, shipped, { objective: 'horizon', tiers }),
  )
  it('has a row, the best of each meets the need, and no tier costs more than its limit', () => {
    expect(answer.at).toBe(null)
    expect(answer.rows).toHaveLength(answer.of)
    expect(answer.rows.map(({ way }) => way)).toEqual(
      expect.arrayContaining([
        'stay',
        'appliance',
        'office',
        'miniPc',
        'singleBoard',
        'laptop',
        'rack',
        'selfBuilt',
        'atHand',
        'router',
        'twoMachines',
      ]),
    )
    expect(answer.rows.map(({ way }) => way)).not.toContain('shared')
    for (const { way, best, tiers: within, closest } of answer.rows) {
      if (best && way !== 'twoMachines') expect(fails(best.plan), way).toEqual([])
      if (closest) expect(closest.lacks.length, way).toBeGreaterThan(0)
      expect(best === null || closest === null).toBe(true)
      for (const { tier, build } of within) {
        if (!build) continue
        expect(build.toPay).toBeLessThanOrEqual(tier.cap)
        expect(build.horizonCost).toBeGreaterThanOrEqual(best!.horizonCost - 1e-6)
      }
    }
  })
  it('says of the plan as it is what its assessment says', () => {
    const { figures } = assess(demo, catalogue)
    const stay = answer.rows.find(({ way }) => way === 'stay')!.closest!
    expect(stay.lacks).toEqual(['streams', 'space'])
    expect(stay.toPay).toBe(figures['ownership.purchase']!.value)
    expect(stay.horizonCost).toBeCloseTo(figures['ownership.horizonTotal']!.value!, 0)
  })
  it(
    'makes of two machines the sum of one that stores, one that converts and their link, ' +
      'with what is paid anyway counted once',
    () => {
      const pair = answer.rows.find(({ way }) => way === 'twoMachines')!.best!
      expect(fails(pair.plan).filter(id => id !== 'streams')).toEqual([])
      expect(
        fails({
          ...pair.second!.plan,
          network: { ...demo.network, serverPortMbps: pair.second!.plan.network.serverPortMbps },
        }),
      ).not.toContain('streams')
      expect(pair.second!.plan.drives.lots).toEqual([])
      const priceOf = (plan: Plan) =>
        assess({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue).figures[
          'ownership.purchase'
        ]!.value!
      expect(pair.second!.linkPrice).toBe(demo.costs.linkBetween)
      expect(pair.toPay).toBeCloseTo(
        priceOf(pair.plan) + priceOf(pair.second!.plan) + demo.costs.linkBetween,
        6,
      )
      expect(pair.second!.toPay).toBeCloseTo(priceOf(pair.second!.plan), 6)
    },
  )
  it('reports on the way, and never takes back what is done', () => {
    expect(reports.length).toBeGreaterThan(5)
    for (let at = 1; at < reports.length; at++) {
      expect(reports[at]!.done).toBeGreaterThanOrEqual(reports[at - 1]!.done)
      expect(reports[at]!.nodes).toBeGreaterThanOrEqual(reports[at - 1]!.nodes)
    }
  })
}, 120_000)

describe('a few ways on a small catalogue', () => {
  const small = {
    ...catalogue,
    driveModels: catalogue.driveModels.filter(({ id }) => ['sluice-8', 'ebb-16'].includes(id)),
    machineBases: catalogue.machineBases.filter(({ id }) =>
      ['wherry-4', 'pebble-21', 'clerk-17', 'eddy-21'].includes(id),
    ),
    hardware: catalogue.hardware.filter(({ kind }) => kind !== 'board'),
  }
  const rowsOf = (plan: Plan, caps: readonly number[]) =>
    last<WaysProgress>(
      wayRows(plan, small, {
        objective: 'horizon',
        tiers: caps.map(cap => ({ name: `${cap}`, cap })),
      }),
    ).answer.rows
  it('pairs within each limit what no other pair beats: by going through all pairs', () => {
    // Old machines are cheap to buy and dear to run, so less money now means another pair.
    const many = {
      ...small,
      machineBases: catalogue.machineBases.filter(({ id }) =>
        [
          'wherry-4',
          'pebble-18',
          'pebble-23',
          'clerk-15',
          'clerk-17',
          'crane-14',
          'coracle',
          'folio-18',
        ].includes(id),
      ),
      driveModels: catalogue.driveModels.filter(({ id }) =>
        ['sluice-8', 'ebb-8', 'ebb-16'].includes(id),
      ),
    }
    const plan = planSchema.parse({
      ...freely(tideMillHouse),
      machine: {},
      brief: {},
      costs: { ...tideMillHouse.costs, pricePerKWh: 0.6 },
    })
    const pairOf = (caps: readonly number[]) =>
      last<WaysProgress>(
        wayRows(plan, many, {
          objective: 'horizon',
          tiers: caps.map(cap => ({ name: `${cap}`, cap })),
        }),
      ).answer.rows.find(({ way }) => way === 'twoMachines')!
    // Every half by a search of its own under limits in steps of 10.
    const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, many)
    const halves = (question: { without: NeedId[]; withoutDrives?: boolean }, upTo: number) =>
      Array.from({ length: upTo / 10 }, (_, at) => at * 10).flatMap(
        cap =>
          finishSearch(builds.search({ objective: 'horizon', ways: null, cap, ...question })).best
            ?.found.evaluation ?? [],
      )
    const [stores, converts] = [
      halves({ without: ['streams'] }, 1400),
      halves({ without: ['space', 'survival'], withoutDrives: true }, 700),
    ]
    const { extras, linkBetween } = plan.costs
    // Nothing else of this plan is the household's.
    const all = stores.flatMap(one =>
      converts.map(other => ({
        toPay: one.toPay + other.toPay - extras + linkBetween,
        horizonCost: one.horizonCost + other.horizonCost - extras + linkBetween,
      })),
    )
    const minWithin = (cap: number) =>
      Math.min(...all.flatMap(({ toPay, horizonCost }) => (toPay <= cap ? horizonCost : Infinity)))
    const best = pairOf([]).best!
    expect(best.horizonCost).toBeCloseTo(minWithin(Infinity), 6)
    // A front ends with its cheapest, so limits just above it have a pair, and below it none.
    const cheapest = Math.min(...all.map(({ toPay }) => toPay))
    const caps = [best.toPay - 1, best.toPay - 20, cheapest + 11, best.toPay, cheapest - 11]
    const within = pairOf(caps).tiers
    expect(within.map(({ build }) => build !== null)).toEqual([true, true, true, true, false])
    within.slice(0, 3).forEach(({ tier: { cap }, build }) => {
      expect(build!.toPay).toBeLessThanOrEqual(cap)
      expect(build!.horizonCost).toBeLessThanOrEqual(minWithin(cap) + 1e-6)
      expect(build!.horizonCost).toBeGreaterThan(best.horizonCost)
    })
    expect(within[3]!.build).toEqual(best)
  }, 120_000)
  it("pay once what is the household's: twice only what each machine takes", () => {
    const plan = planSchema.parse({
      ...freely(tideMillHouse),
      machine: { ...tideMillHouse.machine, parts: [{ ref: 'weight-650', count: 1 }], atHand: [] },
      brief: {},
      system: { services: [{ name: 'Guide', pricePerYear: 24 }] },
      drives: { ...tideMillHouse.drives, awayCopy: 'everything', awayBy: 'store' },
      costs: {
        extras: 70,
        licenceOnce: 9,
        licencePerYear: 11,
        savedPerMonth: 20,
        hourValue: 3,
        upsBatteryPrice: 40,
        resaleShare: 0.2,
      },
    })
    const pair = rowsOf(plan, []).find(({ way }) => way === 'twoMachines')!.best!
    const second = pair.second!
    const yearsOf = (one: Plan) => planAssessor(1).facts(one, small, ['years']).years
    const [one, other] = [yearsOf(pair.plan), yearsOf(second.plan)]
    // Every payment of the household stands with the first machine.
    const { copies, saved, upsBattery, licences } = one.flow.byKind
    expect([copies > 0, saved, upsBattery]).toEqual([
      true,
      -20 * plan.choices.horizonYears * 12,
      40,
    ])
    expect(licences).toBeGreaterThanOrEqual(9 + (11 + 24) * plan.choices.horizonYears)
    expect(other.flow.byKind).toMatchObject({ copies: 0, saved: 0, upsBattery: 0, licences: 0 })
    expect(other.flow.byKind.ownTime).toBeGreaterThanOrEqual(10 * 3)
    expect(costOverYears(other.question)).toBeCloseTo(second.horizonCost, 6)
    expect(costOverYears(one.question) + second.horizonCost + second.linkPrice).toBeCloseTo(
      pair.horizonCost,
      6,
    )
    expect(one.question.purchase + other.question.purchase + second.linkPrice).toBeCloseTo(
      pair.toPay,
      6,
    )
  }, 60_000)
  it('has a row for a computer on which somebody also works, with what is left of it', () => {
    const used = planSchema.parse({
      ...freely(tideMillHouse),
      machine: {
        base: 'clerk-17',
        condition: 'owned',
        usedHoursPerDay: 4,
        usedShare: 0.5,
        usedEngineToo: true,
      },
      brief: {},
    })
    const free = planSchema.parse({
      ...freely(tideMillHouse),
      machine: { base: 'clerk-17', condition: 'owned' },
      brief: {},
    })
    const bestOf = (plan: Plan, way: string) => rowsOf(plan, []).find(row => row.way === way)
    const [shared, alone] = [bestOf(used, 'shared')!, bestOf(free, 'atHand')!]
    expect(bestOf(used, 'atHand')).toBe(undefined)
    const build = (row: typeof shared) => row.best ?? row.closest!
    expect(build(shared).plan.machine.usedHoursPerDay).toBe(4)
    // With engine and half of the processor taken it takes more to meet the need, or cannot.
    expect(shared.best === null || shared.best.horizonCost > alone.best!.horizonCost + 1e-6).toBe(
      true,
    )
  }, 120_000)
  it('shows what comes closest with as little given up as goes', () => {
    const rows = rowsOf(planSchema.parse({ ...freely(tideMillHouse), brief: {}, machine: {} }), [])
    const router = rows.find(({ way }) => way === 'router')!
    expect(router.best).toBe(null)
    expect(router.closest!.lacks).toContain('streams')
    for (const { closest } of rows)
      if (closest && closest.way !== 'stay') expect(closest.lacks.length).toBeGreaterThan(0)
  }, 60_000)
  it('does with a streaming box where every title plays as it is', () => {
    const plain = planSchema.parse({
      name: 'plain',
      household: { watchingHome: 1, watchingAway: 0, converted: 0 },
      library: { otherTB: 2 },
      choices: { survivesAtLeast: 0 },
    })
    const router = rowsOf(plain, []).find(({ way }) => way === 'router')!
    expect(router.best).not.toBe(null)
    expect(fails(router.best!.plan)).toEqual([])
  }, 60_000)
})

describe('the frontier', () => {
  it.each(['possible', 'roomTB', 'lossChanceAtHorizon'] as const)(
    'of %s rises with its cost, and every point meets the need',
    axis => {
      const small = {
        ...catalogue,
        driveModels: catalogue.driveModels.filter(({ id }) =>
          ['sluice-8', 'sluice-16', 'ebb-16'].includes(id),
        ),
        machineBases: catalogue.machineBases.filter(({ id }) =>
          ['wherry-4', 'pebble-21', 'clerk-17', 'wherry-6'].includes(id),
        ),
        hardware: catalogue.hardware.filter(({ kind }) => kind !== 'board'),
      }
      const { answer } = last(
        frontier({ ...demo, machine: { ...demo.machine, atHand: [] } }, small, {
          axis,
          objective: 'horizon',
        }),
      )
      expect(answer.done).toBe(true)
      expect(answer.points.length).toBeGreaterThan(1)
      answer.points.forEach((point, at) => {
        expect(fails(point.plan)).toEqual([])
        const before = answer.points[at - 1]
        if (!before) return
        expect(point.horizonCost).toBeGreaterThanOrEqual(before.horizonCost - 1e-6)
        if (axis === 'lossChanceAtHorizon') expect(point[axis]).toBeLessThan(before[axis])
        else expect(point[axis]).toBeGreaterThan(before[axis])
      })
    },
    120_000,
  )
})

describe('the cheapest change', () => {
  it('makes the plan meet its need, at the price of what is added', () => {
    const { best } = finishSearch(cheapestChange(demo, catalogue, { newLayout: false }))
    expect(fails(best!.found.plan)).toEqual([])
    const before = assess(demo, catalogue).figures['ownership.purchase']!.value!
    const after = assess(best!.found.plan, catalogue).figures['ownership.purchase']!.value!
    expect(best!.cost).toBeCloseTo(after - before, 6)
    expect(best!.cost).toBeGreaterThan(0)
    const freer = finishSearch(cheapestChange(demo, catalogue, { newLayout: true })).best
    expect(freer!.cost).toBeLessThanOrEqual(best!.cost + 1e-6)
  }, 120_000)
  it('costs nothing where the plan meets its need already', () => {
    const { best } = finishSearch(cheapestChange(demo, catalogue, { newLayout: false }))
    const { best: again } = finishSearch(
      cheapestChange(best!.found.plan, catalogue, { newLayout: false }),
    )
    expect(again!.cost).toBe(0)
    expect(changedPools(best!.found.plan, catalogue, { newLayout: false })[0]!.price).toBe(0)
  }, 120_000)
})

describe('drives that a change takes out', () => {
  it('are every number of each lot; of many lots those of one at a time, and all', () => {
    expect(waysOut([{ count: 1 }, { count: 2 }])).toEqual([
      [0, 0],
      [0, 1],
      [0, 2],
      [1, 0],
      [1, 1],
      [1, 2],
    ])
    expect(waysOut([])).toEqual([[]])
    const many = waysOut([{ count: 6 }, { count: 6 }])
    expect(many).toHaveLength(1 + 12 + 1)
    expect([many[0], many[6], many.at(-1)]).toEqual([
      [0, 0],
      [6, 0],
      [6, 6],
    ])
    expect([waysOut([{ count: 47 }]).length, maxWaysOut]).toEqual([48, 48])
  })
  const parts = {
    board: ['stile-11', 'lych-15'],
    case: ['coffer-3', 'coffer-6'],
    processor: ['leat-13w', 'leat-17'],
    cooler: ['fern-boxed', 'fern-tower'],
    supply: ['mole-450'],
    ssd: ['flint-250'],
  } as Partial<Record<string, readonly string[]>>
  const few: Catalogue = {
    ...shipped,
    machineBases: [],
    videoEngines: shipped.videoEngines.filter(({ kind }) => kind !== 'card'),
    hardware: shipped.hardware.filter(({ kind, id }) => parts[kind]?.includes(id)),
    processors: shipped.processors.filter(({ id }) => parts.processor!.includes(id)),
    memoryModules: shipped.memoryModules.filter(({ id }) =>
      ['memory-8', 'memory-4-old'].includes(id),
    ),
    driveModels: shipped.driveModels.filter(({ id }) => ['sluice-4', 'sluice-8'].includes(id)),
  }
  const built = (lots: object[], more: object = {}) =>
    planSchema.parse({
      ...freely({ name: 'x' }),
      household: { watchingHome: 1, watchingAway: 0, converted: 0 },
      machine: {
        base: 'parts',
        parts: [
          { ref: 'stile-11' },
          { ref: 'leat-13w' },
          { ref: 'fern-boxed' },
          { ref: 'memory-4-old' },
          { ref: 'coffer-3' },
          { ref: 'mole-450' },
          { ref: 'flint-250' },
        ],
      },
      drives: { lots, layout: 'mirror' },
      ...more,
    })
  /** What may go in the place of each part of the machine that is there. */
  const swaps: Readonly<Record<string, string>> = {
    'stile-11': 'lych-15',
    'leat-13w': 'leat-17',
    'fern-boxed': 'fern-tower',
    'memory-4-old': 'memory-8',
    'coffer-3': 'coffer-6',
  }
  const prices = new Map(
    [...few.hardware, ...few.processors, ...few.memoryModules].map(({ id, price }) => [id, price]),
  )
  const machines = Object.keys(swaps).reduce<string[][]>(
    (all, ref) => all.flatMap(out => [out, [...out, ref]]),
    [[]],
  )
  /** The least by going through every machine and set of drives, each assessed as a plan. */
  function slowly(plan: Plan): number {
    const assessor = planAssessor(4)
    let least = Infinity
    for (const out of machines)
      for (const gone of waysOut(plan.drives.lots))
        for (const [model, count] of few.driveModels.flatMap(one =>
          [0, 1, 2, 3, 4].map(many => [one, many] as const),
        )) {
          const lots = [
            ...plan.drives.lots.flatMap((lot, at) =>
              lot.count > gone[at]! ? [{ ...lot, count: lot.count - gone[at]! }] : [],
            ),
            ...(count
              ? [{ ...plan.drives.lots[0]!, count, sizeTB: model.sizeTB, model: model.id }]
              : []),
          ]
          const refs = out.map(ref => swaps[ref]!)
          const cost = count * model.price + refs.reduce((sum, ref) => sum + prices.get(ref)!, 0)
          if (cost >= least || lots.length === 0) continue
          const stays = plan.machine.parts.filter(({ ref }) => !out.includes(ref))
          const machine = { ...plan.machine, parts: [...stays, ...refs.map(ref => newPart(ref))] }
          const { verdicts } = assessor.assess(
            { ...plan, machine, drives: { ...plan.drives, lots } },
            few,
          )
          if (verdicts.every(verdict => verdict.id === 'money' || meetsNeed(stateOfBuild(verdict))))
            least = cost
        }
    return least
  }
  const films = (titles: number) => ({ holdings: [{ quality: 'hd1080-hevc', titles }] })
  it.each([
    [
      'two small ones give way to two larger ones, where there are two bays',
      [{ count: 2, sizeTB: 4, model: 'sluice-4' }],
      1500,
    ],
    ['a third does beside two', [{ count: 2, sizeTB: 8, model: 'sluice-8' }], 300],
    ['a lone one gets another beside it', [{ count: 1, sizeTB: 8, model: 'sluice-8' }], 500],
  ])(
    'or not, as costs least: %s',
    (_, lots, titles) => {
      const plan = built(lots, { library: films(titles) })
      const { best } = finishSearch(cheapestChange(plan, few, { newLayout: false }))
      expect(best?.cost ?? Infinity).toBeCloseTo(slowly(plan), 6)
      if (titles === 1500) {
        expect(best!.found.pool.choice.takesOut).toEqual([2])
        expect(best!.found.plan.drives.lots).toMatchObject([{ count: 2, sizeTB: 8 }])
      }
    },
    60_000,
  )
  it('go with another board, case and cooler where the machine itself will not do', () => {
    const plan = built([{ count: 2, sizeTB: 8, model: 'sluice-8' }], {
      library: films(1000),
      household: { watchingHome: 3, watchingAway: 0, converted: 3 },
    })
    const { best } = finishSearch(cheapestChange(plan, few, { newLayout: false }))
    expect(best?.cost ?? Infinity).toBeCloseTo(slowly(plan), 6)
    expect(best!.found.refs).toContain('lych-15')
    expect(best!.found.plan.machine.parts.map(({ ref }) => ref)).not.toContain('stile-11')
  }, 60_000)
})

describe('what clashes', () => {
  it(
    'is nothing where a build meets the need within the budget',
    () => expect(clashOf(demo, catalogue)).toBe(null),
    60_000,
  )
  it('is the smallest set, with the cheapest way out', () => {
    const poor = clashOf({ ...demo, brief: { ...demo.brief, budget: 300 } }, catalogue)!
    expect(poor.limits).toContain('budget')
    expect(poor.relaxed).not.toBe(null)
    const vast = clashOf(
      planSchema.parse({ ...tideMillHouse, brief: {}, library: { otherTB: 900 } }),
      catalogue,
    )!
    expect(vast).toMatchObject({ limits: ['space'], relaxed: { limit: 'space' } })
    expect(
      clashOf(planSchema.parse({ ...tideMillHouse, brief: { budget: 0 } }), catalogue)!.limits,
    ).toContain('budget')
  }, 120_000)
  it('names conditions too: none of them could be left out, and the way out is there', () => {
    const few = fewModels(catalogue)
    const free = freely({
      name: 'x',
      brief: { place: 'bedroom', earDistanceM: 0.5 },
      household: { watchingHome: 1, converted: 1 },
      library: { otherTB: 40 },
    })
    const plan = planSchema.parse({
      ...free,
      conditions: { ...free.conditions, quiet: true, spareBays: 2 },
    })
    const { limits, relaxed } = clashOf(plan, few)!
    expect(conditions.some(({ id }) => limits.includes(id))).toBe(true)
    // The set alone cannot be met; with any one of them given up it can.
    const isMet = (kept: readonly string[]) =>
      finishSearch(
        createBuildSearch(
          conditions.reduce<Plan>(
            (free, { id, switched }) =>
              switched && !kept.includes(id) ? switched(free, false) : free,
            plan,
          ),
          few,
        ).search({
          objective: 'now',
          ways: null,
          cap: null,
          without: needIds.filter(id => id !== 'fit' && !kept.includes(id)),
        }),
      ).best !== null
    expect(isMet(limits)).toBe(false)
    for (const limit of limits) expect(isMet(limits.filter(other => other !== limit))).toBe(true)
    expect(relaxed === null || limits.includes(relaxed.limit)).toBe(true)
  }, 120_000)
  it('is no limit at all where the catalogue holds nothing to build with', () => {
    const none = { ...catalogue, driveModels: [], machineBases: [], processors: [] }
    const plan = planSchema.parse({ name: 'x', library: { otherTB: 2 } })
    expect(clashOf(plan, none)).toEqual({ limits: [], relaxed: null })
  }, 60_000)
})

describe('the upgrade path', () => {
  it('relieves the limit that binds, twice ahead, and harms nothing', () => {
    const path = upgradePath(demo, catalogue)
    expect(path).toHaveLength(2)
    expect(path[0]!.limit.id).toBe('space')
    for (const { before, after, price } of path) {
      expect(after).toBeGreaterThan(before)
      expect(price).toBeGreaterThan(0)
    }
    expect(fails(path[0]!.plan)).not.toContain('fit')
    expect(path[1]!.before).toBeCloseTo(
      path[0]!.limit.id === path[1]!.limit.id ? path[0]!.after : path[1]!.before,
      9,
    )
  }, 60_000)
  it('goes by possible ÷ needed, and ends where nothing is needed', () => {
    const exactly = (value: number) => ({ low: value, likely: value, high: value })
    expect(ratioOf({ asked: exactly(4), possible: exactly(2) })).toBe(0.5)
    expect(ratioOf({ asked: exactly(0), possible: exactly(2) })).toBe(5)
    expect(ratioOf({ asked: null, possible: exactly(2) })).toBe(null)
    expect(upgradePath(planSchema.parse({ name: 'empty' }), catalogue)).toEqual([])
  })
})

describe('what flips the answer', () => {
  it('is found where another line is lower: by a slow look, and by hand', () => {
    const costAt = (id: string, value: number) => (id === 'a' ? 10 + 2 * value : 30 + value)
    expect(nearestFlip(['a', 'b'], { from: 5, to: 100 }, costAt)).toEqual({
      value: expect.closeTo(20, 6) as number,
      winner: 'b',
    })
    expect(nearestFlip(['a', 'b'], { from: 5, to: 19 }, costAt)).toBe(null)
    expect(nearestFlip(['a', 'b'], { from: 15, to: 30, whole: true }, costAt)).toEqual({
      value: 21,
      winner: 'b',
    })
    expect(winnerOf(['a', 'b'], () => 1)).toBe('a')
  })
  it('of two plans is the price of electricity at which their costs are equal', () => {
    const thirsty = { ...demo, machine: { ...demo.machine, boxIdleW: 120, boxLoadW: 150 } }
    const dear = { ...demo, costs: { ...demo.costs, extras: 2000 } }
    const { bars, counted } = flipBars(
      [
        { id: 'thirsty', plan: thirsty },
        { id: 'dear', plan: dear },
      ],
      catalogue,
    )
    // Neither meets its need, so their money alone is compared.
    expect(counted).toEqual(['thirsty', 'dear'])
    const bar = bars.find(({ assumption }) => assumption.id === 'pricePerKWh')!
    expect(bar.winner).toBe('thirsty')
    const at = (plan: Plan, pricePerKWh: number) =>
      costOverYears(
        assess({ ...plan, costs: { ...plan.costs, pricePerKWh } }, catalogue).domains.years
          .question,
      )
    expect(bar.above!.winner).toBe('dear')
    expect(at(thirsty, bar.above!.value)).toBeCloseTo(at(dear, bar.above!.value), 3)
    expect(bar.below).toBe(null)
    expect(flipBars([{ id: 'one', plan: demo }], catalogue)).toEqual({ bars: [], counted: [] })
  }, 60_000)
  it('lets what falls short win nowhere, and what has run out of room no longer', () => {
    const done = finishSearch(cheapestChange(demo, catalogue, { newLayout: false })).best!.found
      .plan
    const larger = catalogue.driveModels.find(
      ({ sizeTB, recording }) => sizeTB === 20 && recording === 'conventional',
    )!
    const roomy: Plan = {
      ...done,
      drives: {
        ...done.drives,
        lots: done.drives.lots.map((lot, at) =>
          at === done.drives.lots.length - 1
            ? { ...lot, model: larger.id, sizeTB: larger.sizeTB, priceEach: 700 }
            : lot,
        ),
      },
    }
    expect(fails(roomy)).toEqual([])
    const { bars, counted } = flipBars(
      [
        { id: 'open', plan: demo },
        { id: 'done', plan: done },
        { id: 'roomy', plan: roomy },
      ],
      catalogue,
    )
    expect(counted).toEqual(['done', 'roomy'])
    const bar = bars.find(({ assumption }) => assumption.id === 'added')!
    expect(bar.winner).toBe('done')
    expect(bar.value).toBeCloseTo(addedGBPerMonth(demo.library, catalogue), 9)
    expect(bar.above!.winner).toBe('roomy')
    // At that value the room of the one ends: a little less does, a little more does not.
    const space = (plan: Plan, gb: number) =>
      assess(
        { ...plan, library: withAddedGBPerMonth(plan.library, gb, catalogue) },
        catalogue,
      ).verdicts.find(({ id }) => id === 'space')!.state
    expect(space(done, bar.above!.value - 0.01)).not.toMatch(/short|impossible/)
    expect(space(done, bar.above!.value + 0.01)).toMatch(/short|impossible/)
    expect(space(roomy, bar.above!.value + 0.01)).not.toMatch(/short|impossible/)
    // Alone among those that count, its own end comes where nothing has room.
    const alone = flipBars(
      [
        { id: 'open', plan: demo },
        { id: 'done', plan: done },
      ],
      catalogue,
    )
    expect(alone.bars.find(({ assumption }) => assumption.id === 'added')!.above).toEqual({
      value: expect.closeTo(bar.above!.value, 3) as number,
      winner: noWay,
    })
    expect(alone.bars.find(({ assumption }) => assumption.id === 'pricePerKWh')).toMatchObject({
      winner: 'done',
      above: null,
      below: null,
    })
    expect(winnerOf(['a', 'b'], () => Infinity)).toBe(noWay)
  }, 120_000)
  it('swings each assumption as far as a home may meet it', () => {
    expect(
      assumptions.map(({ id, low, high, changesNeed }) => [id, low, high, changesNeed ?? false]),
    ).toEqual([
      ['pricePerKWh', 0.05, 0.8, false],
      ['rise', -0.05, 0.15, false],
      ['horizon', 1, 12, true],
      ['added', 0, 500, true],
      ['converting', 0, 16, false],
      ['driveFall', -0.1, 0.15, false],
      ['resale', 0, 0.6, false],
      ['hour', 0, 60, false],
    ])
  })
  it('swings values that a plan can have', () => {
    for (const { of, set, low, high, id } of assumptions)
      for (const value of [low, high]) {
        const changed = set(demo, value, catalogue)
        expect(planSchema.parse(changed), id).toEqual(changed)
        expect(of(changed, catalogue, catalogue)).toBeCloseTo(value, 9)
      }
  })
})
