import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { planSchema } from './plan/planSchema'
import { sameValue } from './sameValue'

describe('the same value', () => {
  it.each([
    ['numbers', 1, 1, true],
    ['what is no number', Number.NaN, Number.NaN, true],
    ['nothing and minus nothing', 0, -0, false],
    ['text and number', '1', 1, false],
    ['null and undefined', null, undefined, false],
    ['null and an object', null, {}, false],
    ['an empty list and an empty object', [], {}, false],
    ['lists', [1, [2]], [1, [2]], true],
    ['lists of another order', [1, 2], [2, 1], false],
    ['a longer list', [1], [1, 2], false],
    ['objects in any order', { a: 1, b: 2 }, { b: 2, a: 1 }, true],
    ['a field more', { a: 1 }, { a: 1, b: undefined }, false],
    ['another field', { a: undefined }, { b: undefined }, false],
  ])('%s', (_, one, other, expected) => {
    expect(sameValue(one, other)).toBe(expected)
    expect(sameValue(other, one)).toBe(expected)
  })
  it('of what is neither list nor plain object only where it is the very same', () => {
    const [map, array, work] = [new Map(), new Float64Array(2), () => 1]
    expect([sameValue(map, map), sameValue(array, array), sameValue(work, work)]).toEqual([
      true,
      true,
      true,
    ])
    expect([
      sameValue(map, new Map()),
      sameValue(array, new Float64Array(2)),
      sameValue(work, () => 1),
    ]).toEqual([false, false, false])
  })
  it('does not look into what is shared', () => {
    const shared = Object.defineProperty({}, 'a', {
      enumerable: true,
      get: () => {
        throw new Error('looked into')
      },
    })
    expect(sameValue({ shared, b: 1 }, { shared, b: 1 })).toBe(true)
    expect(() => sameValue({ shared }, { shared: { a: 1 } })).toThrow('looked into')
  })
  it('is that of any copy, and not of a copy with one change', () => {
    const plan = planSchema.parse(tideMillHouse)
    expect(sameValue(plan, structuredClone(plan))).toBe(true)
    fc.assert(
      fc.property(
        fc.jsonValue(),
        value =>
          sameValue(value, JSON.parse(JSON.stringify(value))) ||
          JSON.stringify(value).includes('-0') ||
          Object.is(value, -0) ||
          JSON.stringify(JSON.parse(JSON.stringify(value))) === JSON.stringify(value),
      ),
    )
    const changed = structuredClone(plan)
    changed.household.habits[0]!.minutes += 1
    expect(sameValue(plan, changed)).toBe(false)
  })
})
