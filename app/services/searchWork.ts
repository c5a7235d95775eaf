import { catalogue } from '~~/core/catalogue/catalogue'
import type { Plan } from '~~/core/plan/planSchema'
import { flipBars, type Compared, type Flips } from '~~/core/tiers/sensitivity'
import type { SearchResult } from '~~/core/tiers/search/branchAndBound'
import type { FoundBuild, Objective } from '~~/core/tiers/search/buildQuestion'
import { conditionPrices, type ConditionPrices } from '~~/core/tiers/conditions/conditionPrices'
import { bestBuilds, type BestBuilds } from '~~/core/tiers/search/bestBuilds'
import { cheapestChange } from '~~/core/tiers/search/cheapestChange'
import { clashOf, type Clash } from '~~/core/tiers/search/clash'
import { frontier, type FrontierAxis, type FrontierProgress } from '~~/core/tiers/search/frontier'
import { partNames } from '~~/core/tiers/search/names'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { upgradePath, type UpgradeStep } from '~~/core/tiers/search/upgradePath'
import { wayBuild, withConditions, type WayBuild } from '~~/core/tiers/search/wayBuild'
import { joinClauses } from '~~/core/verdictClauses'
import { wayRows, type Tier, type WaysProgress } from '~~/core/tiers/search/wayRows'

/** What can be searched for, with what each is asked and what it answers. */
export interface Searches {
  ways: {
    question: { readonly objective: Objective; readonly tiers: readonly Tier[] }
    progress: WaysProgress
  }
  frontier: {
    question: { readonly axis: FrontierAxis; readonly objective: Objective }
    progress: FrontierProgress
  }
  change: {
    question: { readonly newLayout: boolean }
    progress: {
      readonly nodes: number
      /** takenOut: drives, as '2 × 4 TB' */
      readonly build:
        | (WayBuild & { readonly parts: string; readonly takenOut: string; readonly price: number })
        | null
      readonly done: boolean
    }
  }
  /** which one to buy, for the need and within the budget that is named here too */
  best: { question: { readonly budget: number | null }; progress: BestBuilds }
  prices: { question: { readonly objective: Objective }; progress: ConditionPrices }
  clash: { question: null; progress: Clash | null }
  upgrade: { question: null; progress: readonly UpgradeStep[] }
  flips: { question: readonly Compared[]; progress: Flips }
}
export type SearchKind = keyof Searches

type Steps = Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>>
/** A search with each of its reports, and its end, told in another way. */
function* told<Told>(
  steps: Steps,
  tell: (result: SearchResult<FoundBuild>, done: boolean) => Told,
): Generator<Told, Told> {
  for (;;) {
    const step = steps.next()
    if (step.done) return tell(step.value, true)
    yield tell(step.value, false)
  }
}
const changes = (plan: Plan, question: Searches['change']['question']) =>
  told(
    cheapestChange(plan, catalogue, question),
    ({ best, nodes }, done): Searches['change']['progress'] => ({
      nodes,
      done,
      build: best && {
        ...(done ? withConditions(wayBuild(best.found), catalogue) : wayBuild(best.found)),
        parts: partNames(best.found.refs, effectiveCatalogue(plan, catalogue)),
        takenOut: joinClauses(
          (best.found.pool.choice.takesOut ?? []).flatMap((count, at) =>
            count > 0 ? [`${count} × ${plan.drives.lots[at]!.sizeTB} TB`] : [],
          ),
        ),
        price: best.cost,
      },
    }),
  )
// eslint-disable-next-line require-yield -- answered in one piece
function* once<Result>(work: () => Result): Generator<Result, Result> {
  return work()
}

type Runs = {
  [Kind in SearchKind]: (
    plan: Plan,
    question: Searches[Kind]['question'],
  ) => Generator<Searches[Kind]['progress'], Searches[Kind]['progress']>
}
const runs: Runs = {
  ways: (plan, question) => wayRows(plan, catalogue, question),
  frontier: (plan, question) => frontier(plan, catalogue, question),
  change: changes,
  best: plan => bestBuilds(plan, catalogue),
  prices: (plan, { objective }) => conditionPrices(plan, catalogue, objective),
  clash: plan => once(() => clashOf(plan, catalogue)),
  upgrade: plan => once(() => upgradePath(plan, catalogue)),
  flips: (_, compared) => once(() => flipBars(compared, catalogue)),
}

/** Between two reports, ms. */
const reportEveryMs = 150

/**
 * Searches of the core, for a worker of their own: each tells how far it is, and ends with its
 * answer.
 */
export const searchWork = {
  run<Kind extends SearchKind>(
    kind: Kind,
    plan: Plan,
    question: Searches[Kind]['question'],
    report: (progress: Searches[Kind]['progress']) => void,
  ): Searches[Kind]['progress'] {
    const steps = runs[kind](plan, question)
    let last = performance.now()
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
      if (performance.now() - last < reportEveryMs) continue
      last = performance.now()
      report(step.value)
    }
  },
}
export type SearchWork = typeof searchWork
