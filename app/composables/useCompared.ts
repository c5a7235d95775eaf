import { computed, ref, shallowRef, watch } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { planApi } from '~/services/planApi'
import { usePlanStore } from '~/stores/planStore'
import { useOtherPlans } from './useOtherPlans'
import { useWays } from './useWays'
import { withBuild } from './withBuild'

/** Something that can stand beside the open plan: a way that was found, or another plan. */
export interface Comparable {
  readonly id: string
  readonly label: string
  readonly kind: 'open' | 'way' | 'plan'
}
export interface Compared extends Comparable {
  readonly plan: Plan
}

export const maxCompared = 5
/**
 * What was chosen last; one choice for all sections. Null: the open plan and the two cheapest ways.
 */
const chosen = ref<readonly string[] | null>(null)

/** Plans and ways side by side. */
export function useCompared() {
  const store = usePlanStore()
  const ways = useWays()
  const plans = useOtherPlans()
  const loaded = shallowRef<Readonly<Record<string, Plan>>>({})
  const options = computed((): Comparable[] => [
    { id: 'open', label: `${store.plan?.name ?? ''} (this plan)`, kind: 'open' },
    ...ways.best.value
      .filter(({ way, second }) => way !== 'stay' && second === null)
      .map(({ way, label }): Comparable => ({ id: `way-${way}`, label, kind: 'way' })),
    ...plans.value
      .filter(({ id, archived }) => id !== store.id && !archived)
      .map(({ id, name }): Comparable => ({ id, label: name, kind: 'plan' })),
  ])
  const ids = computed(
    () =>
      chosen.value ?? [
        'open',
        ...options.value
          .filter(({ kind }) => kind === 'way')
          .slice(0, 2)
          .map(({ id }) => id),
      ],
  )
  const planOf = ({ id, kind }: Comparable): Plan | null => {
    if (kind === 'open') return store.plan
    if (kind === 'plan') return loaded.value[id] ?? null
    const build = ways.best.value.find(({ way }) => `way-${way}` === id)
    return build && store.plan ? withBuild(store.plan, build) : null
  }
  const chosenPlans = computed((): Compared[] =>
    ids.value.flatMap(id => {
      const option = options.value.find(candidate => candidate.id === id)
      const plan = option && planOf(option)
      return option && plan ? [{ ...option, plan }] : []
    }),
  )
  const isAlike = ({ plan }: Compared) => plan.brief.currency === store.plan?.brief.currency
  const compared = computed(() => chosenPlans.value.filter(isAlike))
  /** left out, because currencies are not exchanged */
  const otherCurrency = computed(() => chosenPlans.value.filter(one => !isAlike(one)))
  watch(
    [ids, options],
    async () => {
      for (const id of ids.value) {
        if (
          loaded.value[id] ||
          !options.value.some(option => option.id === id && option.kind === 'plan')
        )
          continue
        const stored = await planApi.get(id).catch(() => null)
        if (stored) loaded.value = { ...loaded.value, [id]: stored.plan }
      }
    },
    { immediate: true },
  )
  function choose(next: readonly string[]): void {
    chosen.value = next.slice(0, maxCompared)
  }
  return { ways, options, ids, compared, otherCurrency, choose }
}
