import { describe, expect, it, vi } from 'vitest'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { planSchema } from '~~/core/plan/planSchema'
import { createBuildSearch, finishSearch } from '~~/core/tiers/search/buildSearch'
import { createCoreWork } from './coreWork'

vi.mock('~~/core/catalogue/catalogue', async original => {
  const shipped = await original<typeof import('~~/core/catalogue/catalogue')>()
  const { fewModels } = await import('../../tests/stubs/smallCatalogue')
  return { ...shipped, catalogue: fewModels(shipped.catalogue) }
})

describe('computers at hand', () => {
  it(
    'are held against what costs least over the years of all that is bought, as Tiers finds ' +
      'it',
    () => {
      const plan = planSchema.parse({ ...tideMillHouse, brief: {} })
      const builds = createBuildSearch(plan, catalogue)
      const bought = (
        [
          'appliance',
          'office',
          'miniPc',
          'singleBoard',
          'laptop',
          'router',
          'rack',
          'selfBuilt',
        ] as const
      ).flatMap(
        way =>
          finishSearch(builds.search({ objective: 'horizon', ways: [way], cap: null })).best ?? [],
      )
      const [best] = bought.sort((a, b) => a.cost - b.cost)
      const { bought: told, computers } = createCoreWork().handBuilds(plan)
      expect(told!.horizonCost).toBeCloseTo(best!.cost, 6)
      expect(computers).toHaveLength(plan.machine.atHand.length)
      // A budget is no part of it.
      expect(
        createCoreWork().handBuilds({ ...plan, brief: { ...plan.brief, budget: 1 } }).bought!
          .horizonCost,
      ).toBe(told!.horizonCost)
      expect(
        createCoreWork().handBuilds(
          planSchema.parse({ ...tideMillHouse, brief: {}, library: { otherTB: 900 } }),
        ).bought,
      ).toBe(null)
    },
    60_000,
  )
})
