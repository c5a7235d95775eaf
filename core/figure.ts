import { CoreRangeError } from './errors'

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

type FigureParts = Omit<Figure, 'value' | 'low' | 'high' | 'basis'> & { readonly basis?: Basis }

/**
 * A figure from an estimate, or from a plain number that is exact.
 * @throws {CoreRangeError} FIGURE_NOT_FINITE, FIGURE_BAND: the band does not enclose the value
 */
export function figure(estimate: Estimate | number, parts: FigureParts): Figure {
  const { low, likely, high } = typeof estimate === 'number' ? exactly(estimate) : estimate
  if (![low, likely, high].every(Number.isFinite))
    throw new CoreRangeError('FIGURE_NOT_FINITE', { id: parts.id, low, likely, high })
  if (low > likely || likely > high)
    throw new CoreRangeError('FIGURE_BAND', { id: parts.id, low, likely, high })
  return { basis: 'computed', ...parts, value: likely, low, high }
}

/** A figure that does not apply to this plan; the note says why in a plain sentence. */
export function noFigure(note: string, parts: Omit<FigureParts, 'note'>): Figure {
  return { basis: 'computed', ...parts, value: null, low: null, high: null, note }
}

/** The band of a figure as an estimate, or null where the figure does not apply. */
export function estimateOf(source: Figure): Estimate | null {
  if (source.value === null || source.low === null || source.high === null) return null
  return { low: source.low, likely: source.value, high: source.high }
}
