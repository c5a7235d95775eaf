import type { Plan } from '~~/core/plan/planSchema'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'

/**
 * The plan with a build as its machine, system and drives, and with the copy away that comes with
 * it; name, budget and need stay.
 */
export function withBuild(plan: Plan, { plan: found }: Pick<WayBuild, 'plan'>): Plan {
  // Of two machines the second one pays nothing that is the household's.
  const { extras, licenceOnce, licencePerYear, savedPerMonth } = found.costs
  return {
    ...plan,
    machine: found.machine,
    drives: found.drives,
    system: found.system,
    library: found.library,
    costs: { ...plan.costs, extras, licenceOnce, licencePerYear, savedPerMonth },
    network: { ...plan.network, serverPortMbps: found.network.serverPortMbps },
  }
}
