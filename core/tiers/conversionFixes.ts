import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { machineBuild } from '../machine/machineBuild'
import { withoutCards, withPart } from '../machine/partChanges'
import type { Machine } from '../plan/machine'
import type { Plan } from '../plan/planSchema'
import { meetsNeed } from '../verdict'
import { compareProcessors, conversionOutcome, type ConversionOutcome } from './compareProcessors'
import { planningPrices } from './planningPrices'
import { fixesOf } from './rankFixes'

/** One way out when conversions are short, with what it comes to. */
export interface ConversionFix extends ConversionOutcome {
  readonly id: string
  readonly label: string
  /** planning value in the plan's currency; null where it is not known */
  readonly price: number | null
  /** TB more that are kept */
  readonly extraTB: number
}

/** Fixes of playback that are tried; the rest removes less. */
export const fixesTried = 4

/**
 * What would mend it: another device, a small second copy, text subtitles, titles kept away from a
 * weak screen, a card,
 * leaving the card out, the cheapest processor of the catalogue that does; each with its effect.
 * First those that meet the
 * need, the cheapest first; then those that leave fewest minutes short.
 */
export function conversionFixes(plan: Plan, catalogue: Catalogue): ConversionFix[] {
  const assessor = planAssessor()
  const outcome = (next: Plan) => conversionOutcome(next, catalogue, assessor)
  const withMachine = (machine: Machine) => outcome({ ...plan, machine })
  const { machine, choices } = plan
  const { builtIn, cards } = machineBuild(machine, catalogue)
  const fixes: ConversionFix[] = fixesOf(plan, catalogue)
    .ranked.slice(0, fixesTried)
    .map(({ id, label, price, extraTB, plan: next }) => ({
      ...outcome(next),
      id,
      label,
      price,
      extraTB,
    }))
  if (cards.length === 0) {
    for (const card of catalogue.videoEngines.filter(engine => engine.kind === 'card')) {
      fixes.push({
        ...withMachine(withPart(machine, card.id)),
        id: `card-${card.id}`,
        label:
          `Add a card: ${card.label.replace('Card, ', '')}, ${card.years}, ${card.idleW} W ` +
          'idle',
        price: card.price,
        extraTB: 0,
      })
    }
  } else if (builtIn && machine.oneEngineAtATime) {
    fixes.push({
      ...withMachine(withoutCards(machine, catalogue)),
      id: 'no-card',
      label: 'Leave the card out, so that the built-in engine converts',
      price: 0,
      extraTB: 0,
    })
  }
  if (!choices.hardwareConversion && (builtIn || cards.length > 0)) {
    fixes.push({
      ...outcome({ ...plan, choices: { ...choices, hardwareConversion: true } }),
      id: 'engine-on',
      label: 'Convert on the video engine that is there',
      price: 0,
      extraTB: 0,
    })
  }
  const sufficient = compareProcessors(plan, catalogue)
    .filter(entry => meetsNeed(entry.state))
    .sort((a, b) => a.processor.price - b.processor.price)[0]
  if (sufficient) {
    const { processor, ...rest } = sufficient
    const price = rest.toPay - outcome(plan).toPay
    const withBoard = !rest.plan.machine.parts.every(
      ({ ref }) => ref === processor.id || machine.parts.some(part => part.ref === ref),
    )
    fixes.push({
      ...rest,
      id: `processor-${processor.id}`,
      label:
        `Change to a processor such as ${processor.name} (${processor.class}, ` +
        `${processor.year})${withBoard ? ', with a board and memory for it' : ''}`,
      price,
      extraTB: 0,
    })
  }
  const { costOf } = planningPrices(plan, catalogue)
  const minutes = ({ minutesShort, possible }: ConversionFix) =>
    minutesShort?.likely ?? -(possible?.likely ?? 0)
  return fixes.sort(
    (a, b) =>
      Number(meetsNeed(b.state)) - Number(meetsNeed(a.state)) ||
      (meetsNeed(a.state) ? costOf(a) - costOf(b) : minutes(a) - minutes(b)),
  )
}
