import { describe, expect, it } from 'vitest'
import { assess, type Assessment } from '../../core/assess'
import { catalogue } from '../../core/catalogue/catalogue'
import type { Estimate } from '../../core/figure'
import { planField } from '../../core/plan/planField'
import { newPlan } from '../../core/plan/planSchema'
import { drawPlan } from '../plans/drawPlan'
import { measuredDraw } from '../plans/measuredDraw'
import { addsUp, evaluateText } from './evaluateText'
import { unreached } from './probe'

/** Every fourth with measurements of all that it has. */
const drawnPlan = (seed: number) =>
  seed % 4 === 0 ? measuredDraw(drawPlan(seed), seed) : drawPlan(seed)
const drawn = Array.from({ length: 300 }, (_, at) => ({
  seed: at + 1,
  ...assess(drawnPlan(at + 1), catalogue),
}))
const isArithmetic = (formula: string) => / = |[×÷]/.test(formula)

describe('a text that is read with a calculator', () => {
  it('adds up, or not', () => {
    for (const text of [
      '2 × (3 TB + 4 TB) − 1 TB = 13 TB',
      '2.64 ÷ 0.816 = 3.235, rounded down: 3',
      'the least of 1,000 Mb/s × 1,448 ÷ 1,538, 2,500 Mb/s = 941.5 Mb/s',
      '1 − (1 − 2.5 % “theft, 3 fires”) × (1 − 1 in 1,700) = 0.02557',
      '(3 TB ÷ 2 TB, rounded up) × €12 = €24',
      '−3 + 1.1e12 ÷ 2 = 5.5e11',
    ])
      expect(addsUp(text), text).toBe(true)
    for (const text of [
      '2.64 ÷ 0.816 = 3.5',
      '2 × 3 = 7',
      '2 × 3 = 6, rounded down: 7',
      '2 × 3',
      '1 = 1 = 1',
    ])
      expect(addsUp(text), text).toBe(false)
    expect(() => evaluateText('2 × (3')).toThrow('bracket')
    expect(() => evaluateText('2 3')).toThrow('more behind')
  })
})

describe('figures of plans drawn by lot', () => {
  it('have a formula whose numbers give the value, and inputs that exist', () => {
    let read = 0
    for (const { seed, figures } of drawn) {
      for (const { id, value, formula, inputs } of Object.values(figures)) {
        for (const input of inputs)
          if (!figures[input] && !planField(input)) expect.fail(`${id}: no input ${input}`)
        if (value === null || !isArithmetic(formula)) continue
        read++
        if (!addsUp(formula)) expect.fail(`seed ${seed}, ${id}: ${formula}`)
      }
    }
    expect(read).toBeGreaterThan(15_000)
  })
  it('keep chances within 0 and 1, amounts from nothing on, and the value within its band', () => {
    const fromNothing = /^(W|h|kWh|viewers|conversions|streams|TB|Mb\/s|dB\(A\))$/
    let chances = 0
    for (const { seed, figures } of drawn)
      for (const { id, unit, value, low, high } of Object.values(figures)) {
        if (value === null) continue
        const at = `seed ${seed}, ${id}: ${low} ${value} ${high}`
        expect(low! <= value && value <= high!, at).toBe(true)
        if (fromNothing.test(unit)) expect(low, at).toBeGreaterThanOrEqual(0)
        if (unit !== 'share' || !/chance/i.test(id)) continue
        chances++
        expect(low! >= 0 && high! <= 1, at).toBe(true)
      }
    expect(chances).toBeGreaterThan(1000)
  })
  it('reach every field that they change with', () => {
    for (const seed of [1, 2, 5]) expect(unreached(drawPlan(seed), seed, 1), `${seed}`).toEqual([])
    expect(unreached(newPlan('Nothing'), 1)).toEqual([])
  }, 150_000)
})

