import { CoreRangeError } from '../errors'
import { exactly, type Estimate, type Figure } from '../figure'
import { inputsBelow, likelyOf } from './evaluate'
import type { AnyExpression, Expression, Input, Node, Words } from './node'
import type { PlanPath } from './planPath'
import type { DimensionsOf, Inverse, Over, Pure, Times } from './unitTypes'

export type { Expression, Input, Words } from './node'

const made = <Unit>(node: Node): Expression<Unit> => ({ node })

interface GivenParts extends Words {
  readonly inputs: readonly Input[]
  readonly says?: string
}

/**
 * A number that an algorithm (a level, a chain, a search) or a table gave, with all that it follows
 * from.
 * @param unit as it is written behind the number; '' for a pure one
 */
export function workedOut<const Unit extends string>(
  value: Estimate | number,
  unit: Unit,
  parts: GivenParts,
): Expression<DimensionsOf<Unit>> {
  const estimate = typeof value === 'number' ? exactly(value) : value
  return made({ kind: 'given', estimate, unit, ...parts })
}

/** A field of the plan. */
export function field<const Unit extends string>(
  path: PlanPath,
  [value, unit]: readonly [value: number, unit: Unit],
  words: Words = {},
): Expression<DimensionsOf<Unit>> {
  return workedOut(value, unit, { inputs: [path], ...words })
}

/** Another figure, of this domain or another, by its id. */
export function figureOf<const Unit extends string>(
  id: string,
  [value, unit]: readonly [value: Estimate | number, unit: Unit],
  words: Words = {},
): Expression<DimensionsOf<Unit>> {
  return workedOut(value, unit, { inputs: [{ figure: id }], ...words })
}

/**
 * Another figure that was just made.
 * @throws {CoreRangeError} FIGURE_NULL: it does not apply
 */
export function thatFigure<const Unit extends string>(
  { id, value, low, high }: Figure,
  unit: Unit,
  words: Words = {},
): Expression<DimensionsOf<Unit>> {
  if (value === null || low === null || high === null)
    throw new CoreRangeError('FIGURE_NULL', { id })
  return figureOf(id, [{ low, likely: value, high }, unit], words)
}

/** A constant of the field; its source stands in the figure's. */
export function constant<const Unit extends string>(
  value: Estimate | number,
  unit: Unit,
  words: Words = {},
): Expression<DimensionsOf<Unit>> {
  return workedOut(value, unit, { inputs: [], ...words })
}

/** A constant that only turns one unit into another, such as 8 bits a byte. */
export function conversion<const Unit extends string>(
  value: number,
  unit: Unit,
): Expression<DimensionsOf<Unit>> {
  return workedOut(value, unit, { inputs: [], bare: true })
}

/** Wraps a term that is taken away in a sum. */
export interface Minus<Unit> {
  readonly minus: Expression<Unit>
}
export const minus = <Unit>(expression: Expression<Unit>): Minus<Unit> => ({ minus: expression })

type Term<Unit> = Expression<Unit> | Minus<Unit>
const isMinus = <Unit>(term: Term<Unit>): term is Minus<Unit> => 'minus' in term

/** Terms of one unit added up; those in `minus` are taken away. Of none it is 0. */
export function sum<Unit>(...terms: readonly Term<Unit>[]): Expression<Unit> {
  return made({
    kind: 'sum',
    terms: terms.map(term =>
      isMinus(term) ? { minus: true, of: term.minus } : { minus: false, of: term },
    ),
  })
}

const one = constant(1, 'factor')
/** What a share leaves: 1 − share. */
export const rest = (share: Expression<Pure>): Expression<Pure> => sum(one, minus(share))

type ProductOf<List extends readonly unknown[]> = List extends readonly [
  Expression<infer First>,
  ...infer Rest,
]
  ? Times<First, ProductOf<Rest>>
  : Pure

/** Factors multiplied; the unit is the product of theirs. */
export function product<const List extends readonly AnyExpression[]>(
  ...factors: List
): Expression<ProductOf<List>> {
  return made({ kind: 'product', factors })
}

/** Pure numbers multiplied, however many. */
export function productOf(factors: readonly Expression<Pure>[]): Expression<Pure> {
  return made({ kind: 'product', factors })
}

export function quotient<Above, Below>(
  above: Expression<Above>,
  below: Expression<Below>,
): Expression<Over<Above, Below>> {
  return made({ kind: 'quotient', above, below })
}

/** One divided by it. */
export const inverse = <Unit>(of: Expression<Unit>): Expression<Inverse<Unit>> =>
  made({ kind: 'quotient', above: one, below: of })

export function least<Unit>(...of: readonly Expression<Unit>[]): Expression<Unit> {
  return made({ kind: 'least', of })
}
export function largest<Unit>(...of: readonly Expression<Unit>[]): Expression<Unit> {
  return made({ kind: 'largest', of })
}
/** 0 where it comes out below nothing. */
export function notBelowNothing<Unit>(of: Expression<Unit>): Expression<Unit> {
  return likelyOf(of) < 0 ? largest(sum(), of) : of
}

export const roundedDown = <Unit>(of: Expression<Unit>): Expression<Unit> =>
  made({ kind: 'roundedDown', of })
export const roundedUp = <Unit>(of: Expression<Unit>): Expression<Unit> =>
  made({ kind: 'roundedUp', of })
/** Money, to the cent. */
export const toTheCent = <Unit>(of: Expression<Unit>): Expression<Unit> =>
  made({ kind: 'toCents', of })

/** The expression that applies, with what decided that it does. */
export const chosen = <Unit>(by: readonly Input[], of: Expression<Unit>): Expression<Unit> =>
  made({ kind: 'choice', of, by })

/** The expression as if it were exact: a measurement has taken the place of its uncertainty. */
export const atLikely = <Unit>(of: Expression<Unit>): Expression<Unit> =>
  made({ kind: 'atLikely', of })

/** The same expression with words beside it. */
export const named = <Unit>(of: Expression<Unit>, words: Words): Expression<Unit> =>
  made({ kind: 'named', of, words })

/** Words of a person or of the catalogue: set apart from the numbers beside them. */
export const quoted = (words: string): string => `“${words}”`

/** A sum of which the first few terms are told one by one, and the others together. */
export function sumTold<const Unit extends string>(
  terms: readonly Expression<DimensionsOf<Unit>>[],
  unit: Unit,
  most: number,
): Expression<DimensionsOf<Unit>> {
  const others = terms.slice(most)
  return others.length === 0
    ? sum(...terms)
    : sum(
        ...terms.slice(0, most),
        made<DimensionsOf<Unit>>({
          kind: 'brief',
          of: sum(...others),
          unit,
          by: others.flatMap(({ node }) => inputsBelow(node)),
          words: { after: 'of the others' },
        }),
      )
}

/**
 * A part of a formula that is told by its number alone, because its own working stands elsewhere;
 * it swings with what it is made of.
 */
export function brief<const Unit extends string>(
  of: Expression<NoInfer<DimensionsOf<Unit>>>,
  unit: Unit,
  { by, ...words }: Words & { readonly by: readonly Input[] },
): Expression<DimensionsOf<Unit>> {
  return made({ kind: 'brief', of, unit, by, words })
}
