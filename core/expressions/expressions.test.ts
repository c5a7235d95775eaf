import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { exactly, type Estimate } from '../figure'
import { plainFormat } from '../units/format'
import { absentFigure, declareFigure } from './declareFigure'
import { endsTogether, estimateOfExpression, likelyOf } from './evaluate'
import {
  brief,
  chosen,
  constant,
  conversion,
  field,
  figureOf,
  largest,
  least,
  minus,
  named,
  notBelowNothing,
  product,
  productOf,
  quoted,
  quotient,
  rest,
  roundedDown,
  roundedUp,
  sum,
  sumTold,
  thatFigure,
  toTheCent,
  workedOut,
} from './expression'
import { formulaText } from './expressionText'

const about = (low: number, likely: number, high: number): Estimate => ({ low, likely, high })
const upload = field('network.uploadMbps', [40, 'Mb/s'])
const reserve = field('network.uploadReserveShare', [0.25, 'share'])
const rung = field('network.awayRungMbps', [4, 'Mb/s/stream'])

/** The example of the internet line: 40 Mb/s, a quarter reserved, 4 Mb/s for each stream. */
const streams = declareFigure(
  () =>
    roundedDown(quotient(product(upload, rest(reserve)), product(rung, constant(1.08, 'factor')))),
  { id: 'x.streams', label: 'Streams', unit: 'streams' },
  plainFormat,
)

describe('a figure', () => {
  it('takes value, formula and inputs from its one expression', () => {
    expect(streams).toMatchObject({ value: 6, low: 6, high: 6, basis: 'computed' })
    expect(streams.formula).toBe(
      '40 Mb/s × (1 − 0.25) ÷ (4 Mb/s × 1.08) = 6.944 streams, rounded down: 6',
    )
    expect(streams.inputs).toEqual([
      'network.uploadMbps',
      'network.uploadReserveShare',
      'network.awayRungMbps',
    ])
  })
  it('crosses to a worker whole, its text included', () => {
    expect(structuredClone(streams).formula).toBe(streams.formula)
    expect(JSON.parse(JSON.stringify(streams)).inputs).toEqual(streams.inputs)
  })
  it('refuses numbers that are none, and bands that do not enclose the value', () => {
    const parts = { id: 'x', label: 'X', unit: 'TB' } as const
    const of = (value: number, band?: Estimate) =>
      declareFigure(() => constant(value, 'TB'), band ? { ...parts, band } : parts, plainFormat)
    expect(() => of(Number.NaN).value).toThrow('FIGURE_NOT_FINITE')
    expect(() => of(1, about(2, 1, 3)).value).toThrow('FIGURE_BAND')
  })
  it('that does not apply says why, and is no term of another', () => {
    const absent = absentFigure('No drives yet.', {
      id: 'x',
      label: 'X',
      unit: 'TB',
      inputs: ['drives.lots', { figure: 'drives.rawTB' }],
      formula: 'size',
    })
    expect(absent).toMatchObject({
      value: null,
      low: null,
      high: null,
      note: 'No drives yet.',
      inputs: ['drives.lots', 'drives.rawTB'],
    })
    expect(() => thatFigure(absent, 'TB')).toThrow('FIGURE_NULL')
  })
})

describe('units', () => {
  it('that do not add up do not compile', () => {
    // @ts-expect-error a rate squared is no rate
    declareFigure(() => product(upload, upload), { id: 'x', label: 'X', unit: 'Mb/s' }, plainFormat)
    // @ts-expect-error a rate and a size have no sum
    sum(upload, constant(3, 'TB'))
    // @ts-expect-error there is no such field
    field('network.uploadMps', [40, 'Mb/s'])
    // @ts-expect-error a number alone is no expression: it has no input
    expect(() => sum(3, constant(1, 'factor'))).toThrow()
    // @ts-expect-error hours are not to be had from GB by a rate in TB
    least(quotient(constant(1, 'GB'), constant(1, 'TB/h')), constant(1, 'h'))
    expect(likelyOf(quotient(constant(6, 'W·h'), constant(2, 'h')))).toBe(3)
  })
  it('count drives and each drive as one', () => {
    const watts = product(constant(3, 'drives'), constant(5, 'W/drive'))
    const told = declareFigure(() => watts, { id: 'x', label: 'X', unit: 'W' }, plainFormat)
    expect(told.formula).toBe('3 drives × 5 W = 15 W')
  })
})

