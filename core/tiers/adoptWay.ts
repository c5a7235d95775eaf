import type { WayOfBuilding } from '../catalogue/waysOfBuilding'
import { planSchema, type Plan } from '../plan/planSchema'

/**
 * The plan with a way of building as its machine: box, drives, layout and network port are taken from the way;
 * the need (household, library, line, choices) stays as it is.
 */
export function adoptWay(plan: Plan, way: WayOfBuilding): Plan {
  const { portMbps, idleW, loadW, ...box } = way.machine
  const { layout, fileSystem, ...lot } = way.drives
  return planSchema.parse({
    ...plan,
    machine: { ...box, boxIdleW: idleW, boxLoadW: loadW, name: way.label },
    drives: { ...plan.drives, lots: [{ ...lot, role: 'any' }], layout, fileSystem, hotSpares: 0, shingled: false, failuresPerYear: null, driveClass: 'nas' },
    network: { ...plan.network, serverPortMbps: portMbps },
  })
}
