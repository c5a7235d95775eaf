import { CoreRangeError } from '../errors'
import type { Basis, Estimate, Figure } from '../figure'
import type { Format } from '../units/format'
import { endsTogether, estimateOfExpression, inputsOf } from './evaluate'
import type { Expression, Input } from './node'
import { formulaText } from './expressionText'
import type { DimensionsOf } from './unitTypes'

interface FigureParts<Unit extends string> {
  readonly id: string
  readonly label: string
  readonly unit: Unit
  readonly basis?: Basis
  readonly source?: string
  readonly note?: string
  /** significant digits of the result in the formula; 4 unless said */
  readonly digits?: number
  /**
   * the band: by swings of each given alone, unless all of them err alike (`together`), or an
   * algorithm that swings more than the formula tells has worked it out
   */
  readonly band?: 'together' | Estimate
}

/**
 * A figure from the one expression that says how it comes about: value, band, formula text and
 * inputs follow from it. The text is made when it is read.
 * @throws {CoreRangeError} FIGURE_NOT_FINITE, FIGURE_BAND: the band does not enclose the value
 */
export function declareFigure<const Unit extends string>(
  expression: Expression<NoInfer<DimensionsOf<Unit>>>,
  { digits, band, ...parts }: FigureParts<Unit>,
  format: Format,
): Figure {
  const { low, likely, high } =
    band === undefined
      ? estimateOfExpression(expression)
      : band === 'together'
        ? endsTogether(expression)
        : band
  const { id, unit } = parts
  if (![low, likely, high].every(Number.isFinite))
    throw new CoreRangeError('FIGURE_NOT_FINITE', { id, low, likely, high })
  if (low > likely || likely > high)
    throw new CoreRangeError('FIGURE_BAND', { id, low, likely, high })
  let formula: string | undefined
  let inputs: readonly string[] | undefined
  return {
    basis: 'computed',
    ...parts,
    value: likely,
    low,
    high,
    get formula() {
      return (formula ??= formulaText(
        expression,
        { unit, ...(digits === undefined ? {} : { digits }) },
        format,
      ))
    },
    get inputs() {
      return (inputs ??= inputsOf(expression))
    },
  }
}

/** A figure that does not apply to this plan; the note says why in a plain sentence. */
export function absentFigure(
  note: string,
  {
    inputs,
    ...parts
  }: Omit<FigureParts<string>, 'note' | 'digits'> & {
    readonly inputs: readonly Input[]
    /** the rule in words */
    readonly formula: string
  },
): Figure {
  return {
    basis: 'computed',
    ...parts,
    inputs: inputs.map(input => (typeof input === 'string' ? input : input.figure)),
    value: null,
    low: null,
    high: null,
    note,
  }
}
