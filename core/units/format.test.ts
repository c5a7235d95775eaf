import { describe, expect, it } from 'vitest'
import { formatOf, plainFormat } from './format'

const { number, share, money, quantity, range, span, hours } = plainFormat
const german = formatOf({ locale: 'de-DE', currency: 'CHF' })

describe('numbers', () => {
  it.each([
    [12_000, '12,000'],
    [0.3, '0.3'],
    [941.482, '941.5'],
    [0, '0'],
    [-4.5, '−4.5'],
    [3.62e-5, '3.62e-5'],
    [1e14, '1e14'],
    [8, '8'],
    [-2e-5, '−2e-5'],
    [1_234_567.8, '1,234,568'],
  ])('%d is %s', (value, text) => expect(number(value)).toBe(text))
  it('keep as many digits as are asked for, and never cut whole ones', () => {
    expect([number(2.345, 2), number(123_456, 2)]).toEqual(['2.3', '123,456'])
  })
  it('never show NaN or Infinity', () =>
    expect([number(Number.NaN), number(Infinity)]).toEqual(['–', '–']))
  it('follow the locale; one that is not known is English', () => {
    expect(german.number(12_345.6, 6)).toBe('12.345,6')
    expect(formatOf({ locale: 'xx-nonsense-', currency: 'EUR' }).number(1234.5, 5)).toBe('1,234.5')
    expect(formatOf({ locale: '', currency: 'EUR' }).locale).toBe('en')
  })
})

describe('money', () => {
  it('has its sign where the locale puts it, and cents for small amounts only', () => {
    expect([money(2785), money(0.31), money(12.4), money(5)]).toEqual([
      '€2,785',
      '€0.31',
      '€12',
      '€5',
    ])
    expect(german.money(2785).replace(/\s/g, ' ')).toBe('2.785 CHF')
  })
})

describe('shares and chances', () => {
  it.each([
    [0, '0 %'],
    [-1, '0 %'],
    [0.25, '25 %'],
    [0.0123, '1.2 %'],
    [1, '100 %'],
    [0.999, '99.9 %'],
    [0.001, '0.1 %'],
    [0.000999, '1 in 1,000'],
    [3.62e-5, '1 in 28,000'],
    [1.1e-6, '1 in 910,000'],
    [0.99e-6, 'under 1 in 1,000,000'],
    [1e-15, 'under 1 in 1,000,000'],
  ])('%d is %s', (value, text) => expect(share(value)).toBe(text))
})

describe('quantities', () => {
  it('stand in the singular for one', () => {
    expect(
      ['bays', 'drives', 'conversions', 'failed drives', 'streams'].map(unit =>
        quantity(1, unit).replace('\u00A0', ' '),
      ),
    ).toEqual(['1 bay', '1 drive', '1 conversion', '1 failed drive', '1 stream'])
    expect(quantity(2, 'bays')).toBe('2\u00A0bays')
    expect(quantity(-1, 'ports')).toBe('−1\u00A0port')
  })
  it('know months, money and shares', () => {
    expect([
      quantity(0, 'month'),
      quantity(14, 'month'),
      quantity(85, 'money'),
      quantity(0.25, 'share'),
    ]).toEqual(['today', 'month 14', '€85', '25 %'])
    expect(plainFormat.unit('money/kWh')).toBe('EUR/kWh')
  })
  it('show a range once where both ends look the same', () => {
    expect(range({ low: 2, high: 4 }, 'TB')).toBe('2–4')
    expect(range({ low: 2.0001, high: 2.0002 }, 'TB')).toBe('2')
    expect(range({ low: 0.1, high: 0.2 }, 'share')).toBe('10 % to 20 %')
    // Both ends in one manner.
    expect(range({ low: 1 / 23_000, high: 0.0028 }, 'share')).toBe('1 in 23,000 to 1 in 360')
    expect(span({ low: 1 / 23_000, high: 0.099 }, 'share')).toBe('1 in 23,000 to 1 in 10')
    expect(span({ low: 1 / 23_000, high: 0.1 }, 'share')).toBe('0.0043 % to 10 %')
    expect(span({ low: 0.00099, high: 0.0011 }, 'share')).toBe('1 in 1,000 to 1 in 910')
    expect(span({ low: 0.001, high: 0.02 }, 'share')).toBe('0.1 % to 2 %')
    expect(span({ low: 0, high: 0.02 }, 'share')).toBe('0 % to 2 %')
    expect(span({ low: 2, high: 4 }, 'TB')).toBe('2 to 4')
  })
  it('tell hours, and days once it lasts', () => {
    expect([3.4, 9.96, 29.63, 71.4, 72, 100].map(hours)).toEqual([
      '3.4\u00A0h',
      '10\u00A0h',
      '30\u00A0h',
      '71\u00A0h',
      '3\u00A0days',
      '4.2\u00A0days',
    ])
  })
  it('stay the same whatever was written before them', () => {
    const format = formatOf({ locale: 'en', currency: 'EUR' })
    for (let value = 0; value < 12_000; value++) format.number(value + 0.5)
    expect([
      format.number(1234.5),
      format.number(1234.5, 2),
      format.number(0.5),
      format.number(-0.5),
    ]).toEqual(['1,235', '1,235', '0.5', '−0.5'])
  })
})
