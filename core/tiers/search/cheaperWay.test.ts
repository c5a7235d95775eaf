import { describe, expect, it } from 'vitest'
import type { BestBuild } from './bestBuilds'
import { cheaperWay, muchCheaper } from './cheaperWay'

const best = (horizonCost: number, { way = 'office', risk = 0, because = 'years' } = {}) =>
  ({ because: [because], build: { way, horizonCost, risk } }) as unknown as BestBuild

describe('another way beside staying', () => {
  it('is told from a tenth less over the years on', () => {
    expect(muchCheaper).toBe(0.1)
    const told = (cost: number, changes = {}) =>
      cheaperWay({ builds: [best(cost, changes)] }, 1000) !== null
    expect([told(899), told(900), told(901)]).toEqual([true, true, false])
    // What it may cost that a computer at hand is dead counts as well.
    expect([told(850, { risk: 50 }), told(850, { risk: 51 })]).toEqual([true, false])
    expect(told(100, { way: 'stay' })).toBe(false)
    expect(told(100, { because: 'now' })).toBe(false)
    expect(cheaperWay({ builds: [] }, 1000)).toBe(null)
  })
})
