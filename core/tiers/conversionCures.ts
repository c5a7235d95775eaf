import type { Catalogue } from '../catalogue/catalogue'
import { videoCards } from '../catalogue/videoEngines'
import type { Plan } from '../plan/planSchema'
import { remediesOf } from '../playback/remedies/rankRemedies'
import { meetsNeed } from '../verdict'
import { compareProcessors, conversionOutcome, type ConversionOutcome } from './compareProcessors'

/** One way out when conversions are short, with what it comes to. */
export interface ConversionCure extends ConversionOutcome {
  readonly id: string
  readonly label: string
  /** planning value in the plan's currency; null where it is not known */
  readonly price: number | null
  /** TB more that are kept */
  readonly extraTB: number
}

/** Remedies of playback that are tried; the rest removes less. */
const remediesTried = 4

/** Planning value of a terabyte of drives, by which space is compared with money. */
const moneyPerTB = 20

const changed = (plan: Plan, machine: Partial<Plan['machine']>): Plan => ({ ...plan, machine: { ...plan.machine, ...machine } })

/**
 * What would cure it: another device, a small second copy, text subtitles, a card, leaving the card out, the cheapest
 * processor of the catalogue that does; each with its effect. First those that meet the need, the cheapest first; then
 * those that leave fewest minutes short.
 */
export function conversionCures(plan: Plan, catalogue: Catalogue): ConversionCure[] {
  const outcome = (next: Plan) => conversionOutcome(next, catalogue)
  const { machine, choices } = plan
  const cures: ConversionCure[] = remediesOf(plan, catalogue).ranked.slice(0, remediesTried).map(({ id, label, price, extraTB, plan: next }) => ({ id, label, price, extraTB, ...outcome(next) }))
  if (machine.cards.length === 0) {
    for (const card of videoCards) cures.push({ id: `card-${card.id}`, label: `Put in a card: ${card.label.replace('Card, ', '')}, ${card.years}, ${card.idleW} W at rest`, price: card.price, extraTB: 0, ...outcome(changed(plan, { cards: [{ class: card.id }] })) })
  }
  else if (machine.engine !== 'none' && machine.oneEngineAtATime) {
    cures.push({ id: 'no-card', label: 'Leave the card out, so that the built-in engine converts', price: 0, extraTB: 0, ...outcome(changed(plan, { cards: [] })) })
  }
  if (!choices.hardwareConversion && (machine.engine !== 'none' || machine.cards.length > 0)) {
    cures.push({ id: 'engine-on', label: 'Convert on the video engine that is there', price: 0, extraTB: 0, ...outcome({ ...plan, choices: { ...choices, hardwareConversion: true } }) })
  }
  const sufficient = compareProcessors(plan, catalogue).filter(entry => meetsNeed(entry.state) && entry.cannotShare === 0).sort((a, b) => a.processor.price - b.processor.price)[0]
  if (sufficient) {
    const { processor, ...rest } = sufficient
    cures.push({ ...rest, id: `processor-${processor.id}`, label: `Take a processor such as ${processor.name} (${processor.class}, ${processor.year})`, price: processor.price, extraTB: 0 })
  }
  const cost = ({ price, extraTB }: ConversionCure) => (price ?? 0) + moneyPerTB * extraTB
  const minutes = ({ minutesShort, possible }: ConversionCure) => minutesShort?.likely ?? -(possible?.likely ?? 0)
  return cures.sort((a, b) => Number(meetsNeed(b.state)) - Number(meetsNeed(a.state)) || (meetsNeed(a.state) ? cost(a) - cost(b) : minutes(a) - minutes(b)))
}
