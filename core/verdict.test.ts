import { describe, expect, it } from 'vitest'
import { exactly } from './figure'
import { headroomOrder } from './headrooms'
import {
  ampleShare,
  byHeadroomOrder,
  headroomShare,
  headroomState,
  meetsNeed,
  verdictStates,
  worseState,
  type Verdict,
  type VerdictState,
} from './verdict'

const band = (low: number, likely: number, high: number) => ({ low, likely, high })

describe('the state of a headroom', () => {
  it.each<[string, [number, number, number], [number, number, number], VerdictState]>([
    ['up to 0.7 of the low end', [1, 5, 7], [10, 12, 15], 'ample'],
    ['a little above 0.7 of it', [1, 5, 7.001], [10, 12, 15], 'enough'],
    ['up to the low end', [1, 5, 10], [10, 12, 15], 'enough'],
    ['a little above the low end', [1, 5, 10.001], [10, 12, 15], 'tight'],
    ['likely up to likely', [1, 12, 14], [10, 12, 15], 'tight'],
    ['likely above likely', [1, 12.001, 14], [10, 12, 15], 'short'],
    ['something needed, nothing possible', [0, 1, 2], [0, 0, 0], 'impossible'],
    ['nothing needed, nothing possible', [0, 0, 0], [0, 0, 0], 'ample'],
    ['something needed, perhaps possible', [1, 1, 1], [0, 0, 0.5], 'short'],
  ])('%s', (_, asked, possible, state) => {
    expect(headroomState(band(...asked), band(...possible))).toBe(state)
  })
  it('is unknown while either side is', () => {
    expect(headroomState(null, exactly(1))).toBe('unknown')
    expect(headroomState(exactly(1), null)).toBe('unknown')
  })
  it('leaves three tenths for ample', () => expect(ampleShare).toBe(0.7))
})

describe('states', () => {
  it('that meet the need are ample, enough and tight', () => {
    expect(verdictStates.filter(meetsNeed)).toEqual(['ample', 'enough', 'tight'])
  })
  it('two together are the worse one; unknown hides nothing', () => {
    const known = verdictStates.filter(state => state !== 'unknown')
    known.forEach((one, at) =>
      known.forEach((other, against) => {
        expect(worseState(one, other)).toBe(known[Math.max(at, against)])
      }),
    )
    for (const state of verdictStates) {
      expect(worseState('unknown', state)).toBe(state)
      expect(worseState(state, 'unknown')).toBe(state)
    }
  })
})

describe('the headroom line', () => {
  const verdict = (id: string) => ({ id }) as Verdict
  it('has its own order, with what it does not know behind', () => {
    const shuffled = ['money', 'extra', 'away', 'streams', 'fit', 'home', 'space', 'survival'].map(
      verdict,
    )
    expect(byHeadroomOrder(shuffled).map(({ id }) => id)).toEqual([...headroomOrder, 'extra'])
    expect(shuffled[0]!.id).toBe('money')
  })
  it('tells the share that is taken, where that says something', () => {
    expect(headroomShare(exactly(3), exactly(4))).toBe(0.75)
    expect(headroomShare(exactly(3), exactly(0))).toBeNull()
    expect(headroomShare(null, exactly(4))).toBeNull()
    expect(headroomShare(exactly(3), null)).toBeNull()
  })
})
