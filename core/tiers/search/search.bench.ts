import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { usualTiers } from '../../plan/constants'
import { planSchema } from '../../plan/planSchema'
import { seededRandom } from '../../random'
import { runSearch, sorted, type SearchProblem } from './branchAndBound'
import { createBuildSearch } from './buildSearch'
import type { Objective } from './buildQuestion'

const demo = planSchema.parse({ ...tideMillHouse, brief: { ...tideMillHouse.brief, budget: null } })

/** What a search over the whole catalogue comes to, with its times from a cold start. */
export interface TimedSearch {
  readonly name: string
  readonly cost: number | null
  readonly nodes: number
  readonly leaves: number
  readonly toBestMs: number
  readonly toProofMs: number
}

export function timedSearches(now: () => number): TimedSearch[] {
  return (['horizon', 'now'] as const satisfies readonly Objective[]).flatMap(objective =>
    [...usualTiers, { name: 'Any price', cap: Infinity }].map(({ name, cap }): TimedSearch => {
      const started = now()
      const steps = createBuildSearch(demo, catalogue).search({
        objective,
        ways: null,
        cap: cap === Infinity ? null : cap,
      })
      let [best, toBestMs] = [Infinity, 0]
      for (let step = steps.next(); ; step = steps.next()) {
        const cost = step.value.best?.cost ?? Infinity
        if (cost < best) [best, toBestMs] = [cost, now() - started]
        if (step.done)
          return {
            name: `${objective === 'now' ? 'cheapest now' : 'cheapest over the years'}, ${name}`,
            cost: step.value.best?.cost ?? null,
            nodes: step.value.nodes,
            leaves: step.value.leaves,
            toBestMs,
            toProofMs: now() - started,
          }
      }
    }),
  )
}

export interface Choosing {
  readonly prices: readonly (readonly number[])[]
  readonly goods: readonly (readonly number[])[]
  readonly least: number
}

/**
 * One of each group, at least so much of a good, at the least price: so many groups of so many
 * options.
 */
export function choosing(groups: number, options: number): Choosing {
  const draw = seededRandom(5)
  const table = (most: number) =>
    Array.from({ length: groups }, () =>
      Array.from({ length: options }, () => Math.floor(draw() * most)),
    )
  return { prices: table(100), goods: table(10), least: groups * 6 }
}
/** The same by the engine of the search; the least price. */
export function solveChoosing({ prices, goods, least }: Choosing): number | null {
  const rest = prices.map((_, at) =>
    prices.slice(at).reduce((sum, options) => sum + Math.min(...options), 0),
  )
  const maxGoods = goods.map((_, at) =>
    goods.slice(at).reduce((sum, options) => sum + Math.max(...options), 0),
  )
  interface State {
    readonly at: number
    readonly price: number
    readonly amount: number
  }
  const problem: SearchProblem<State, null> = {
    root: { at: 0, price: 0, amount: 0 },
    branch: ({ at, price, amount }) =>
      at === prices.length
        ? null
        : sorted(
            prices[at]!.flatMap((each, pick) => {
              const state = { at: at + 1, price: price + each, amount: amount + goods[at]![pick]! }
              return state.amount + (maxGoods[at + 1] ?? 0) < least
                ? []
                : [{ state, bound: state.price + (rest[at + 1] ?? 0) }]
            }),
          ),
    finish: ({ price, amount }) => (amount >= least ? { cost: price, found: null } : null),
    compare: () => 0,
  }
  return runSearch(problem).best?.cost ?? null
}
