import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { effectiveCatalogue } from '../../plan/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import { createBuildSearch } from './buildSearch'
import type { FoundBuild } from './buildQuestion'
import type { SearchResult } from './branchAndBound'
import { ownFrame } from './frames'
import { withCopyAway } from './withCopyAway'
import {
  maxSearchedDrives,
  offerMaker,
  searchedLayouts,
  searchedModels,
  type PoolOffer,
} from './poolOffers'

/**
 * Drives of the plan as they are, and with so many of one model beside them; under the layout that
 * they have, or under others too.
 */
export function changedPools(plan: Plan, catalogue: Catalogue, newLayout: boolean): PoolOffer[] {
  const offer = offerMaker(plan, catalogue)
  const own = planAssessor(1).facts(plan, catalogue, ['drives']).drives.layoutId
  const there = plan.drives.lots.reduce((sum, { count }) => sum + count, 0)
  const layouts = [
    { layout: own, fileSystem: plan.drives.fileSystem },
    ...(newLayout ? searchedLayouts().filter(({ layout }) => layout !== own) : []),
  ]
  const free = {
    ...plan,
    drives: {
      ...plan.drives,
      lots: plan.drives.lots.map(lot => ({ ...lot, condition: 'owned' as const })),
    },
  }
  return layouts.flatMap(({ layout, fileSystem }) => {
    const drivesWith = (lots: Plan['drives']['lots']): Plan['drives'] => ({
      ...plan.drives,
      layout,
      fileSystem,
      lots,
    })
    const priced = (choice: PoolOffer['choice'], lots: Plan['drives']['lots']): PoolOffer[] => {
      // What is in the plan already is not paid again by the change.
      const made = offer(choice, drivesWith(lots))
      const added =
        made &&
        offer(choice, drivesWith([...free.drives.lots, ...lots.slice(plan.drives.lots.length)]))
      return made && added ? [{ ...made, price: added.price }] : []
    }
    const base = { driveClass: plan.drives.driveClass, layout, fileSystem, keepsOwned: true }
    const asIs = there > 0 ? priced({ ...base, sizeTB: 0, count: 0 }, plan.drives.lots) : []
    return [
      ...asIs,
      ...searchedModels(catalogue).flatMap(({ id, sizeTB }) =>
        Array.from({ length: Math.max(0, maxSearchedDrives - there) }, (_, at) => at + 1).flatMap(
          count =>
            priced({ ...base, model: id, sizeTB, count }, [
              ...plan.drives.lots,
              {
                count,
                sizeTB,
                model: id,
                group: 1,
                condition: 'new',
                priceEach: null,
                warrantyMonths: null,
                role: 'any',
              },
            ]),
        ),
      ),
    ]
  })
}

/**
 * The cheapest set of parts and drives that are added to a plan, or take the place of parts of it,
 * so that it meets its need; where nothing meets its conditions too, without those. Nothing is
 * counted for what is taken out. Of equals the one that moves the fewest parts and drives, then one
 * under the same layout, then as builds do.
 */
export function* cheapestChange(
  plan: Plan,
  shipped: Catalogue,
  { newLayout }: { readonly newLayout: boolean },
): Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>> {
  const catalogue = effectiveCatalogue(plan, shipped)
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, shipped, {
    frames: [ownFrame(plan, catalogue, true)],
    pools: changedPools(withCopyAway(plan, shipped).plan, catalogue, newLayout),
  })
  const question = { objective: 'change', ways: null, cap: null } as const
  const asked = yield* builds.search(question)
  // A machine that is there may be too warm or too loud for its place, whatever is put into it.
  return asked.best ? asked : yield* builds.search({ ...question, withoutConditions: true })
}
