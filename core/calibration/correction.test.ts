import { describe, expect, it } from 'vitest'
import { exactly, type Estimate } from '../figure'
import { planSchema } from '../plan/planSchema'
import type { CalibratedFigure, Trial } from '../plan/trials'
import { apartFrom, correctionOf, leastWeight, type Held } from './correction'
import { figureRules } from './figureRules'
import { heldAgainst, ofMark, trialsOf } from './heldTrials'

let count = 0
const trial = (parts: Partial<Trial> & { figure: CalibratedFigure }): Trial =>
  planSchema.parse({
    name: 'x',
    calibration: { trials: [{ id: `m${count++}`, day: '2026-11-20', ...parts }] },
  }).calibration.trials[0]!

const rounded = ({ low, likely, high }: Estimate, digits = 2) =>
  [low, likely, high].map(value => Number(value.toFixed(digits)))

const exact = (figure: CalibratedFigure, values: readonly number[], range: Estimate) =>
  correctionOf(
    figure,
    range,
    values.flatMap(value => heldAgainst(trial({ figure, value }), range.likely)),
  )!

describe('a correction', () => {
  it('of watts at rest: 61 and 60 read where 54.06 was planned', () => {
    const { corrected, factor } = exact('idleW', [61, 60], {
      low: 49.89,
      likely: 54.06,
      high: 58.09,
    })
    expect(rounded(corrected, 1)).toEqual([57.9, 59.6, 61.4])
    expect(factor.likely * 54.06).toBeCloseTo(corrected.likely, 9)
  })
  it('holds a third of 90 apart: 8 standard deviations', () => {
    const { trials, corrected } = exact('idleW', [61, 60, 90], {
      low: 49.89,
      likely: 54.06,
      high: 58.09,
    })
    expect(trials.map(({ state }) => state)).toEqual(['counts', 'counts', 'apart'])
    expect(trials[2]!.deviations).toBeCloseTo(8, 1)
    expect(trials[2]!.weight).toBeNull()
    expect(rounded(corrected, 1)).toEqual([57.9, 59.6, 61.4])
  })
  it('of a link of 941.5 that carries 905; a tenth of it is held apart', () => {
    expect(rounded(exact('homeLink', [905], exactly(941.5)).corrected, 0)).toEqual([884, 928, 974])
    const apart = exact('homeLink', [94.1], exactly(941.5))
    expect(apart.trials[0]!.state).toBe('apart')
    expect(apart.corrected).toEqual(exactly(941.5))
  })
  it('of warmth: 18 K where 25.3 was planned', () => {
    expect(rounded(exact('driveRise', [18], exactly(25.3)).corrected, 1)).toEqual([
      16.7, 18.9, 21.5,
    ])
  })
  it('of copies: 96 and 101 where 117.7 was planned, and 38 apart', () => {
    const { corrected, trials } = exact('copyRate', [96, 101, 38], {
      low: 94.2,
      likely: 117.7,
      high: 123.6,
    })
    expect(rounded(corrected, 1)).toEqual([92.9, 101.3, 111.2])
    expect(trials[2]!.state).toBe('apart')
  })

  it('is held apart beyond four standard deviations, on either side', () => {
    expect(apartFrom).toBe(4)
    const range = { low: 80, likely: 100, high: 125 }
    const sigma = Math.log(1.25) / 1.28155
    const edge = 4 * Math.hypot(sigma, figureRules.idleW.spread)
    for (const side of [-1, 1]) {
      const at = (share: number) =>
        exact('idleW', [100 * Math.exp(side * edge * share)], range).trials[0]!.state
      expect(at(0.999)).not.toBe('apart')
      expect(at(1.001)).toBe('apart')
    }
  })
  it('does not fit the others under a weight of a half', () => {
    expect(leastWeight).toBe(0.5)
    const { trials } = exact('idleW', [100, 101, 99, 113], { low: 80, likely: 100, high: 125 })
    expect(trials.map(({ state }) => state)).toEqual(['counts', 'counts', 'counts', 'doesNotFit'])
    expect(trials[3]!.weight).toBeLessThan(0.5)
  })

  it('never narrower than the least that is believed', () => {
    const many = Array.from({ length: 40 }, () => 60)
    const { corrected } = exact('idleW', many, { low: 49.89, likely: 54.06, high: 58.09 })
    expect(corrected.high / corrected.likely).toBeCloseTo(1 + figureRules.idleW.least, 9)
    expect(corrected.likely / corrected.low).toBeCloseTo(1 + figureRules.idleW.least, 9)
  })
  it('is none without a measurement, or where the plan has nothing above 0', () => {
    expect(correctionOf('idleW', exactly(50), [])).toBeNull()
    expect(
      correctionOf('idleW', exactly(0), [
        { trial: trial({ figure: 'idleW', value: 4 }), from: 0, to: 0, spread: 0.03 },
      ]),
    ).toBeNull()
  })

  it('that was said to be so takes the place of the plan; later ones count from there', () => {
    const range = exactly(941.5)
    const held = (value: number, parts: Partial<Trial> = {}): Held[] =>
      heldAgainst(trial({ figure: 'homeLink', value, ...parts }), 941.5)
    const stands = correctionOf('homeLink', range, held(94.1, { standing: 'soItIs' }))!
    const side = Math.max(1.28155 * 0.05, Math.log(1.05))
    expect(rounded(stands.corrected, 3)).toEqual(
      [-side, 0, side].map(by => Number((94.1 * Math.exp(by)).toFixed(3))),
    )
    expect(stands.trials[0]!.state).toBe('soItIs')
    const later = correctionOf('homeLink', range, [
      ...held(930),
      ...held(94.1, { standing: 'soItIs' }),
      ...held(90),
    ])!
    expect(later.trials.map(({ state }) => state)).toEqual(['before', 'soItIs', 'counts'])
    expect(later.corrected.likely).toBeGreaterThan(90)
    expect(later.corrected.likely).toBeLessThan(94.1)
  })
  it.each(['fault', 'mistake'] as const)('leaves out what is %s', standing => {
    const held = [61, 75].flatMap((value, at) =>
      heldAgainst(trial({ figure: 'idleW', value, ...(at ? { standing } : {}) }), 54),
    )
    const { trials, corrected } = correctionOf('idleW', exactly(54), held)!
    expect(trials[1]!.state).toBe(standing)
    expect(corrected).toEqual(correctionOf('idleW', exactly(54), held.slice(0, 1))!.corrected)
  })
})

