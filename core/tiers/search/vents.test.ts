import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue as shipped } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { fewModels } from '../../../tests/stubs/smallCatalogue'
import { createBuildSearch, finishSearch } from './buildSearch'
import { withVents } from './vents'

const few = fewModels(shipped)
/** 8 TB in a cupboard, warm or cool. */
const inCupboard = (brief: PlanInput['brief']) =>
  planSchema.parse({
    name: 'x',
    household: { watchingHome: 1, converted: 1 },
    library: { otherTB: 8 },
    brief: { place: 'cupboard', roomHighC: 28, cupboardM2: 1.8, ...brief },
  })
const best = (plan: ReturnType<typeof inCupboard>) =>
  finishSearch(createBuildSearch(plan, few).search({ objective: 'horizon', ways: null, cap: null }))
    .best
const warmest = (plan: ReturnType<typeof inCupboard>) =>
  assess(plan, few).domains.fitting.context.heat.warmestC

describe('vents that may be made in the cupboard', () => {
  it('are counted on where drives would get too warm without, and applied with the build', () => {
    const closed = inCupboard({ roomHighC: 33, cupboardM2: 1 })
    const open = inCupboard({ roomHighC: 33, cupboardM2: 1, ventsMayBeMade: true })
    const found = best(open)!
    const { plan } = found.found
    expect(plan.brief.cupboardVented).toBe(true)
    expect(warmest(plan)).toBeLessThanOrEqual(45)
    expect(warmest({ ...plan, brief: { ...plan.brief, cupboardVented: false } })).toBeGreaterThan(
      45,
    )
    // Without leave to make them it costs more, or nothing meets the need.
    expect(best(closed)?.cost ?? Infinity).toBeGreaterThan(found.cost)
    expect(best(closed)?.found.plan.brief.cupboardVented ?? false).toBe(false)
  })
  it('are as good as a cupboard that has them, whatever the room and its walls', () => {
    for (const roomHighC of [20, 30, 34, 38])
      for (const cupboardM2 of [0.6, 1.8]) {
        const brief = { roomHighC, cupboardM2 }
        const may = best(inCupboard({ ...brief, ventsMayBeMade: true }))
        const has = best(inCupboard({ ...brief, cupboardVented: true }))
        const not = best(inCupboard(brief))
        const at = `${roomHighC} °C, ${cupboardM2} m²`
        expect(may?.cost ?? null, at).toBe(has?.cost ?? null)
        expect(may?.cost ?? Infinity, at).toBeLessThanOrEqual(not?.cost ?? Infinity)
        // They are made where they are needed, and left where they are there.
        if (may) {
          const closed = {
            ...may.found.plan,
            brief: { ...may.found.plan.brief, cupboardVented: false },
          }
          expect(may.found.plan.brief.cupboardVented, at).toBe(warmest(closed) > 45)
        }
        if (has) expect(has.found.plan.brief.cupboardVented, at).toBe(true)
      }
  }, 120_000)
  it('are made nowhere else, and not where nobody said where it stands', () => {
    for (const place of ['notSaid', 'livingRoom', 'cellar'] as const) {
      const plan = inCupboard({ place, ventsMayBeMade: true })
      expect(withVents(plan)).toBe(plan)
    }
    const there = inCupboard({ ventsMayBeMade: true, cupboardVented: true })
    expect(withVents(there)).toBe(there)
    expect(withVents(inCupboard({ ventsMayBeMade: true })).brief.cupboardVented).toBe(true)
  })
})
