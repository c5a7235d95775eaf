import { computed, type ComputedRef } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { lackingText } from '~/components/tiers/lacksText'
import { useBackground } from './useBackground'

/** A plan that is told of by its name. */
export interface NamedPlan {
  readonly id: string
  readonly label: string
  readonly plan: Plan
}
export interface ShortPlan {
  readonly id: string
  readonly label: string
  /** what it lacks, in a sentence */
  readonly lacks: string
}

/** Which of some plans do not meet their need: what they cost is no price for what is needed. */
export function useFallsShort(plans: () => readonly NamedPlan[]): ComputedRef<ShortPlan[]> {
  const { result } = useBackground(
    'compare',
    () => (plans().length > 0 ? plans().map(({ plan }) => plan) : null),
    (work, asked) => work.shortOf(JSON.parse(JSON.stringify(asked)) as typeof asked),
  )
  return computed(() =>
    plans().flatMap(({ id, label }, at) => {
      const found = result.value?.length === plans().length ? result.value[at]! : null
      const lacks = found ? lackingText(found) : ''
      return lacks ? [{ id, label, lacks }] : []
    }),
  )
}
