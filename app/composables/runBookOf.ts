import { catalogue } from '~~/core/catalogue/catalogue'
import type { Assessment } from '~~/core/assess'
import { basisOf } from '~~/core/commissioning/basis'
import { quotesOf } from '~~/core/commissioning/quotes'
import { runBook } from '~~/core/commissioning/runBook'
import { setupOf } from '~~/core/commissioning/setupOf'
import type { SetupSlice } from '~~/core/commissioning/setupSlice'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import type { Plan } from '~~/core/plan/planSchema'
import type { Format } from '~~/core/units/format'

/** What a plan's run-book is made from. */
export function setupSliceOf(plan: Plan, assessment: Assessment): SetupSlice {
  return { plan, catalogue: effectiveCatalogue(plan, catalogue), facts: assessment.domains }
}

/** The run-book of a plan, what ticks in it are made for, and what the plan says at its steps. */
export function runBookOf(plan: Plan, assessment: Assessment, format: Format) {
  const slice = setupSliceOf(plan, assessment)
  return {
    book: runBook(setupOf(slice)),
    basis: basisOf(slice),
    quotes: quotesOf(
      { ...slice, facts: assessment.domains, figures: assessment.figures },
      format,
    ) as ReadonlyMap<string, string>,
  }
}
