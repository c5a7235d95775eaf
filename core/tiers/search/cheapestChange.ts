import { planAssessor } from '../../assess'
import { drivesToPay } from '../../drives/drivePrices'
import type { Catalogue } from '../../catalogue/catalogue'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import { createBuildSearch } from './buildSearch'
import type { FoundBuild } from './buildQuestion'
import type { SearchResult } from './branchAndBound'
import { changedFrames } from './frames'
import { asSearched } from './asSearched'
import {
  maxSearchedDrives,
  offerMaker,
  searchedLayouts,
  searchedModels,
  type PoolOffer,
} from './poolOffers'

/** Ways of taking drives out are gone through one by one up to so many; beyond, by lot. */
export const maxWaysOut = 48

/**
 * How many drives of each lot are taken out: none first, then every way there is; where those are
 * too many, from one lot at a time, and all of them.
 */
export function waysOut(lots: readonly { readonly count: number }[]): number[][] {
  const none = lots.map(() => 0)
  const every = lots.reduce((product, { count }) => product * (count + 1), 1)
  if (every <= maxWaysOut)
    return lots.reduce<number[][]>(
      (ways, { count }) =>
        ways.flatMap(way => Array.from({ length: count + 1 }, (_, out) => [...way, out])),
      [[]],
    )
  return [
    none,
    ...lots.flatMap(({ count }, at) =>
      Array.from({ length: count }, (_, out) => none.with(at, out + 1)),
    ),
    ...(lots.length > 1 ? [lots.map(({ count }) => count)] : []),
  ]
}

/**
 * Drives of the plan as they are, without some, and with so many of one model beside them; under
 * the layout that they have, or under others too.
 */
export function changedPools(
  plan: Plan,
  catalogue: Catalogue,
  { newLayout, takesOut = false }: { readonly newLayout: boolean; readonly takesOut?: boolean },
): PoolOffer[] {
  const offer = offerMaker(plan, catalogue)
  const own = planAssessor(1).facts(plan, catalogue, ['drives']).drives.layoutId
  const layouts = [
    { layout: own, fileSystem: plan.drives.fileSystem },
    ...(newLayout ? searchedLayouts().filter(({ layout }) => layout !== own) : []),
  ]
  const models = searchedModels(catalogue)
  const ways = takesOut ? waysOut(plan.drives.lots) : [plan.drives.lots.map(() => 0)]
  return layouts.flatMap(({ layout, fileSystem }) =>
    ways.flatMap(out => {
      const kept = plan.drives.lots.flatMap((lot, at) =>
        lot.count > out[at]! ? [{ ...lot, count: lot.count - out[at]! }] : [],
      )
      const there = kept.reduce((sum, { count }) => sum + count, 0)
      const priced = (choice: PoolOffer['choice'], added: Plan['drives']['lots']): PoolOffer[] => {
        const drives = { ...plan.drives, layout, fileSystem, lots: [...kept, ...added] }
        const made = offer(choice, drives)
        // What is in the plan already is not paid again by the change.
        const price = drivesToPay({ ...plan.drives, lots: added }, catalogue)
        return made ? [{ ...made, price }] : []
      }
      const base = {
        driveClass: plan.drives.driveClass,
        layout,
        fileSystem,
        keepsOwned: true,
        ...(out.some(count => count > 0) ? { takesOut: out } : {}),
      }
      return [
        ...(there > 0 ? priced({ ...base, sizeTB: 0, count: 0 }, []) : []),
        ...models.flatMap(({ id, sizeTB }) =>
          Array.from({ length: Math.max(0, maxSearchedDrives - there) }, (_, at) => at + 1).flatMap(
            count =>
              priced({ ...base, model: id, sizeTB, count }, [
                {
                  count,
                  sizeTB,
                  model: id,
                  group: 1,
                  condition: 'new',
                  priceEach: null,
                  warrantyMonths: null,
                  goesInLast: false,
                  role: 'any',
                },
              ]),
          ),
        ),
      ]
    }),
  )
}

/**
 * The cheapest set of parts and drives that are added to a plan, or take the place of those in it,
 * so that it meets its need; where nothing meets its conditions too, without those. What drives
 * hold that are taken out is moved first; nothing is counted for what is taken out. Of equals the
 * one that moves the fewest parts and drives, then one under the same layout, then as builds do.
 */
export function* cheapestChange(
  plan: Plan,
  shipped: Catalogue,
  { newLayout }: { readonly newLayout: boolean },
): Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>> {
  const catalogue = effectiveCatalogue(plan, shipped)
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, shipped, {
    frames: changedFrames(plan, catalogue),
    pools: changedPools(asSearched(plan, shipped).plan, catalogue, { newLayout, takesOut: true }),
  })
  const question = { objective: 'change', ways: null, cap: null } as const
  const asked = yield* builds.search(question)
  // A machine that is there may be too warm or too loud for its place, whatever is put into it.
  return asked.best ? asked : yield* builds.search({ ...question, withoutConditions: true })
}
