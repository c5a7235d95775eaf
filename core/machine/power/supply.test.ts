import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { efficiencyClasses } from '../../catalogue/hardware/partWords'
import { catalogue, entryOf } from '../../catalogue/catalogue'
import { largestFirst, surgeOf, usualSurge } from '../../drives/surge'
import { supplyPasses } from './supplyChoice'
import { groupDelayS, maxShareOfRating, spinUpS, startCourse, startSurge } from './startSurge'
import {
  at230V,
  brickEfficiency,
  dcW,
  efficiencyTable,
  supplyEfficiency,
  wallW,
  type SupplyLosses,
} from './supplyCurve'

const gold550 = { ratingW: 550, efficiency: 'gold', mainsVolts: 115 } as const

describe('watts at the wall', () => {
  it('follow the class at its four shares, with straight lines between', () => {
    for (const [share, efficiency] of [
      [0.1, 0.84],
      [0.2, 0.87],
      [0.5, 0.9],
      [1, 0.87],
      [0.35, 0.885],
      [0.75, 0.885],
    ] as const)
      expect(wallW(550 * share, gold550)).toBeCloseTo((550 * share) / efficiency, 9)
    expect(efficiencyTable).toEqual({
      none: [0.65, 0.75, 0.78, 0.76],
      white: [0.7, 0.8, 0.8, 0.8],
      bronze: [0.75, 0.82, 0.85, 0.82],
      silver: [0.8, 0.85, 0.88, 0.85],
      gold: [0.84, 0.87, 0.9, 0.87],
      platinum: [0.87, 0.9, 0.92, 0.89],
      titanium: [0.9, 0.92, 0.94, 0.9],
    })
  })
  it('below a tenth keep half of the loss there: 20 W on a gold supply of 550 W are 27.1 W', () => {
    expect(wallW(20, gold550)).toBeCloseTo(27.14, 2)
    expect(wallW(0, gold550)).toBeCloseTo((55 * (1 / 0.84 - 1)) / 2, 9)
    expect(wallW(55 - 1e-9, gold550)).toBeCloseTo(wallW(55, gold550), 6)
  })
  it('at 230 V lose a point and a half less', () => {
    expect(at230V).toEqual({ low: 0.01, likely: 0.015, high: 0.02 })
    expect(wallW(275, { ...gold550, mainsVolts: 230 })).toBeCloseTo(275 / 0.915, 9)
  })
  it('of a brick, and of a supply that is not known, are flat', () => {
    expect([brickEfficiency, supplyEfficiency]).toEqual([0.85, 0.85])
    expect(wallW(17, { ratingW: 90, efficiency: 'brick', mainsVolts: 230 })).toBeCloseTo(20, 9)
    expect(wallW(17, null)).toBeCloseTo(20, 9)
    expect(() => wallW(-1, null)).toThrow('SUPPLY_DC')
  })
  it('rise with what is taken, are more than it, and lead back to it', () => {
    const losses = fc.record({
      ratingW: fc.integer({ min: 60, max: 1200 }),
      efficiency: fc.constantFrom(...efficiencyClasses),
      mainsVolts: fc.constantFrom(115 as const, 230 as const),
    })
    fc.assert(
      fc.property(
        losses,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (supply: SupplyLosses, one, other) => {
          const [less, more] = [
            Math.min(one, other) * supply.ratingW,
            Math.max(one, other) * supply.ratingW,
          ]
          expect(wallW(less, supply)).toBeLessThanOrEqual(wallW(more, supply) + 1e-9)
          expect(wallW(more, supply)).toBeGreaterThanOrEqual(more)
          expect(dcW(wallW(more, supply), supply)).toBeCloseTo(more, 6)
        },
      ),
    )
  })
})

