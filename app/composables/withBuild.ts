import type { Plan } from '~~/core/plan/planSchema'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'

/**
 * The plan with a build as its machine, system and drives, with the copy away that comes with it
 * and the vents that it counts on; name, budget and need stay.
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
    brief: { ...plan.brief, cupboardVented: found.brief.cupboardVented },
    network: { ...plan.network, serverPortMbps: found.network.serverPortMbps },
  }
}

/** Whether a build counts on vents in the cupboard that are still to be made. */
export function makesVents({ brief }: Plan, { plan }: Pick<WayBuild, 'plan'>): boolean {
  return plan.brief.cupboardVented && !brief.cupboardVented
}
/** What is to be done then. */
export const ventsText = 'Make vents in the cupboard, below and above.'
