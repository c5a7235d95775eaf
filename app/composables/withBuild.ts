import type { Plan } from '~~/core/plan/planSchema'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'

/** The plan with a build as its machine and drives; name, budget and need stay. */
export function withBuild(plan: Plan, { plan: found }: Pick<WayBuild, 'plan'>): Plan {
  return {
    ...plan,
    machine: found.machine,
    drives: found.drives,
    network: { ...plan.network, serverPortMbps: found.network.serverPortMbps },
  }
}
