import fc from 'fast-check'
import { expect, it } from 'vitest'
import { catalogue as shipped, type Catalogue } from '../../catalogue/catalogue'
import { planSchema, type Plan, type PlanInput } from '../../plan/planSchema'
import { fewModels } from '../../../tests/stubs/smallCatalogue'
import { bestBuilds } from './bestBuilds'
import { cheapestChange } from './cheapestChange'
import { frontier } from './frontier'
import { handBuilds } from './handBuilds'
import { meetsAll, withConditions, yearsCost, type WayBuild } from './wayBuild'
import { wayRows } from './wayRows'

const few = fewModels(shipped)
const boards = ['lych-15', 'sluicegate-21', 'hatch-17']
const catalogue: Catalogue = {
  ...few,
  hardware: few.hardware.filter(({ kind, id }) => kind !== 'board' || boards.includes(id)),
}

function last<Progress>(steps: Generator<unknown, Progress>): Progress {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** The first point of a frontier, without the rest. */
function firstPoint(steps: ReturnType<typeof frontier>): WayBuild | null {
  for (;;) {
    const step = steps.next()
    if (step.done || step.value.points.length > 0) return step.value.points[0] ?? null
  }
}

const conditions = fc.record({
  copyAway: fc.boolean(),
  limitsLoss: fc.boolean(),
  noUsbLayouts: fc.boolean(),
  coolDrives: fc.boolean(),
  refurbishedMachines: fc.boolean(),
  refurbishedDrives: fc.boolean(),
  spareBays: fc.constantFrom(0, 0, 1),
})
/** Plans as a household may enter them, odd ones too. */
const plans: fc.Arbitrary<Plan> = fc
  .record({
    viewers: fc.record({
      watchingHome: fc.nat(5),
      watchingAway: fc.nat(3),
      converted: fc.nat(3),
    }),
    films: fc.constantFrom(1, 80, 600),
    photos: fc.constantFrom(0, 0, 20_000),
    otherTB: fc.constantFrom(0, 0, 3),
    budget: fc.constantFrom(null, null, 250, 600, 1400),
    place: fc.constantFrom('notSaid' as const, 'cupboard' as const, 'bedroom' as const),
    survivesAtLeast: fc.constantFrom(null, null, 0, 1, 2),
    asked: conditions,
    owned: fc.constantFrom(0, 0, 1, 3),
    atHand: fc.constantFrom(0, 0, 1),
    pricePerKWh: fc.constantFrom(0, 0.3, 0.9),
  })
  .map(({ viewers, films, photos, otherTB, budget, place, survivesAtLeast, ...rest }) => {
    const input: PlanInput = {
      name: 'drawn',
      household: { ...viewers, converted: Math.min(viewers.converted, viewers.watchingHome) },
      library: {
        otherTB,
        holdings: [
          { quality: 'hd1080-hevc', titles: films },
          ...(photos ? [{ kind: 'photos', quality: 'photo', titles: photos } as const] : []),
        ],
      },
      brief: { budget, place },
      choices: { survivesAtLeast },
      conditions: rest.asked,
      costs: { pricePerKWh: rest.pricePerKWh },
      machine: { atHand: rest.atHand ? [{ ref: 'clerk-17', lastSeen: 'daily' }] : [] },
      drives: {
        lots: rest.owned ? [{ count: rest.owned, sizeTB: 8, condition: 'owned' }] : [],
      },
    }
    return planSchema.parse(input)
  })

/** Of ways that hold one machine, the least that one of them costs. */
const least = (
  builds: readonly (WayBuild | null)[],
  costOf: (build: WayBuild) => number,
): number | null => {
  const costs = builds.flatMap(build => (build && !build.second ? [costOf(build)] : []))
  return costs.length ? Math.min(...costs) : null
}
/** More by a script: ANSWERS=200. */
const drawn = Number(process.env.ANSWERS ?? 1)

it('whoever says what to buy says the same, in plans drawn by lot', () => {
  for (const [at, plan] of fc.sample(plans, { numRuns: drawn, seed: 925 }).entries()) {
    const { budget } = plan.brief
    const tiers = [{ name: 'budget', cap: budget ?? 1e6 }]
    const rows = (objective: 'horizon' | 'now') =>
      last(wayRows(plan, catalogue, { objective, tiers })).rows.map(
        ({ tiers: within }) => within[0]!.build,
      )
    const start = last(bestBuilds(plan, catalogue))
    const bestBy = (because: 'years' | 'now') =>
      start.builds.find(({ because: all }) => all.includes(because))?.build ?? null
    const costs = (build: WayBuild | null, costOf: (one: WayBuild) => number) =>
      build && costOf(build)
    const near = (one: number | null, other: number | null, what: string) =>
      other === null
        ? expect(one, `${what} of plan ${at}`).toBe(null)
        : expect(one, `${what} of plan ${at}`).toBeCloseTo(other, 5)
    near(costs(bestBy('years'), yearsCost), least(rows('horizon'), yearsCost), 'years')
    near(
      costs(bestBy('now'), ({ toPay }) => toPay),
      least(rows('now'), ({ toPay }) => toPay),
      'now',
    )
    for (const { build } of start.builds) {
      expect(meetsAll(withConditions(build, catalogue)), `${build.label} of plan ${at}`).toBe(true)
      expect(build.toPay).toBeLessThanOrEqual((budget ?? Infinity) + 0.01)
    }
    // Without a limit, and but for staying, the frontier begins with the best over the years.
    const free = { ...plan, brief: { ...plan.brief, budget: null } }
    const first = firstPoint(frontier(free, catalogue, { axis: 'roomTB', objective: 'horizon' }))
    near(
      costs(first, yearsCost),
      least(
        last(wayRows(free, catalogue, { objective: 'horizon', tiers: [] })).rows.flatMap(
          ({ way, best }) => (way === 'stay' ? [] : [best]),
        ),
        yearsCost,
      ),
      'frontier',
    )
    const hand = handBuilds(plan, catalogue)
    for (const { build } of hand.computers)
      if (build)
        expect(yearsCost(build)).toBeGreaterThanOrEqual(
          (costs(bestBy('years'), yearsCost) ?? 0) - 1e-6,
        )
    // A change that is offered does what it says.
    if (plan.machine.base === 'own') continue
    const change = last(cheapestChange(plan, catalogue, { newLayout: true })).best
    if (change) expect(change.cost).toBeGreaterThanOrEqual(0)
  }
}, 600_000)
