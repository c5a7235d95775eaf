import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue as shipped } from '../../catalogue/catalogue'
import { planSchema, type Plan, type PlanInput } from '../../plan/planSchema'
import { fewModels } from '../../../tests/stubs/smallCatalogue'
import { stateOfBuild } from '../../verdict'
import { conditionPrices } from '../conditions/conditionPrices'
import { conditions } from '../conditions/conditions'
import { bestBuilds, type BestBuilds } from './bestBuilds'
import { createBuildSearch, finishSearch } from './buildSearch'
import { handBuilds } from './handBuilds'
import { wayRows } from './wayRows'
import { failedConditions, meetsAll, yearsCost } from './wayBuild'

// What each household is told is searched in the whole catalogue; what is the same wherever it is
// asked, in a part of it.
const few = fewModels(shipped)

function last<Progress>(steps: Generator<Progress, Progress>): Progress {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
const films = (titles: number) => ({ quality: 'hd1080-hevc', titles })
const photos = { kind: 'photos', quality: 'photo', titles: 20_000 } as const
/** Eight households as practitioners meet them. */
const households: Readonly<Record<string, Omit<PlanInput, 'name'>>> = {
  'single, one television': {
    household: { watchingHome: 1, watchingAway: 0, converted: 0 },
    library: { holdings: [films(300)] },
  },
  'family of five, two away': {
    household: { watchingHome: 3, watchingAway: 2, converted: 2 },
    library: {
      holdings: [films(1500), photos, { kind: 'homeVideo', quality: 'hd1080-h264', titles: 100 }],
    },
  },
  'collector with 80 TB': {
    household: { watchingHome: 2, watchingAway: 1, converted: 1 },
    library: { otherTB: 80 },
    brief: { place: 'cellar', roomHighC: 22 },
  },
  'photographer with 29 TB of his own': {
    household: { watchingHome: 1, watchingAway: 0, converted: 0 },
    library: { holdings: [{ kind: 'projects', quality: 'given', sizeGB: 29_000 }] },
    choices: { survivesAtLeast: 2 },
  },
  'in the bedroom': {
    household: { watchingHome: 1, converted: 1 },
    library: { holdings: [films(500), photos] },
    brief: { place: 'bedroom' },
  },
  '200 to spend': {
    household: { watchingHome: 2, converted: 1 },
    library: { holdings: [films(200), photos] },
    brief: { budget: 200 },
  },
  'an office computer and four drives at hand': {
    household: { watchingHome: 2, converted: 1 },
    library: { holdings: [films(2000), photos] },
    machine: { atHand: [{ ref: 'clerk-17', lastSeen: 'daily' }] },
    drives: { lots: [{ count: 4, sizeTB: 8, condition: 'owned' }] },
  },
  'fifteen relatives away': {
    household: { watchingHome: 2, watchingAway: 15, converted: 8 },
    library: { holdings: [films(3000)] },
    network: { uploadMbps: 200 },
  },
}
const planOf = (name: string): Plan => planSchema.parse({ name, ...households[name]! })
const fitOf = (plan: Plan) =>
  Object.fromEntries(
    assess(plan, shipped).domains.fitting.judged.map(({ id, state, values }) => [
      id,
      { state, values },
    ]),
  )

describe.each(Object.keys(households))('for a household: %s', name => {
  const plan = planOf(name)
  const answer = last<BestBuilds>(bestBuilds(plan, shipped))
  const { budget } = plan.brief
  it('what is recommended meets the need, its conditions and the budget', () => {
    for (const { build } of answer.builds) {
      const { verdicts, figures, domains } = assess(
        { ...build.plan, brief: { ...build.plan.brief, budget: null } },
        shipped,
      )
      expect(
        verdicts.filter(verdict => ['short', 'impossible'].includes(stateOfBuild(verdict))),
      ).toEqual([])
      expect(figures['ownership.purchase']!.value).toBeCloseTo(build.toPay, 9)
      expect(failedConditions(build)).toEqual([])
      if (budget !== null) expect(build.toPay).toBeLessThanOrEqual(budget)
      // What no practitioner would recommend, asked of the plan itself.
      const fit = fitOf(build.plan)
      expect(fit.usbParity?.state ?? 'pass').toBe('pass')
      expect(fit.coolerHeat?.state ?? 'pass').toBe('pass')
      expect(['pass', 'notKnown']).toContain(fit.warmDrives!.state)
      const bought = build.plan.drives.lots.filter(({ condition }) => condition !== 'owned')
      for (const { model } of bought)
        expect(shipped.driveModels.find(({ id }) => id === model)!.sold).toBe('new')
      const copies = domains.drives.pool!.survival.copies
      expect(['away', 'twice', undefined]).toContain(copies?.is)
    }
  })
  it('has three unlike answers, or says what comes closest', () => {
    const plans = answer.builds.map(({ build }) => JSON.stringify([build.way, build.plan]))
    expect(new Set(plans).size).toBe(plans.length)
    if (name === '200 to spend') {
      expect(answer.builds).toEqual([])
      // One within the budget, but for a condition; and one that meets all of it for more.
      const [within, dearer] = answer.closest
      expect(within!.toPay).toBeLessThanOrEqual(budget!)
      expect(within!.lacks).toEqual([])
      expect(failedConditions(within!).length).toBeGreaterThan(0)
      expect(dearer!.toPay).toBeGreaterThan(budget!)
      expect(meetsAll(dearer!)).toBe(true)
      return
    }
    expect(answer.builds).toHaveLength(3)
    const [first, ...others] = answer.builds
    expect(first!.because).toContain('years')
    for (const { build } of others)
      expect(yearsCost(build)).toBeGreaterThanOrEqual(yearsCost(first!.build) - 1e-6)
    const now = answer.builds.find(({ because }) => because.includes('now'))!
    for (const { build } of answer.builds)
      expect(build.toPay).toBeGreaterThanOrEqual(now.build.toPay - 1e-6)
    expect(others.some(({ build }) => build.way !== first!.build.way)).toBe(true)
  })
})

describe('one answer, wherever it is asked', () => {
  const plan = planOf('an office computer and four drives at hand')
  const answer = last<BestBuilds>(bestBuilds(plan, few))
  it('is the best of the ways that Tiers shows, at its price', () => {
    for (const objective of ['horizon', 'now'] as const) {
      const { rows } = last(wayRows(plan, few, { objective, tiers: [] }))
      const costOf = (build: { toPay: number; horizonCost: number; risk: number }) =>
        objective === 'now' ? build.toPay : yearsCost(build)
      const best = rows
        .flatMap(({ best: build }) => (build ? [build] : []))
        .reduce((least, build) => (costOf(build) < costOf(least) ? build : least))
      const told = answer.builds.find(({ because }) =>
        because.includes(objective === 'now' ? 'now' : 'years'),
      )!.build
      expect(told.label).toBe(best.label)
      expect(costOf(told)).toBeCloseTo(costOf(best), 6)
    }
  }, 60_000)
  it('is what At hand says of the computer that it is built around', () => {
    const { bought, computers } = handBuilds(plan, few)
    const best = answer.builds[0]!.build
    const around = computers[0]!.build!
    expect(computers).toHaveLength(1)
    expect(computers[0]!.name).toBe('Clerk 17')
    expect(computers[0]!.verdict === 'base').toBe(yearsCost(around) <= yearsCost(bought!) + 1e-6)
    expect(Math.min(yearsCost(around), yearsCost(bought!))).toBeCloseTo(yearsCost(best), 6)
    // A like one and finding out, at the chance that goes with being used every day.
    expect(computers[0]!.risk.dead).toBeCloseTo(0.02 * (150 + 30), 9)
  })
  it('is no base where it costs more over the years: a second machine where it has bays', () => {
    const verdict = (change: object) =>
      handBuilds(
        planSchema.parse({
          name: 'x',
          ...households['family of five, two away'],
          machine: { atHand: [{ ref: 'crane-10', ...change }] },
        }),
        few,
      ).computers[0]!.verdict
    expect(verdict({ deadChance: 0.49 })).toBe('secondMachine')
    expect(verdict({ deadChance: 0.5 })).toBe('leave')
    expect(verdict({ deadChance: 0.2, bays: 1 })).toBe('leave')
  }, 120_000)
  it('leaves what it would bring to whoever sells it', () => {
    const asked = (worth: number) =>
      handBuilds(
        { ...plan, machine: { ...plan.machine, atHand: [{ ...plan.machine.atHand[0]!, worth }] } },
        few,
      ).computers[0]!
    const gap = yearsCost(handBuilds(plan, few).bought!) - yearsCost(asked(0).build!)
    expect(asked(Math.floor(gap)).verdict).toBe('base')
    expect(asked(Math.ceil(gap) + 1).verdict).toBe('secondMachine')
  }, 60_000)
})

describe('where nothing meets the need, what comes closest', () => {
  const closestOf = (input: Omit<PlanInput, 'name'>, catalogue = shipped) => {
    const { closest, nodes } = last<BestBuilds>(
      bestBuilds(planSchema.parse({ name: 'x', ...input }), catalogue),
    )
    return { closest, nodes }
  }
  it('lacks nothing but the line that no machine widens, found without trying any', () => {
    const { closest, nodes } = closestOf({
      ...households['fifteen relatives away'],
      network: { uploadMbps: 20 },
    })
    expect(closest.map(({ lacks }) => lacks)).toEqual([['away']])
    expect(closest.map(failedConditions)).toEqual([[]])
    expect(nodes).toBeLessThan(10_000)
  }, 60_000)
  it('has room for the largest part of a library that nothing holds', () => {
    const { closest } = closestOf({
      household: { watchingHome: 2, converted: 1 },
      library: { otherTB: 400 },
    })
    expect(closest.map(({ lacks }) => lacks)).toEqual([['space']])
    expect(closest[0]!.roomTB).toBeGreaterThan(0.5 * 400)
  }, 60_000)
  it('converts the largest part of what no machine does', () => {
    const { closest } = closestOf(
      { household: { watchingHome: 60, converted: 60 }, library: { otherTB: 3 } },
      few,
    )
    expect(closest.map(({ lacks }) => lacks)).toEqual([['streams']])
    expect(closest[0]!.possible).toBeGreaterThanOrEqual(0.25 * 60)
  }, 120_000)
  it('calls a computer without a name yours', () => {
    const { builds } = last<BestBuilds>(
      bestBuilds(
        planSchema.parse({
          name: 'x',
          household: { watchingHome: 1, converted: 0 },
          library: { otherTB: 2 },
          machine: { condition: 'owned', base: 'own', cores: 4, sustainedGHz: 3, designYear: 2015 },
        }),
        few,
      ),
    )
    expect(builds.map(({ build }) => build.label)).toContain('Your computer')
  }, 60_000)
})

describe('the price of a condition', () => {
  it('is what the best costs less without it, and never less than nothing', () => {
    const plan = planOf('single, one television')
    const { prices, together } = last(conditionPrices(plan, few, 'horizon'))
    const cost = (asked: Plan) =>
      finishSearch(
        createBuildSearch(asked, few).search({ objective: 'horizon', ways: null, cap: null }),
      ).best!.cost
    const whole = cost(plan)
    expect(prices.map(({ id }) => id)).toEqual(
      conditions.filter(one => one.switched && one.isOn(plan, few)).map(({ id }) => id),
    )
    for (const { id, price, blocks } of prices) {
      const { switched } = conditions.find(one => one.id === id)!
      expect(blocks).toBe(false)
      expect(price).toBeCloseTo(whole - cost(switched!(plan, false)), 6)
      expect(price).toBeGreaterThanOrEqual(0)
    }
    expect(Math.max(...prices.map(({ price }) => price!))).toBeGreaterThan(0)
    expect(together).toBeGreaterThanOrEqual(Math.max(...prices.map(({ price }) => price!)))
  }, 60_000)
  it('names a condition that nothing meets', () => {
    const plan = planSchema.parse({
      name: 'x',
      ...households['in the bedroom'],
      brief: { place: 'bedroom', earDistanceM: 0.3 },
    })
    const { prices } = last(conditionPrices(plan, few, 'horizon'))
    expect(prices.filter(({ blocks }) => blocks).map(({ id }) => id)).toEqual(['quiet'])
    const { closest } = last<BestBuilds>(bestBuilds(plan, few))
    expect(closest.map(failedConditions)).toEqual([['quiet', 'madeForConversion']])
  }, 60_000)
})