describe('the text of an expression', () => {
  const text = (expression: Parameters<typeof formulaText>[0], unit = 'TB') =>
    formulaText(expression, { unit }, plainFormat)
  const [a, b] = [constant(2, 'TB'), constant(3, 'TB')]
  it('puts brackets where they are needed, and nowhere else', () => {
    const two = constant(2, 'factor')
    expect(text(product(sum(a, b), two))).toBe('(2 TB + 3 TB) × 2 = 10 TB')
    expect(text(sum(product(a, two), minus(sum(a, minus(b)))))).toBe(
      '2 TB × 2 − (2 TB − 3 TB) = 5 TB',
    )
    expect(text(quotient(quotient(a, two), product(two, two)))).toBe('2 TB ÷ 2 ÷ (2 × 2) = 0.25 TB')
    expect(text(sum(largest(a, b), b))).toBe('(the larger of 2 TB, 3 TB) + 3 TB = 6 TB')
    expect(text(least(a, b, a))).toBe('the least of 2 TB, 3 TB, 2 TB = 2 TB')
    expect(text(product(roundedUp(quotient(b, a)), a))).toBe(
      '(3 TB ÷ 2 TB, rounded up) × 2 TB = 4 TB',
    )
  })
  it('writes words, money, chances and conversions as people read them', () => {
    expect(text(constant(890, 'money', { before: 'machine' }), 'money')).toBe('machine €890 = €890')
    expect(text(constant(0.00002, 'share', { asChance: true, after: 'theft' }), 'share')).toBe(
      '1 in 50,000 theft = 1 in 50,000',
    )
    expect(text(quotient(a, conversion(1000, 'GB/TB')))).toBe('2 TB ÷ 1,000 = 0.002 TB')
    expect(text(named(sum(a, b), { after: 'of both' }))).toBe('(2 TB + 3 TB) of both = 5 TB')
    expect(text(brief(sum(a, b), 'TB', { by: [], before: quoted('films') }))).toBe(
      '“films” 5 TB = 5 TB',
    )
    expect(text(toTheCent(constant(1 / 3, 'money')), 'money')).toBe('€0.33 = €0.33')
    expect(text(workedOut(3, 'TB', { inputs: [], says: 'a search found it' }))).toBe(
      'a search found it',
    )
  })
  it('tells the first terms of a long sum, and the others together, with all inputs', () => {
    const terms = [1, 2, 3, 4].map(at => field(`library.holdings.${at}.titles`, [at, 'titles']))
    const long = sumTold(terms, 'titles', 2)
    expect(text(long, 'titles')).toBe('1 title + 2 titles + 7 titles of the others = 10 titles')
    const { inputs } = declareFigure(
      () => long,
      { id: 'x', label: 'X', unit: 'titles' },
      plainFormat,
    )
    expect(inputs).toHaveLength(4)
  })
})

describe('the band of an expression', () => {
  const band = (of: Parameters<typeof estimateOfExpression>[0]) => estimateOfExpression(of)
  it('of a sum adds swings by the root of the sum of squares', () => {
    const { low, likely, high } = band(
      sum(constant(about(7, 10, 14), 'TB'), constant(about(6, 10, 13), 'TB')),
    )
    expect([low, likely, high]).toEqual([15, 20, 25])
  })
  it('of a product does so in logarithms, and an input that stands twice swings once', () => {
    const x = constant(about(5, 10, 20), 'factor')
    expect(band(product(x, constant(3, 'TB'))).high).toBeCloseTo(60, 9)
    expect(band(product(x, x)).high).toBeCloseTo(400, 9)
    const two = [x, constant(about(5, 10, 20), 'factor')]
    expect(band(productOf(two)).high).toBeCloseTo(100 * 2 ** Math.SQRT2, 9)
  })
  it('of a sum with one uncertain term is the band of that term, moved', () => {
    const uncertain = quotient(constant(about(5, 10, 20), 'TB'), constant(2, 'factor'))
    expect(band(sum(uncertain, minus(constant(1, 'TB'))))).toEqual({
      low: expect.closeTo(1.5, 9),
      likely: 4,
      high: expect.closeTo(9, 9),
    })
  })
  it('is rounded last, and its ends go together where that is said', () => {
    expect(band(roundedDown(constant(about(1.2, 2.9, 3.99), 'streams')))).toEqual(about(1, 2, 3))
    const pair = sum(constant(about(1, 2, 3), 'W'), constant(about(1, 2, 3), 'W'))
    expect(endsTogether(pair)).toEqual(about(2, 4, 6))
  })
  it('encloses the value, whatever the numbers', () => {
    const estimate = fc
      .tuple(
        fc.double({ min: 0.01, max: 99, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
      )
      .map(([likely, spread]) => about(likely * (1 - spread / 2), likely, likely * (1 + spread)))
    fc.assert(
      fc.property(estimate, estimate, estimate, (x, y, z) => {
        const tree = quotient(
          sum(constant(x, 'TB'), product(constant(y, 'TB'), constant(2, 'factor'))),
          constant(z, 'factor'),
        )
        const { low, likely, high } = band(tree)
        expect(low).toBeLessThanOrEqual(likely)
        expect(high).toBeGreaterThanOrEqual(likely)
        expect(likely).toBeCloseTo((x.likely + 2 * y.likely) / z.likely, 9)
      }),
    )
  })
  it('never goes below nothing where that is asked for', () => {
    const below = notBelowNothing(sum(constant(1, 'TB'), minus(constant(2, 'TB'))))
    expect(formulaText(below, { unit: 'TB' }, plainFormat)).toBe(
      'the larger of 0, 1 TB − 2 TB = 0 TB',
    )
    expect(band(chosen(['drives.lots'], below))).toEqual(exactly(0))
    expect(likelyOf(figureOf('x.y', [about(0, 1, 2), 'TB']))).toBe(1)
  })
})
