import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { WayOfBuilding } from '../catalogue/waysOfBuilding'
import { freshMachine } from '../machine/freshMachine'
import { newPart } from '../machine/partChanges'
import { ownEntry } from '../plan/constants'
import type { Plan } from '../plan/planSchema'
import { newDrives } from './newDrives'

/**
 * The plan with a build as its machine: base, parts, drives, layout and network port are the
 * build's; the need (household,
 * library, line, choices) stays as it is.
 */
export function adoptWay(
  plan: Plan,
  way: WayOfBuilding,
  { machineBases, hardware }: Pick<Catalogue, 'machineBases' | 'hardware'>,
): Plan {
  const { layout, fileSystem, ...lot } = way.drives
  return {
    ...plan,
    machine: freshMachine(
      plan.machine,
      { name: way.label, base: way.base, parts: way.parts.map(newPart) },
      { hardware },
    ),
    drives: {
      ...plan.drives,
      ...newDrives(plan.drives),
      lots: [
        {
          ...lot,
          model: ownEntry,
          group: 1,
          condition: 'new',
          role: 'any',
          warrantyMonths: null,
          goesInLast: false,
        },
      ],
      layout,
      fileSystem,
      driveClass: 'nas',
    },
    network: {
      ...plan.network,
      serverPortMbps: entryOf(machineBases, way.base)?.portMbps ?? plan.network.serverPortMbps,
    },
  }
}
