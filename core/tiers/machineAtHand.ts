import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { AtHand } from '../plan/atHand'
import { machineSchema, type Machine } from '../plan/machine'
import type { Plan } from '../plan/planSchema'

/** The machine that a computer at hand makes. */
export function machineAtHand({
  name,
  ref,
  score,
  memoryGB,
  bays,
  idleW,
  usedHoursPerDay,
  usedShare,
  usedEngineToo,
  restartsPerWeek,
}: AtHand): Machine {
  return machineSchema.parse({
    name,
    base: ref,
    condition: 'owned',
    score,
    memoryGB,
    bays,
    boxIdleW: idleW,
    usedHoursPerDay,
    usedShare,
    usedEngineToo,
    restartsPerWeek,
  })
}

/** Chance that something is dead, by when it was last seen working. */
export const deadChances: Readonly<Record<AtHand['lastSeen'], number>> = {
  daily: 0.02,
  year: 0.08,
  years: 0.2,
  never: 0.35,
}

/** Chance that a computer at hand is dead: as entered, else by when it was last seen working. */
export function deadChanceOf({ deadChance, lastSeen }: AtHand): number {
  return deadChance ?? deadChances[lastSeen]
}

/** What it costs to count on a computer at hand, in the plan's currency. */
export interface RiskAtHand {
  /** chance that it is dead × (a like one + finding out) */
  readonly dead: number
  /** what it would bring, were it sold */
  readonly worth: number
  readonly sum: number
}

/**
 * A like one for a computer that no entry of the catalogue describes costs as much as the cheapest
 * refurbished machine.
 */
export function riskAtHand(
  computer: AtHand,
  {
    plan,
    catalogue: { machineBases },
  }: { readonly plan: Plan; readonly catalogue: Pick<Catalogue, 'machineBases'> },
): RiskAtHand {
  const refurbished = machineBases
    .filter(({ sold, price }) => sold === 'refurbished' && price > 0)
    .map(({ price }) => price)
  const like =
    entryOf(machineBases, computer.ref)?.price ??
    (refurbished.length ? Math.min(...refurbished) : 0)
  const dead = deadChanceOf(computer) * (like + plan.machine.diagnosisFee)
  return { dead, worth: computer.worth, sum: dead + computer.worth }
}
