import { CoreRangeError } from '../errors'
import type { Basis, Estimate, Figure } from '../figure'
import type { Format } from '../units/format'
import { endsTogether, estimateOfExpression, inputsOf } from './evaluate'
import type { AnyExpression, Expression, Input } from './node'
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
 * inputs follow from it. All of them are worked out when they are first read, because an edit
 * declares every figure and shows a few.
 * @throws {CoreRangeError} FIGURE_NOT_FINITE, FIGURE_BAND: the band does not enclose the value;
 *   when it is read
 */
export function declareFigure<const Unit extends string>(
  express: () => Expression<NoInfer<DimensionsOf<Unit>>>,
  { digits, band, ...parts }: FigureParts<Unit>,
  format: Format,
): Figure {
  const { id, unit } = parts
  const expression = once(express)
  const estimate = once(() => enclosing(estimateWith(expression(), band), id))
  const formula = once(() =>
    formulaText(expression(), { unit, ...(digits === undefined ? {} : { digits }) }, format),
  )
  const inputs = once(() => inputsOf(expression()))
  return {
    basis: 'computed',
    ...parts,
    get value() {
      return estimate().likely
    },
    get low() {
      return estimate().low
    },
    get high() {
      return estimate().high
    },
    get formula() {
      return formula()
    },
    get inputs() {
      return inputs()
    },
  }
}

/** What a function gives, worked out at its first call. */
function once<Value>(work: () => Value): () => Value {
  let known: { readonly value: Value } | null = null
  return () => (known ??= { value: work() }).value
}

function estimateWith(expression: AnyExpression, band: FigureParts<string>['band']): Estimate {
  if (band === undefined) return estimateOfExpression(expression)
  return band === 'together' ? endsTogether(expression) : band
}

function enclosing(estimate: Estimate, id: string): Estimate {
  const { low, likely, high } = estimate
  if (![low, likely, high].every(Number.isFinite))
    throw new CoreRangeError('FIGURE_NOT_FINITE', { id, low, likely, high })
  if (low > likely || likely > high)
    throw new CoreRangeError('FIGURE_BAND', { id, low, likely, high })
  return estimate
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