type Facts = Assessment['domains']
/** What the quick path has worked out, beside the figure that is declared for telling it. */
const facts: readonly (readonly [
  string,
  (facts: Facts) => Estimate | number | null | undefined,
])[] = [
  ['drives.rawTB', ({ drives }) => drives.rawTB],
  ['drives.usableNeededTB', ({ drives }) => drives.usableNeededTB],
  ['drives.usableTB', ({ drives }) => drives.pool?.arrangement.usableTB],
  ['drives.roomTB', ({ drives }) => drives.pool?.roomTB],
  [
    'drives.rebuildHours',
    ({ drives }) => drives.pool?.rebuild?.corrected ?? drives.pool?.rebuildHours,
  ],
  ['drives.firstBuildHours', ({ drives }) => drives.pool?.firstBuild?.buildHours],
  ['drives.irreplaceableLossChancePerYear', ({ drives }) => drives.pool?.perils.irreplaceable],
  ['drives.replaceableLossChancePerYear', ({ drives }) => drives.pool?.perils.replaceable],
  ['drives.dayOutChancePerYear', ({ drives }) => drives.pool?.perils.dayOut],
  ['library.contentTB', ({ library }) => library.contentTB],
  ['library.growthTBPerMonth', ({ library }) => library.growth.total],
  ['library.irreplaceableTB', ({ library }) => library.irreplaceableTB],
  ['streams.workPerConversion', ({ streams }) => streams.work],
  ['streams.softwareReference', ({ streams }) => streams.converter.processor],
  ['streams.possible', ({ streams }) => streams.possible],
  ['streams.asked', ({ streams }) => streams.needed.needed],
  ['streams.askedHeadCount', ({ streams }) => streams.needed.heads],
  ['streams.minutesShortPerMonth', ({ streams }) => streams.minutes?.perMonth],
  ['network.awayStreams', ({ network }) => network.awayStreamsBand],
  ['network.uploadNeededMbps', ({ network }) => network.uploadNeededMbps],
  ['network.homePeakMbps', ({ network }) => network.homePeak.peakMbps],
  ['network.homeLinkMbps', ({ network }) => network.payload],
  ['network.firstFillHours', ({ wiring }) => wiring.fillHours],
  ['machine.freeBays', ({ machine }) => machine.freeBays],
  ['machine.idleW', ({ machine }) => machine.watts.idle],
  ['machine.loadW', ({ machine }) => machine.watts.converting],
  ['machine.startSurgeW', ({ fitting }) => fitting.context.surge.watts],
  ['machine.startAmps12', ({ fitting }) => fitting.context.surge.amps12],
  ['machine.runningW', ({ fitting }) => fitting.context.runningW],
  [
    'machine.memoryFloorGB',
    ({ fitting }) => {
      const { sumGB, uses } = fitting.context.memory
      // A guest takes 1.5 GB, a third less or more.
      const wide = uses.find(({ id }) => id === 'guests')!.gb / 3
      return { low: sumGB - wide, likely: sumGB, high: sumGB + wide }
    },
  ],
  ['machine.noiseDb', ({ fitting }) => fitting.context.noise.atEarDb],
  ['machine.warmestDriveC', ({ fitting }) => fitting.context.heat.warmestC],
  ['ownership.purchase', ({ ownership }) => ownership.toPay],
  ['ownership.kWhPerYear', ({ ownership }) => ownership.kWhPerYear],
  ['ownership.electricityPerYear', ({ ownership }) => ownership.electricityPerYear],
  ['ownership.horizonTotal', ({ years }) => years.flow.total],
  ['ownership.costPerMonth', ({ years }) => years.flow.perMonth],
]
/** Facts that know no band, where the figure has one. */
const likelyOnly = new Set([
  'drives.usableNeededTB',
  'library.irreplaceableTB',
  'drives.irreplaceableLossChancePerYear',
  'drives.replaceableLossChancePerYear',
  'drives.dayOutChancePerYear',
  // Rules of fit look at the likely start; the range of a measurement stands in the figure.
  'machine.startSurgeW',
  'machine.startAmps12',
  'machine.warmestDriveC',
])

describe('the quick path and the figures', () => {
  it('give the same numbers and bands for 300 plans drawn by lot', () => {
    let compared = 0
    for (const { seed, figures, domains } of drawn) {
      for (const [id, factOf] of facts) {
        const fact = factOf(domains)
        const figure = figures[id]!
        if (fact === null || fact === undefined) {
          expect(figure.value, `seed ${seed}, ${id}`).toBeNull()
          continue
        }
        compared++
        const { low, likely, high } =
          typeof fact === 'number' ? { low: fact, likely: fact, high: fact } : fact
        const near = (a: number | null, b: number) =>
          Math.abs(a! - b) <= 1e-9 * Math.max(1, Math.abs(b))
        const same =
          near(figure.value, likely) &&
          (likelyOnly.has(id) || (near(figure.low, low) && near(figure.high, high)))
        if (!same) expect.fail(`seed ${seed}, ${id}: ${JSON.stringify(figure)} for ${likely}`)
      }
      for (const [column, { key, linkMbps }] of domains.screens.columns.entries())
        expect(figures[`playback.link.${key}`]!.value, `${seed} ${column}`).toBeCloseTo(linkMbps, 9)
    }
    expect(compared).toBeGreaterThan(9_000)
  })
})
