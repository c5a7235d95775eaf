import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { deadChances, tryAtHand } from './tryAtHand'

const household = {
  household: { watchingHome: 2, watchingAway: 1, converted: 2 },
  library: { otherTB: 1 },
  drives: { lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' },
}
const tried = (
  atHand: object[],
  cheapest: Parameters<typeof tryAtHand>[2] = { price: 600, idleW: 20 },
) =>
  tryAtHand(planSchema.parse({ name: 'x', ...household, machine: { atHand } }), catalogue, cheapest)

describe('what is at hand', () => {
  it('a computer that meets the need is the base, at the chance that it is dead', () => {
    const [first] = tried([{ name: 'From the office', ref: 'clerk-17' }])
    expect(first).toMatchObject({
      name: 'From the office',
      lacks: [],
      stillLacks: [],
      fixes: [],
      fixesPrice: 0,
      verdict: 'base',
    })
    expect(first!.riskPrice).toBeCloseTo(0.02 * (150 + 30), 9)
    expect(first!.sum).toBeCloseTo(first!.riskPrice, 9)
    expect(deadChances).toEqual({ daily: 0.02, year: 0.08, years: 0.2, never: 0.35 })
  })
  it('what it lacks is mended by the cheapest parts, and the whole then meets the need', () => {
    const [weak] = tried([{ ref: 'clerk-17', score: 1500, worth: 40, lastSeen: 'years' }])
    expect(weak!.lacks).toEqual([])
    const [none] = tried([{ ref: 'pebble-21' }])
    expect(none).toMatchObject({
      lacks: ['fit'],
      stillLacks: [],
      fixes: ['trug-4'],
      fixesPrice: 130,
    })
    expect(
      assess(none!.plan, catalogue).verdicts.filter(
        ({ id, state }) => id !== 'money' && (state === 'short' || state === 'impossible'),
      ),
    ).toEqual([])
  })
  it(
    'one that costs more over the years than a new one is a second machine where it has ' +
      'bays, else it is left',
    () => {
      const [server, laptop] = tried(
        [{ ref: 'crane-10' }, { ref: 'folio-18', lastSeen: 'never', deadChance: 0.9 }],
        { price: 300, idleW: 15 },
      )
      expect(server!.verdict).toBe('secondMachine')
      expect(laptop!.verdict).toBe('leave')
    },
  )
  it('what is more likely dead than not is left, whatever bays it has', () => {
    const verdict = (deadChance: number) =>
      tried([{ ref: 'crane-10', deadChance }], { price: 300, idleW: 15 })[0]!.verdict
    expect([verdict(0.49), verdict(0.5)]).toEqual(['secondMachine', 'leave'])
  })
  it(
    'of nothing at hand there is nothing, and without a build to hold it against it may be ' +
      'the base',
    () => {
      expect(tried([])).toEqual([])
      expect(tried([{ ref: 'crane-14' }], null)[0]!.verdict).toBe('base')
    },
  )
})
