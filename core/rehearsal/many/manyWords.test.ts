import { describe, expect, it } from 'vitest'
import { plainFormat } from '../../units/format'
import { emptyTally } from './tally'
import { blames, delayWithin, manySentence, oneIn, resultOf } from './manyWords'

const nameOf = (blame: string) =>
  ({
    'processor 0': 'the processor',
    'drives 0': 'the drives',
    'never machine 1': 'HDR cannot be converted on this machine',
    hang: 'the machine hangs',
  })[blame] ?? blame
const say = (evenings: number, disturbed: number, blame = '', blameShare = 0) =>
  manySentence({ evenings, disturbed, blame, blameShare }, { nameOf, format: plainFormat })

describe('the result in words', () => {
  it.each([
    [0, 'no evening'],
    [1 / 34, 'about 1 evening in 34'],
    [0.25, 'about 1 evening in 4'],
    [0.6, '6 of 10 evenings'],
    [0.997, 'nearly every evening'],
  ])('%d is %s', (share, text) => expect(oneIn(share, plainFormat)).toBe(text))
  it('names what is to blame, and how often it is', () => {
    expect(say(1000, 0)).toBe(
      'None of 1,000 evenings is disturbed; 0.38 % of them might be, at most.',
    )
    expect(say(1020, 30)).toBe('About 1 evening in 34 is disturbed.')
    expect(say(1020, 30, 'never machine 1', 0.95)).toBe(
      'About 1 evening in 34 is disturbed, nearly always because HDR cannot be ' +
        'converted on this machine.',
    )
    expect(say(1020, 30, 'processor 0', 0.6)).toBe(
      'About 1 evening in 34 is disturbed, mostly because the processor is full.',
    )
    expect(say(100, 60, 'drives 0', 0.4)).toBe(
      '6 of 10 evenings are disturbed, most often because the drives are full.',
    )
    expect(say(100, 100, 'hang', 1)).toBe(
      'Nearly every evening is disturbed, nearly always because the machine hangs.',
    )
  })
  it('blames the machine for what is its own alone', () => {
    const tally = {
      ...emptyTally(1, 1),
      stallBlame: { 'processor 0': 3 },
      gaveUpBlame: { 'processor 0': 1 },
      refusedBlame: { 'never line 0': 9, driverSessions: 2 },
    }
    expect(blames(tally)).toEqual([
      ['processor 0', 4],
      ['driverSessions', 2],
    ])
    expect(resultOf(tally)).toMatchObject({ blame: 'processor 0', blameShare: 4 / 6 })
    expect(resultOf(emptyTally(1, 1))).toMatchObject({ blame: '', blameShare: 0 })
  })
  it('tells delays by their order', () => {
    const delays = { 25: 5, 30: 4, 100: 1 }
    expect(delayWithin({ delays }, 0.5)).toBe(2.5)
    expect(delayWithin({ delays }, 0.9)).toBe(3)
    expect(delayWithin({ delays }, 0.95)).toBe(10)
    expect(delayWithin({ delays: {} }, 0.5)).toBeNull()
  })
})