describe('a start', () => {
  const alike = (count: number) => Array.from({ length: count }, () => usualSurge)
  const eight = {
    surges: alike(8),
    idleEachW: 5,
    together: 8,
    restW: 65 + 15 + 5 + 4.5,
    rest12W: 65 + 4.5,
  }
  it('of eight drives and a processor of 65 W takes 289.5 W and 21.8 A', () => {
    expect(startSurge(eight)).toEqual({ watts: 289.5, amps12: expect.closeTo(21.79, 2), groups: 1 })
    expect([usualSurge, maxShareOfRating]).toEqual([{ watts: 25, amps12: 2 }, 0.8])
  })
  it('in groups takes less: those that wait or turn already count at idle', () => {
    expect(startSurge({ ...eight, together: 3 })).toEqual({
      watts: 3 * 25 + 5 * 5 + 89.5,
      amps12: expect.closeTo(6 + 69.5 / 12, 9),
      groups: 3,
    })
    expect(startSurge({ ...eight, surges: [] })).toMatchObject({ watts: 89.5, groups: 0 })
    expect(() => startSurge({ ...eight, together: 0 })).toThrow('START_TOGETHER')
  })
  it('takes what the models take: those that start together at the worst moment are the largest', () => {
    const model = (id: string) => surgeOf(entryOf(catalogue.driveModels, id)!)
    // Sluice 8 takes 20 W, Ebb 12 takes 26 W; amps are watts at 12 V.
    const surges = largestFirst([model('sluice-8'), model('ebb-12'), model('sluice-8')])
    expect(surges.map(({ watts }) => watts)).toEqual([26, 20, 20])
    expect(startSurge({ ...eight, surges, together: 3 })).toMatchObject({
      watts: 66 + 89.5,
      amps12: expect.closeTo(66 / 12 + 69.5 / 12, 9),
    })
    expect(startSurge({ ...eight, surges, together: 2 })).toMatchObject({
      watts: 46 + 5 + 89.5,
      groups: 2,
    })
    // Of every way to make groups none starts with more.
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 30 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 1, max: 8 }),
        (watts, together) => {
          const drawn = watts.map(w => ({ watts: w, amps12: w / 12 }))
          const question = { ...eight, idleEachW: 0, surges: largestFirst(drawn), together }
          const most = Math.max(
            ...Array.from({ length: 2 ** drawn.length }, (_, set) =>
              drawn.filter((__, at) => (set >> at) & 1),
            )
              .filter(group => group.length <= together)
              .map(group => group.reduce((sum, drive) => sum + drive.watts, 0)),
          )
          expect(startSurge(question).watts).toBeCloseTo(most + 89.5, 9)
        },
      ),
    )
  })
  it('is carried by a supply up to its very ratings', () => {
    const supply = { ratingW: 400, amps12: 30 }
    const passes = (runningW: number, watts: number, amps12: number) =>
      supplyPasses(supply, { runningW, surge: { watts, amps12 } })
    expect(passes(320, 400, 30)).toBe(true)
    expect([passes(320.1, 400, 30), passes(320, 400.1, 30), passes(320, 400, 30.1)]).toEqual([
      false,
      false,
      false,
    ])
  })
  it('drawn over the seconds has the surge as its highest step, and ends with all turning', () => {
    expect([groupDelayS, spinUpS]).toEqual([8, 8])
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 24 }),
        fc.integer({ min: 1, max: 24 }),
        (spinning, together) => {
          const question = { ...eight, surges: alike(spinning), together }
          const course = startCourse(question)
          expect(Math.max(...course.map(({ watts }) => watts))).toBeCloseTo(
            startSurge(question).watts,
            9,
          )
          expect(Math.max(...course.map(({ amps12 }) => amps12))).toBeCloseTo(
            startSurge(question).amps12,
            9,
          )
          expect(course[0]).toEqual({ s: 0, watts: 0, amps12: 0 })
          expect(course.at(-1)!.watts).toBeCloseTo(5 * spinning + 89.5, 9)
        },
      ),
    )
  })
})
