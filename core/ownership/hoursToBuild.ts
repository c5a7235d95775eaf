import type { BaseClass } from '../catalogue/machineBases'
import type { MachineBuild } from '../machine/machineBuild'

/**
 * Own hours of choosing, building and setting up, by how a machine is sold; handbook 08: a sealed
 * machine 10, a refurbished or mini PC 12, a self-built one 18, a used rack server 20.
 */
export const hoursByWay: Readonly<Record<BaseClass, number>> = {
  appliance: 10,
  router: 10,
  laptop: 10,
  office: 12,
  miniPc: 12,
  singleBoard: 12,
  kit: 18,
  rack: 20,
}

/** Own hours to build a machine, where nobody entered them; one's own computer is a PC. */
export const hoursToBuild = ({
  base,
  isFromParts,
}: Pick<MachineBuild, 'base' | 'isFromParts'>): number =>
  hoursByWay[base?.class ?? (isFromParts ? 'kit' : 'office')]
