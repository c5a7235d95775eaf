import { describe, expect, it } from 'vitest'
import { parseNumber } from './parseNumber'

describe('a number as people type it', () => {
  it.each([
    ['12', 12],
    ['12.5', 12.5],
    ['12,5', 12.5],
    [' 1 200 ', 1200],
    ['1\u202f200,5', 1200.5],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['−3', -3],
    ['1e3', 1000],
    ['.5', 0.5],
    ['5.', 5],
    ["1'200", 1200],
  ])('%j is %d', (text, number) => expect(parseNumber(text)).toBe(number))
  it('is null when empty, and undefined when it is none', () => {
    expect(parseNumber('  ')).toBeNull()
    for (const text of ['fast', '1..2', '12x', 'NaN', 'Infinity', '--1', '0x10'])
      expect(parseNumber(text)).toBeUndefined()
  })
})