describe('measurements', () => {
  it('are read as a value, between two, or as a bound', () => {
    const read = (parts: Partial<Trial>) =>
      heldAgainst(trial({ figure: 'idleW', value: 20, ...parts }), 10).map(({ from, to }) => [
        from,
        to,
      ])
    expect(read({})).toEqual([[Math.log(2), Math.log(2)]])
    expect(read({ reads: 'atLeast' })).toEqual([[Math.log(2), Infinity]])
    expect(read({ reads: 'atMost' })).toEqual([[-Infinity, Math.log(2)]])
    expect(read({ reads: 'between', upTo: 40 })).toEqual([[Math.log(2), Math.log(4)]])
    expect(read({ reads: 'between', upTo: 20 })).toEqual([])
    expect(read({ reads: 'between', value: 0, upTo: 5 })).toEqual([[-Infinity, Math.log(0.5)]])
    expect(read({ value: 0 })).toEqual([])
    expect(heldAgainst(trial({ figure: 'idleW', value: 20 }), null)).toEqual([])
    expect(heldAgainst(trial({ figure: 'idleW', value: 20 }), 0)).toEqual([])
  })
  it('of another machine do not count; those of the household count everywhere', () => {
    const trials = [
      trial({ figure: 'idleW', mark: 'this' }),
      trial({ figure: 'idleW', mark: 'other' }),
      trial({ figure: 'upload', mark: 'line' }),
    ]
    const found = ofMark({ trials, countsFrom: [] }, 'this')
    expect(found.map(({ figure, mark }) => [figure, mark])).toEqual([
      ['idleW', 'this'],
      ['upload', 'line'],
    ])
    expect(trialsOf({ trials, countsFrom: [] }, 'upload', { mark: 'line' })).toHaveLength(1)
    expect(trialsOf({ trials, countsFrom: [] }, 'upload', { mark: 'another' })).toHaveLength(0)
  })
  it('count from the day of a reset, and stand the oldest first', () => {
    const trials = ['2026-11-20', '2026-10-01', '2026-11-01'].map(day =>
      trial({ figure: 'idleW', mark: 'm', day }),
    )
    const countsFrom = [{ figure: 'idleW' as const, of: '', day: '2026-11-01' }]
    expect(ofMark({ trials, countsFrom }, 'm').map(({ day }) => day)).toEqual([
      '2026-11-01',
      '2026-11-20',
    ])
  })
})
