import { describe, expect, it } from 'vitest'
import { rememberLast } from './rememberLast'

describe('remembering the last results', () => {
  it('computes once for the very same arguments, and anew for others', () => {
    let calls = 0
    const sum = rememberLast((list: readonly number[], more: number) => {
      calls++
      return list.reduce((total, value) => total + value, more)
    })
    const list = [1, 2]
    expect([sum(list, 1), sum(list, 1), sum(list, 2), sum(list, 1), sum([1, 2], 1)]).toEqual([4, 4, 5, 4, 4])
    expect(calls).toBe(3)
  })
  it('forgets the eldest', () => {
    let calls = 0
    const same = rememberLast((value: number) => {
      calls++
      return value
    })
    for (const value of [1, 2, 3, 1]) same(value)
    expect(calls).toBe(4)
  })
})
