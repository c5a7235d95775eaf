import type { Plan } from '../../plan/planSchema'
import { withStepEntry } from '../stepEntries'
import { steps } from '../steps'
import { joinTicks, type CarriedTick, type TickChange } from './carriedTicks'

/** The plan with what changes of steps, made for a basis. */
export function withTickChanges(plan: Plan, changes: readonly TickChange[], basis: string): Plan {
  return changes.reduce(
    (before, { step, after }) =>
      withStepEntry(before, step, { ...after, basis: after.state === 'open' ? '' : basis }),
    plan,
  )
}

const known: ReadonlySet<string> = new Set(steps.map(({ id }) => id))

/**
 * The plan with ticks joined to its own; the very same plan where they say nothing new. Of one step
 * the last tick counts, and steps that no run-book has are left out.
 */
export function withTicks(
  plan: Plan,
  { basis, ticks }: { readonly basis: string; readonly ticks: readonly CarriedTick[] },
): Plan {
  const last = [...new Map(ticks.map(tick => [tick.step, tick])).values()]
  const { changes } = joinTicks(plan.commissioning.steps, { ticks: last }, known)
  return withTickChanges(plan, changes, basis)
}
