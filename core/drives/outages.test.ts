import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { freshMachine } from '../machine/freshMachine'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { seededRandom } from '../random'
import { dayOutChance, meanOutageH } from './outages'

describe('a machine that is known to be out', () => {
  it('is out for more than a day as often as outages drawn by lot are', () => {
    expect(dayOutChance(0)).toBe(0)
    expect(dayOutChance(24)).toBeCloseTo(0.308, 3)
    expect(meanOutageH).toBe(24)
    const random = seededRandom(5)
    const exponential = (mean: number) => -mean * Math.log(1 - random())
    const hoursPerYear = 40
    let years = 0
    const runs = 40_000
    for (let run = 0; run < runs; run++) {
      let isLong = false
      // Outages come at random: on average 40 ÷ 24 a year.
      for (
        let at = exponential(meanOutageH / hoursPerYear);
        at < 1;
        at += exponential(meanOutageH / hoursPerYear)
      )
        isLong ||= exponential(meanOutageH) > 24
      if (isLong) years++
    }
    expect(years / runs).toBeCloseTo(dayOutChance(hoursPerYear), 2)
  })
  const told = (input: Omit<PlanInput, 'name'>) =>
    assess(planSchema.parse({ name: 'x', drives: { lots: [{ count: 2 }] }, ...input }), catalogue)
  const dayOut = (outageHoursPerYear: number, drives: object = {}) =>
    told({
      machine: { outageHoursPerYear },
      drives: { lots: [{ count: 2 }], ...drives },
    }).figures['drives.dayOutChancePerYear']!
  it('counts in the chance of a day without service, as one cause more', () => {
    const reliable = dayOut(0)
    const bad = dayOut(24)
    expect(1 - bad.value!).toBeCloseTo((1 - reliable.value!) * (1 - dayOutChance(24)), 12)
    expect(bad.formula).toContain('outages of this machine')
    expect(bad.low!).toBeLessThan(bad.value!)
    expect(bad.high!).toBeGreaterThan(bad.value!)
    // More hours are never better.
    const chances = [0, 1, 10, 100, 2000].map(hours => dayOut(hours).value!)
    expect(chances).toEqual([...chances].sort((a, b) => a - b))
  })
  it('is covered by a second one that takes over, and told in a sentence', () => {
    const second = { secondBox: 'everything', secondBoxTakesOver: true }
    const ofOutages = (drives: object) =>
      1 - (1 - dayOut(24, drives).value!) / (1 - dayOut(0, drives).value!)
    expect(ofOutages(second)).toBeCloseTo(dayOutChance(24) * 0.05, 12)
    expect(ofOutages({ secondBox: 'everything' })).toBeCloseTo(dayOutChance(24), 12)
    const sentence = (hours: number) =>
      told({ machine: { outageHoursPerYear: hours } }).findings.find(
        ({ code }) => code === 'UNRELIABLE',
      )?.sentence
    expect(sentence(0)).toBe(undefined)
    expect(sentence(24)).toMatch(/^This machine is known to be out for 24 h a year\./)
  })
  it('is another one once another machine takes its place', () => {
    const { machine } = planSchema.parse({ name: 'x', machine: { outageHoursPerYear: 24 } })
    expect(
      freshMachine(machine, { base: 'wherry-4', parts: [] }, catalogue).outageHoursPerYear,
    ).toBe(0)
  })
})
