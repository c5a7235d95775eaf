import { atLikely, chosen, product, workedOut } from '../expressions/expression'
import type { Expression, Input } from '../expressions/node'
import type { Basis } from '../figure'
import type { Correction } from './correction'

/** What measurements follow from. */
const measurements: readonly Input[] = ['calibration.trials', 'calibration.countsFrom']

/**
 * What a formula gives, times what measurements made of it; the range is theirs. Without one it is
 * the formula itself, which would follow a measurement.
 */
export function correctedExpression<Unit>(
  of: Expression<Unit>,
  correction: Correction | null,
): Expression<Unit> {
  if (!correction) return chosen(measurements, of)
  const factor = workedOut(correction.factor, 'factor', {
    inputs: measurements,
    after: 'by measurement',
  })
  // A pure number changes no unit.
  return product(atLikely(of), factor) as unknown as Expression<Unit>
}

/** The basis of a figure that measurements may have corrected. */
export function basisOf(correction: Correction | null): { readonly basis?: Basis } {
  return correction ? { basis: 'calibrated' } : {}
}
