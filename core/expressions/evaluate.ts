import { band } from '../band'
import { exactly, type Estimate } from '../figure'
import type { AnyExpression, Given, Input, Node, Rounding } from './node'

/** The expressions that an expression is made of, in the order of the formula. */
function partsOf(node: Node): readonly AnyExpression[] {
  switch (node.kind) {
    case 'given':
      return []
    case 'sum':
      return node.terms.map(term => term.of)
    case 'product':
      return node.factors
    case 'quotient':
      return [node.above, node.below]
    case 'least':
    case 'largest':
      return node.of
    default:
      return [node.of]
  }
}

/** The numbers that an expression stands on, each once, in the order of the formula. */
export function givens(expression: AnyExpression): Given[] {
  const found = new Set<Given>()
  const visit = ({ node }: AnyExpression): void => {
    if (node.kind === 'given') found.add(node)
    // What counts as exact swings with nothing.
    else if (node.kind !== 'atLikely') partsOf(node).forEach(visit)
  }
  visit(expression)
  return [...found]
}

/** Everything that an expression follows from: fields by path, figures by id, each once. */
export function inputsOf({ node }: AnyExpression): string[] {
  const names = inputsBelow(node).map(input => (typeof input === 'string' ? input : input.figure))
  return [...new Set(names)]
}

/** The same as they were declared, with repetitions. */
export function inputsBelow(node: Node): Input[] {
  const own = node.kind === 'given' ? node.inputs : 'by' in node ? node.by : []
  // What stands in the formula comes before what decided for it.
  return node.kind === 'brief'
    ? [...own]
    : [...partsOf(node).flatMap(part => inputsBelow(part.node)), ...own]
}

/** A number that is whole but for the noise of its arithmetic counts as whole. */
const noise = 1e-9
const rounders: Readonly<Record<Rounding, (value: number) => number>> = {
  roundedDown: value => Math.floor(value + noise),
  roundedUp: value => Math.ceil(value - noise),
  toCents: value => Math.round(value * 100 + Math.sign(value) * noise) / 100,
}

/** The number of an expression, with one value for each given. */
export function valueWith({ node }: AnyExpression, given: (of: Given) => number): number {
  const of = (part: AnyExpression) => valueWith(part, given)
  switch (node.kind) {
    case 'given':
      return given(node)
    case 'sum':
      return node.terms.reduce((sum, term) => sum + (term.minus ? -of(term.of) : of(term.of)), 0)
    case 'product':
      return node.factors.reduce((product, factor) => product * of(factor), 1)
    case 'quotient':
      return of(node.above) / of(node.below)
    case 'least':
      return Math.min(...node.of.map(of))
    case 'largest':
      return Math.max(...node.of.map(of))
    case 'atLikely':
      return likelyOf(node.of)
    case 'choice':
    case 'named':
    case 'brief':
      return of(node.of)
    default:
      return rounders[node.kind](of(node.of))
  }
}

export const likelyOf = (expression: AnyExpression): number =>
  valueWith(expression, ({ estimate }) => estimate.likely)

const isExact = ({ estimate: { low, high } }: Given): boolean => low === high
const uncertainOf = (expression: AnyExpression) =>
  givens(expression).filter(given => !isExact(given))

/** Every uncertain given at its low end, and at its high end: for what errs alike. */
export function endsTogether(expression: AnyExpression): Estimate {
  const [a, b] = (['low', 'high'] as const).map(end =>
    valueWith(expression, ({ estimate }) => estimate[end]),
  ) as [number, number]
  return { low: Math.min(a, b), likely: likelyOf(expression), high: Math.max(a, b) }
}

/** A sum of which one term alone is uncertain: that term's band, moved by the others. */
function shifted({ node }: AnyExpression): Estimate | null {
  if (node.kind !== 'sum') return null
  const uncertain = node.terms.filter(term => uncertainOf(term.of).length > 0)
  if (uncertain.length !== 1 || uncertain[0]!.minus) return null
  const others = node.terms.reduce(
    (sum, term) => (term === uncertain[0] ? sum : sum + (term.minus ? -1 : 1) * likelyOf(term.of)),
    0,
  )
  const { low, likely, high } = estimateOfExpression(uncertain[0]!.of)
  return { low: low + others, likely: likely + others, high: high + others }
}

/**
 * The estimate of an expression: each uncertain given swung to its ends, the swings added by the
 * root of the sum of squares; in logarithms where the formula is a product or a quotient; roundings
 * come last.
 */
export function estimateOfExpression(expression: AnyExpression): Estimate {
  const { node } = expression
  switch (node.kind) {
    case 'given':
      return node.estimate
    case 'atLikely':
      return exactly(likelyOf(node.of))
    case 'choice':
    case 'named':
    case 'brief':
      return estimateOfExpression(node.of)
    case 'roundedDown':
    case 'roundedUp':
    case 'toCents': {
      const { low, likely, high } = estimateOfExpression(node.of)
      const round = rounders[node.kind]
      return { low: round(low), likely: round(likely), high: round(high) }
    }
  }
  const uncertain = uncertainOf(expression)
  if (uncertain.length === 0) return exactly(likelyOf(expression))
  const moved = shifted(expression)
  if (moved) return moved
  const names = new Map(uncertain.map((given, at) => [given, String(at)]))
  return band(
    Object.fromEntries(uncertain.map((given, at) => [String(at), given.estimate])),
    values =>
      valueWith(expression, given => {
        const name = names.get(given)
        return name === undefined ? given.estimate.likely : values[name]!
      }),
    node.kind === 'product' || node.kind === 'quotient' ? 'log' : 'linear',
  )
}
