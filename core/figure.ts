/** Where a figure comes from. */
export type Basis = 'entered' | 'default' | 'computed' | 'calibrated' | 'measured'

/**
 * One number of an assessment, with the way it came about.
 * low and high are an 80 % band of the estimate, and equal the value where it is exact.
 * A value that does not apply is null, and the note says why; NaN and Infinity never stand here.
 */
export interface Figure {
  readonly id: string
  /** what a practitioner calls it */
  readonly label: string
  readonly value: number | null
  readonly low: number | null
  readonly high: number | null
  readonly unit: string
  readonly basis: Basis
  /** the formula with this plan's numbers in it */
  readonly formula: string
  /** ids of other figures and paths of plan fields that it was worked out from */
  readonly inputs: readonly string[]
  /** where the rule or the coefficients come from */
  readonly source?: string
  readonly note?: string
}

/** An estimate with its 80 % band. */
export interface Estimate {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/** An estimate without uncertainty. */
export function exactly(value: number): Estimate {
  return { low: value, likely: value, high: value }
}

/** The band of a figure as an estimate, or null where the figure does not apply. */
export function estimateOf(source: Figure): Estimate | null {
  if (source.value === null || source.low === null || source.high === null) return null
  return { low: source.low, likely: source.value, high: source.high }
}
