import { assess } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { processors, type Processor } from '../catalogue/processors'
import { estimateOf, type Estimate } from '../figure'
import type { Plan } from '../plan/planSchema'
import type { VerdictState } from '../verdict'

/** What a change of the machine comes to for conversions. */
export interface ConversionOutcome {
  readonly plan: Plan
  readonly asked: number
  readonly possible: Estimate | null
  /** the unit that binds, as the figure's note has it */
  readonly note: string
  readonly minutesShort: Estimate | null
  readonly state: VerdictState
  /** share of the watching hours that cannot be played */
  readonly cannotShare: number
}

export interface ProcessorComparison extends ConversionOutcome { readonly processor: Processor }

/** The plan with this processor in its machine; box, drives and cards stay. */
export function withProcessor(plan: Plan, { id, score, cores, gigahertz, year, threadsPerCore, engine, class: kind }: Processor): Plan {
  return {
    ...plan,
    machine: {
      ...plan.machine, processor: id, measuredStreams: null, measuredLow: null, measuredBy: '', score, cores, sustainedGHz: gigahertz, designYear: year, threadsPerCore, engine,
      coreKind: kind === 'small chip' ? 'efficiency' : kind.startsWith('ARM') ? (kind.includes('big') ? 'armBig' : kind.includes('middle') ? 'armMiddle' : 'armSmall') : 'fast',
    },
  }
}

/** Conversions of a changed plan, through the very same assessment. */
export function conversionOutcome(plan: Plan, catalogue: Catalogue): ConversionOutcome {
  const { figures, verdicts } = assess(plan, catalogue)
  const band = (id: string) => figures[id] ? estimateOf(figures[id]) : null
  return {
    plan, asked: figures['streams.asked']?.value ?? 0, possible: band('streams.possible'), note: figures['streams.possible']?.note ?? '', minutesShort: band('streams.minutesShortPerMonth'),
    state: verdicts.find(verdict => verdict.id === 'streams')!.state, cannotShare: figures['playback.cannotShare']?.value ?? 0,
  }
}

/** Every processor of the catalogue in the plan's machine; weakest first. Takes its time: meant to run off the page. */
export function compareProcessors(plan: Plan, catalogue: Catalogue): ProcessorComparison[] {
  return processors.map(processor => ({ processor, ...conversionOutcome(withProcessor(plan, processor), catalogue) }))
    .sort((a, b) => (a.possible?.likely ?? 0) - (b.possible?.likely ?? 0) || a.processor.score - b.processor.score)
}
