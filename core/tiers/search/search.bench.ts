import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { usualTiers } from '../../plan/constants'
import { planSchema } from '../../plan/planSchema'
import { conditionPrices } from '../conditions/conditionPrices'
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

/** Prices of all conditions of the demo, from a cold start: until the first report, and all. */
export function timedPrices(now: () => number): { toFirstMs: number; totalMs: number } {
  const started = now()
  const steps = conditionPrices(planSchema.parse(tideMillHouse), catalogue, 'horizon')
  let step = steps.next()
  const toFirstMs = now() - started
  while (!step.done) step = steps.next()
  return { toFirstMs, totalMs: now() - started }
}
