import type { HardwarePart } from '../catalogue/hardware/hardwarePart'
import { machineSchema, type Machine } from '../plan/machine'
import { isUps } from '../plan/hasUps'

/**
 * Another machine in the place of a plan's own. What the plan says of parts and computers around
 * it, and of how it is used, stays; so does its UPS, which belongs to the wall and not to the
 * machine.
 */
export function freshMachine(
  { ownParts, atHand, diagnosisFee, startTogether, wantsEcc, monitorAtHand, parts }: Machine,
  machine: Pick<Machine, 'base' | 'parts'> & Partial<Machine>,
  { hardware }: { readonly hardware: readonly HardwarePart[] },
): Machine {
  return {
    ...machineSchema.parse({ base: machine.base }),
    ownParts,
    atHand,
    diagnosisFee,
    startTogether,
    wantsEcc,
    monitorAtHand,
    ...machine,
    parts: [...parts.filter(part => isUps(part, hardware)), ...machine.parts],
  }
}
