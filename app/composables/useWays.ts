import { computed, ref } from 'vue'
import { usualTiers } from '~~/core/plan/constants'
import type { Plan } from '~~/core/plan/planSchema'
import type { Objective } from '~~/core/tiers/search/buildQuestion'
import { isSameBuild, yearsCost, type WayBuild } from '~~/core/tiers/search/wayBuild'
import { planApi } from '~/services/planApi'
import { usePlanStore } from '~/stores/planStore'
import { useProposal } from './useProposal'
import { useSearch } from './useSearch'
import { withBuild } from './withBuild'

/** What the search makes cheapest: one choice for all sections. */
const objective = ref<Objective>('horizon')
export const useObjective = () => objective

/** The tiers of a plan, the cheapest first. */
export function tiersOf(
  plan: Plan | null,
): readonly { readonly name: string; readonly cap: number }[] {
  return plan?.costs.tiers.length ? [...plan.costs.tiers].sort((a, b) => a.cap - b.cap) : usualTiers
}

/** What can be done with a build, whichever search found it. */
export function useBuildActions() {
  const store = usePlanStore()
  const proposal = useProposal()
  const planOf = (build: WayBuild | null) =>
    build && store.plan && build.way !== 'stay' && build.second === null
      ? withBuild(store.plan, build)
      : null
  const look = (build: WayBuild | null) => proposal.look(planOf(build))
  const apply = (build: WayBuild) => proposal.apply(planOf(build))
  /**
   * Keeps a build as a plan of its own, beside this one; of two machines each as one. The id of the
   * first.
   */
  async function fork(build: WayBuild): Promise<string> {
    const { plan } = store
    const keep = (kept: Pick<WayBuild, 'plan' | 'label'>) =>
      planApi.create({
        ...withBuild(plan!, kept),
        name: `${plan!.name.slice(0, 50)}: ${kept.label.slice(0, 26)}`,
      })
    const { id } = await keep(build.second ? { plan: build.plan, label: 'stores' } : build)
    if (build.second) await keep({ plan: build.second.plan, label: 'converts' })
    return id
  }
  return { look, apply, fork }
}

/** Every way of building for the open plan, as the search finds them. */
export function useWays() {
  const store = usePlanStore()
  const tiers = computed(() => tiersOf(store.plan))
  const search = useSearch('ways', () => ({ objective: objective.value, tiers: tiers.value }))
  const rows = computed(() => search.progress.value?.rows ?? [])
  /**
   * the cheapest that meets the need, of each way; the cheapest first. What the plan has already is
   * told once, as staying.
   */
  const best = computed(() => {
    const found = rows.value.flatMap(({ best: build }) => (build ? [build] : []))
    const stays = found.find(({ way }) => way === 'stay')
    return found
      .filter(build => build === stays || !stays || !isSameBuild(build, stays))
      .sort((a, b) => costOf(a) - costOf(b))
  })
  const costOf = (build: WayBuild) => (objective.value === 'now' ? build.toPay : yearsCost(build))

  return { ...search, rows, best, tiers, objective, costOf, ...useBuildActions() }
}
