import { exactly } from '../figure'
import type { Format } from '../units/format'
import { likelyOf } from './evaluate'
import type { AnyExpression, Given, Node, Rounding, Words } from './node'

/** How tightly a text holds together: what is weaker than its surroundings stands in brackets. */
const binding = { list: 0, sum: 1, product: 2, single: 3 } as const
type Binding = (typeof binding)[keyof typeof binding]
interface Part {
  readonly text: string
  readonly binds: Binding
}

/** 'W/drive' beside a count of drives is read as watts. */
const eachOf =
  /\/(drive|viewer|conversion|title|stream|set|disc|core|bay|year|month|day|night|hour)$/

/** A number as it stands in a formula: with its unit, money with its sign. */
function amountText(
  { value, unit }: { readonly value: number; readonly unit: string },
  words: Words,
  format: Format,
): string {
  const shown = unit.replace(eachOf, '')
  const number = shown === 'money' ? format.money(value) : format.number(value, words.digits ?? 4)
  if (words.asChance) return withWords(format.share(value), words)
  const isPlain = words.bare || shown === 'money' || shown === 'share' || shown === 'factor'
  const amount = isPlain || shown === '' ? number : `${number} ${format.unit(shown, value)}`
  return withWords(amount, words)
}

function withWords(text: string, { before, after }: Words): string {
  return `${before ? `${before} ` : ''}${text}${after ? ` ${after}` : ''}`
}

const givenText = (given: Given, format: Format): string =>
  amountText({ value: given.estimate.likely, unit: given.unit }, given, format)

const bracketed = ({ text, binds }: Part, within: Binding): string =>
  binds < within ? `(${text})` : text

const negated = (given: Given): AnyExpression => ({
  node: { ...given, estimate: exactly(-given.estimate.likely) },
})

function partOf({ node }: AnyExpression, format: Format): Part {
  const of = (expression: AnyExpression) => partOf(expression, format)
  switch (node.kind) {
    case 'given':
      return {
        text: givenText(node, format),
        binds: node.estimate.likely < 0 ? binding.sum : binding.single,
      }
    case 'sum': {
      if (node.terms.length === 0) return { text: '0', binds: binding.single }
      const terms = node.terms.map(({ minus, of: term }, at) => {
        // What is below nothing is told as taken away.
        const taken = term.node.kind === 'given' && term.node.estimate.likely < 0
        const isMinus = minus !== taken
        const part = taken ? of(negated(term.node)) : of(term)
        const text = bracketed(part, isMinus ? binding.product : binding.sum)
        return at === 0 ? (isMinus ? `−${text}` : text) : `${isMinus ? '−' : '+'} ${text}`
      })
      return { text: terms.join(' '), binds: terms.length === 1 ? binding.product : binding.sum }
    }
    case 'product': {
      const factors = node.factors.map(factor => bracketed(of(factor), binding.product))
      return factors.length === 1
        ? of(node.factors[0]!)
        : { text: factors.join(' × ') || '1', binds: binding.product }
    }
    case 'quotient':
      return {
        text:
          `${bracketed(of(node.above), binding.product)} ÷ ` +
          bracketed(of(node.below), binding.single),
        binds: binding.product,
      }
    case 'least':
    case 'largest': {
      if (node.of.length === 1) return of(node.of[0]!)
      const which =
        node.kind === 'least'
          ? 'the least of '
          : node.of.length === 2
            ? 'the larger of '
            : 'the largest of '
      return {
        text: `${which}${node.of.map(part => bracketed(of(part), binding.sum)).join(', ')}`,
        binds: binding.list,
      }
    }
    case 'choice':
    case 'atLikely':
      return of(node.of)
    case 'named':
      return {
        text: withWords(bracketed(of(node.of), binding.single), node.words),
        binds: binding.single,
      }
    case 'brief':
      return {
        text: amountText({ value: likelyOf(node.of), unit: node.unit }, node.words, format),
        binds: binding.single,
      }
    default:
      return {
        text: `${bracketed(of(node.of), binding.sum)}, ${roundings[node.kind]}`,
        binds: binding.list,
      }
  }
}

const roundings: Readonly<Record<Rounding, string>> = {
  roundedDown: 'rounded down',
  roundedUp: 'rounded up',
  toCents: 'to the cent',
}

/**
 * The formula of an expression with its numbers, and what comes out: '40 Mb/s × (1 − 0.2) ÷ 8 Mb/s
 * = 4'. Where an algorithm gave the number, what it did.
 * @param unit of the result, as it is written
 */
export function formulaText(
  expression: AnyExpression,
  { unit, digits = 4 }: { readonly unit: string; readonly digits?: number },
  format: Format,
): string {
  const { node } = expression
  if (node.kind === 'choice') return formulaText(node.of, { unit, digits }, format)
  if (node.kind === 'given' && node.says !== undefined) return node.says
  const rounding = node.kind in roundings ? (node as Extract<Node, { kind: Rounding }>) : null
  const inner = rounding ? rounding.of : expression
  // A share is read as the figure itself is shown.
  const result = (value: number) =>
    unit === 'share' ? format.share(value) : amountText({ value, unit }, { digits }, format)
  const text = `${partOf(inner, format).text} = ${result(likelyOf(inner))}`
  return rounding && rounding.kind !== 'toCents'
    ? `${text}, ${roundings[rounding.kind]}: ${format.number(likelyOf(expression))}`
    : text
}
