import { machineSchema, type Machine } from '../plan/machine'

/**
 * Another machine in the place of a plan's own. What the plan says of parts and computers around
 * it, and of how it is used, stays.
 */
export function freshMachine(
  { ownParts, atHand, diagnosisFee, startTogether, wantsEcc, monitorAtHand }: Machine,
  machine: Pick<Machine, 'base' | 'parts'> & Partial<Machine>,
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
  }
}
