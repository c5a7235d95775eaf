import { planAssessor } from '../assess'
import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { MachineBase } from '../catalogue/machineBases'
import type { MemoryModule } from '../catalogue/memoryModules'
import { newPart } from '../machine/partChanges'
import { averagePricePerKWh } from '../plan/energyPrice'
import { kWhPerWattYear } from '../units/time'
import type { AtHand } from '../plan/atHand'
import { ownEntry } from '../plan/constants'
import { machineSchema, type Machine } from '../plan/machine'
import type { Plan } from '../plan/planSchema'
import { stateOfBuild } from '../verdict'

/** Chance that something is dead, by when it was last seen working. */
export const deadChances: Readonly<Record<AtHand['lastSeen'], number>> = {
  daily: 0.02,
  year: 0.08,
  years: 0.2,
  never: 0.35,
}
/** What is more likely dead than not is no second machine either. */
export const likelyDead = 0.5
/** As the base it may cost over the horizon so much of what the cheapest build costs. */
export const baseShare = 1

/** What a computer at hand comes to as the base of the machine. */
export interface TriedComputer {
  readonly index: number
  readonly name: string
  /** headrooms that fall short as it is, and after the fixes; money apart */
  readonly lacks: readonly string[]
  readonly stillLacks: readonly string[]
  /** parts that mend it, by id */
  readonly fixes: readonly string[]
  readonly fixesPrice: number
  /** chance that it is dead × (a like one + finding out) */
  readonly riskPrice: number
  /** what it would bring, were it sold */
  readonly worth: number
  /** fixes, risk and what is not earned by selling it */
  readonly sum: number
  readonly idleW: number
  /** electricity at idle, a year */
  readonly electricityPerYear: number
  readonly verdict: 'base' | 'secondMachine' | 'leave'
  readonly plan: Plan
}

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

/** What may be added to a computer: a card, memory, an enclosure for drives, each or nothing. */
function fixSets(base: MachineBase | null, { memoryModules }: Catalogue): string[][] {
  const board = base?.inside.board.memory
  const goesIn = ({ type, shape, registered }: MemoryModule) =>
    type === board?.type && shape === board.shape && registered === base?.memoryRegistered
  const stick = board
    ? (
        memoryModules.find(module => goesIn(module) && module.memoryGB === 16 && !module.ecc) ??
        memoryModules.find(goesIn)
      )?.id
    : undefined
  const choices = [
    [null, 'cardEntry', 'cardModern'],
    [null, stick ?? null],
    [null, 'trug-4'],
  ]
  return choices.reduce<string[][]>(
    (sets, options) =>
      sets.flatMap(set =>
        [...new Set(options)].map(option => (option === null ? set : [...set, option])),
      ),
    [[]],
  )
}

/**
 * Each computer at hand tried as the base: what it lacks, the cheapest parts that mend it (cards,
 * memory, an enclosure), and the sum with
 * the chance that it is dead. It is a base where it then meets the need and costs no more over the
 * horizon, electricity at idle counted,
 * than the cheapest build of the catalogue; a second machine for copies where it has bays;
 * otherwise it is left.
 * @param cheapest price now and idle watts of the cheapest build that meets the need; null where
 *   none does
 */
export function tryAtHand(
  plan: Plan,
  catalogue: Catalogue,
  cheapest: { readonly price: number; readonly idleW: number } | null,
): TriedComputer[] {
  const assessor = planAssessor(4)
  const perWatt = kWhPerWattYear * averagePricePerKWh(plan.costs)
  const years = plan.choices.horizonYears
  const priceOf = (ref: string) =>
    entryOf(catalogue.hardware, ref)?.price ??
    entryOf(catalogue.memoryModules, ref)?.price ??
    entryOf(catalogue.videoEngines, ref)?.price ??
    0
  return plan.machine.atHand.map((computer, index) => {
    const base = computer.ref === ownEntry ? null : entryOf(catalogue.machineBases, computer.ref)
    const machine = machineAtHand(computer)
    const sets = fixSets(base, catalogue)
      .map(refs => ({ refs, price: refs.reduce((sum, ref) => sum + priceOf(ref), 0) }))
      .sort((a, b) => a.price - b.price || a.refs.length - b.refs.length)
    const tried = (refs: readonly string[]) => {
      const changed: Plan = {
        ...plan,
        machine: {
          ...machine,
          atHand: plan.machine.atHand,
          diagnosisFee: plan.machine.diagnosisFee,
          ownParts: plan.machine.ownParts,
          parts: refs.map(newPart),
        },
      }
      const { verdicts, figures, domains } = assessor.assess(changed, catalogue)
      return {
        // A part that finds no place, or does not go in, is paid for and does nothing.
        goesIn: domains.fitting.judged.every(
          ({ state, clash }) => state !== 'fail' || !clash?.parts?.length,
        ),
        plan: changed,
        idleW: figures['machine.idleW']!.value!,
        lacks: verdicts
          .filter(
            verdict =>
              verdict.id !== 'money' && ['short', 'impossible'].includes(stateOfBuild(verdict)),
          )
          .map(({ id }) => id),
      }
    }
    const asIs = tried([])
    let best = { refs: [] as readonly string[], price: 0, ...asIs }
    if (asIs.lacks.length > 0)
      for (const { refs, price } of sets.slice(1)) {
        const outcome = tried(refs)
        if (outcome.goesIn && outcome.lacks.length < best.lacks.length)
          best = { refs, price, ...outcome }
        if (best.lacks.length === 0) break
      }
    const deadChance = computer.deadChance ?? deadChances[computer.lastSeen]
    const riskPrice =
      deadChance * ((base?.price ?? cheapest?.price ?? 0) + plan.machine.diagnosisFee)
    const sum = best.price + riskPrice + computer.worth
    const meets = best.lacks.length === 0
    const over = sum + best.idleW * perWatt * years
    const verdict =
      meets &&
      (cheapest === null || over <= baseShare * (cheapest.price + cheapest.idleW * perWatt * years))
        ? 'base'
        : (computer.bays ?? base?.bays ?? 0) >= 2 && deadChance < likelyDead
          ? 'secondMachine'
          : 'leave'
    return {
      index,
      name: computer.name || base?.label || `Computer ${index + 1}`,
      lacks: asIs.lacks,
      stillLacks: best.lacks,
      fixes: best.refs,
      fixesPrice: best.price,
      riskPrice,
      worth: computer.worth,
      sum,
      idleW: best.idleW,
      electricityPerYear: best.idleW * perWatt,
      verdict,
      plan: best.plan,
    }
  })
}
