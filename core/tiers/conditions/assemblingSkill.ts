import type { BaseClass } from '../../catalogue/machineBases'
import { automaticSystem } from '../../plan/constants'
import type { Plan } from '../../plan/planSchema'

/** Skill that counts where nothing is said; and the most there is: it leaves nothing out. */
export const usualSkill = 3
export const mostSkill = 5

/** What it takes to put a machine together, by how it is sold: 1 a sealed one, 4 a rack server. */
export const assemblingSkill: Readonly<Record<BaseClass, number>> = {
  appliance: 1,
  router: 1,
  laptop: 1,
  office: 2,
  miniPc: 2,
  singleBoard: 2,
  kit: 3,
  rack: 4,
}

/** The skill that a machine and its system may ask for; a system that was chosen is within it. */
export function skillAtHand(
  { system }: Pick<Plan, 'system'>,
  systemKinds: readonly { readonly id: string; readonly skill: number }[],
): number {
  if (system.skillAtMost !== null) return system.skillAtMost
  const chosen =
    system.kind === automaticSystem ? undefined : systemKinds.find(({ id }) => id === system.kind)
  return Math.max(usualSkill, chosen?.skill ?? 0)
}
