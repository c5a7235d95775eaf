import { planAssessor, type PlanAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { Processor } from '../catalogue/processors'
import type { Estimate } from '../figure'
import { changeProcessor } from '../machine/processorChange'
import type { Plan } from '../plan/planSchema'
import type { Unit } from '../streams/engineShares'
import type { VerdictState } from '../verdict'

/** What a change of the machine comes to for conversions. */
export interface ConversionOutcome {
  readonly plan: Plan
  readonly asked: number
  readonly possible: Estimate | null
  /** the unit that binds */
  readonly binds: Unit | null
  readonly minutesShort: Estimate | null
  readonly state: VerdictState
  /** share of the watching hours that cannot be played */
  readonly cannotShare: number
  /** to pay now, with everything, in the plan's currency */
  readonly toPay: number
}

export interface ProcessorComparison extends ConversionOutcome {
  readonly processor: Processor
}

/** Conversions of a changed plan, from the very same facts. */
export function conversionOutcome(
  plan: Plan,
  catalogue: Catalogue,
  assessor: PlanAssessor,
): ConversionOutcome {
  const { streams, playback, ownership } = assessor.facts(plan, catalogue, [
    'streams',
    'playback',
    'ownership',
  ])
  return {
    plan,
    asked: streams.needed.needed,
    possible: streams.possible,
    binds: streams.capacity?.binds ?? null,
    minutesShort: streams.minutes?.perMonth ?? null,
    state: streams.state,
    cannotShare: playback.shares?.cannot ?? 0,
    toPay: ownership.toPay,
  }
}

/**
 * Every processor of the catalogue in the plan's machine, with a board for it where it does not go
 * into the one that is there; weakest first. Takes its time: meant to run off the page.
 */
export function compareProcessors(plan: Plan, catalogue: Catalogue): ProcessorComparison[] {
  const assessor = planAssessor()
  return catalogue.processors
    .map(processor => ({
      processor,
      ...conversionOutcome(
        { ...plan, machine: changeProcessor(plan.machine, processor, catalogue) },
        catalogue,
        assessor,
      ),
    }))
    .sort(
      (a, b) =>
        (a.possible?.likely ?? 0) - (b.possible?.likely ?? 0) ||
        a.processor.score - b.processor.score,
    )
}
