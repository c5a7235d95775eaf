/*
 * Reads a formula as a person with a calculator would: every number stands for all that it may have
 * been rounded from, and what comes out must be met by the number behind '='. For tests alone; the
 * product never reads a text back.
 */

export interface Interval {
  readonly low: number
  readonly high: number
}

/** Significant digits that formulas are written with. */
const digits = 4

/** What a number may have been before it was rounded to so many significant digits. */
function around(value: number, significant = digits, minStep = 0): Interval {
  if (value === 0) return { low: 0, high: 0 }
  const step = 10 ** (Math.floor(Math.log10(Math.abs(value))) - significant + 1)
  const half = Math.max(step, minStep) / 2 + Math.abs(value) * 1e-12
  return { low: value - half, high: value + half }
}

const combined = (values: readonly number[]): Interval => ({
  low: Math.min(...values),
  high: Math.max(...values),
})
const add = (a: Interval, b: Interval): Interval => ({ low: a.low + b.low, high: a.high + b.high })
const negated = ({ low, high }: Interval): Interval => ({ low: -high, high: -low })
const times = (a: Interval, b: Interval) =>
  combined([a.low * b.low, a.low * b.high, a.high * b.low, a.high * b.high])
const over = (a: Interval, b: Interval) =>
  b.low <= 0 && b.high >= 0
    ? { low: -Infinity, high: Infinity }
    : combined([a.low / b.low, a.low / b.high, a.high / b.low, a.high / b.high])

type Token =
  | { readonly kind: 'number'; readonly value: Interval }
  | { readonly kind: 'sign'; readonly text: string }
  | { readonly kind: 'list'; readonly text: 'least' | 'largest' }
  | { readonly kind: 'round'; readonly text: 'down' | 'up' | 'cent' }

const pattern =
  /(under )?1 in ((?:\d{1,3}(?:,\d{3})+|\d+))|(the least of|the larger of|the largest of)|, (rounded down|rounded up|to the cent)|((?:[A-Z]{0,3}\p{Sc})|(?:\b[A-Z]{3}\s))?((?:\d{1,3}(?:,\d{3})+|\d+)(?:\.\d+)?(?:e[-−]?\d+)?)( %)?|([()+×÷−]|, )/gu

/** Words without a number say what a number is, and are passed over. */
function tokens(text: string): Token[] {
  const found: Token[] = []
  for (const match of text.replace(/“[^”]*”|\(A\)/g, '').matchAll(pattern)) {
    const [, , oneIn, list, round, money, number, percent, sign] = match
    const plain = (digitsText: string) => Number(digitsText.replaceAll(',', '').replace('−', '-'))
    if (oneIn) {
      const { low, high } = around(plain(oneIn), 2)
      found.push({ kind: 'number', value: { low: 1 / high, high: 1 / low } })
    } else if (list)
      found.push({ kind: 'list', text: list.includes('least') ? 'least' : 'largest' })
    else if (round)
      found.push({
        kind: 'round',
        text: round.endsWith('down') ? 'down' : round.endsWith('up') ? 'up' : 'cent',
      })
    else if (number) {
      const value = plain(number)
      // Money is written in whole units from ten on, with cents below.
      const interval = money
        ? around(value, 15, value >= 10 ? 1 : 0.01)
        : percent
          ? around(value, 2)
          : around(value, number.includes('e') ? digits - 1 : digits)
      const share = percent ? 0.01 : 1
      found.push({
        kind: 'number',
        value: { low: interval.low * share, high: interval.high * share },
      })
    } else if (sign) found.push({ kind: 'sign', text: sign.trim() })
  }
  return found
}

/** The value of an arithmetic text. */
export function evaluateText(text: string): Interval {
  const list = tokens(text)
  let at = 0
  const peek = () => list[at]
  const isSign = (...signs: string[]) => {
    const token = peek()
    return token?.kind === 'sign' && signs.includes(token.text)
  }
  function rounded(value: Interval): Interval {
    const token = peek()
    if (token?.kind !== 'round') return value
    at++
    if (token.text === 'cent') return { low: value.low - 0.005, high: value.high + 0.005 }
    const round = token.text === 'down' ? Math.floor : Math.ceil
    return { low: round(value.low + 1e-9), high: round(value.high - 1e-9) }
  }
  function many(): Interval {
    const token = peek()
    if (token?.kind !== 'list') return rounded(sum())
    at++
    const values = [sum()]
    while (isSign(',')) {
      at++
      values.push(sum())
    }
    const pick = token.text === 'least' ? Math.min : Math.max
    return {
      low: pick(...values.map(({ low }) => low)),
      high: pick(...values.map(({ high }) => high)),
    }
  }
  function sum(): Interval {
    let value = product()
    while (isSign('+', '−')) {
      const { text: sign } = list[at++] as { text: string }
      const next = product()
      value = add(value, sign === '−' ? negated(next) : next)
    }
    return value
  }
  function product(): Interval {
    let value = single()
    while (isSign('×', '÷')) {
      const { text: sign } = list[at++] as { text: string }
      const next = single()
      value = sign === '×' ? times(value, next) : over(value, next)
    }
    return value
  }
  function single(): Interval {
    const token = list[at++]
    if (token?.kind === 'number') return token.value
    if (token?.kind === 'sign' && token.text === '−') return negated(single())
    if (token?.kind === 'sign' && token.text === '(') {
      const value = many()
      if (!isSign(')')) throw new Error(`a bracket is not closed in: ${text}`)
      at++
      return value
    }
    throw new Error(`cannot be read: ${text}`)
  }
  const value = many()
  if (at < list.length) throw new Error(`more behind the end in: ${text}`)
  return value
}

/**
 * Whether a formula adds up: what stands before '=' comes to what stands behind it, as far as its
 * numbers are written.
 */
export function addsUp(formula: string): boolean {
  const [left = '', right = '', ...more] = formula.split(' = ')
  if (more.length > 0 || right === '') return false
  const [result = '', whole] = right.split(/, rounded (?:down|up): /)
  const [a, b] = [evaluateText(left), evaluateText(result)]
  if (a.low > b.high || b.low > a.high) return false
  if (whole === undefined) return true
  const c = evaluateText(whole)
  const round = right.includes('down') ? Math.floor : Math.ceil
  return round(a.low - 1e-9) <= c.high && c.low <= round(a.high + 1e-9)
}
