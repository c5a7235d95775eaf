import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { faultTrees } from '../faults/faultTrees'
import { steps } from '../steps'
import { judge, measures, signOffRows, type MeasureId } from './measures'
import { plannedOf, type Planned } from './planned'

const plannedBy = (input: Omit<PlanInput, 'name'>): Planned => {
  const plan = planSchema.parse({ name: 'x', ...input })
  const { figures, domains } = assess(plan, catalogue)
  return plannedOf({
    plan,
    catalogue: effectiveCatalogue(plan, catalogue),
    figures,
    facts: domains,
  })
}
const nothing: Planned = {
  idleW: null,
  asleepW: null,
  convertingW: null,
  peakW: null,
  driveC: null,
  conversions: null,
  linkMbps: null,
  diskMBps: null,
  copyMBps: null,
  uploadMbps: null,
  noiseDb: null,
  usableTB: null,
}
const judged = (id: MeasureId, planned: Partial<Planned>, value: number) =>
  signOffRows({ ...nothing, ...planned }, [{ id, value }]).find(({ measure }) => measure.id === id)
    ?.judged

describe('what is measured at sign-off', () => {
  it('watts within the range of the plan, out to twice its distance a note', () => {
    const planned = { idleW: { low: 20, likely: 24, high: 30 } }
    for (const [value, expected] of [
      [20, 'inOrder'],
      [30, 'inOrder'],
      [19.9, 'note'],
      [16, 'note'],
      [15.9, 'otherwise'],
      [30.1, 'note'],
      [36, 'note'],
      [36.1, 'otherwise'],
    ] as const)
      expect([value, judged('idleW', planned, value)]).toEqual([value, expected])
    // A range without a width has the one watt that a meter shows.
    const exact = { asleepW: { low: 9, likely: 9, high: 9 } }
    expect(judged('asleepW', exact, 10)).toBe('inOrder')
    expect(judged('asleepW', exact, 11)).toBe('note')
    expect(judged('asleepW', exact, 11.1)).toBe('otherwise')
  })
  it('limits on both sides of their edges', () => {
    const edges: readonly [MeasureId, Partial<Planned>, good: number, bad: number][] = [
      ['peakW', { peakW: 120 }, 120, 120.1],
      ['driveC', { driveC: 42 }, 45, 45.1],
      ['driveC', { driveC: 35 }, 40, 40.1],
      [
        'processorC',
        { conversions: { needed: 1, possible: { low: 1, likely: 2, high: 3 } } },
        85,
        85.1,
      ],
      ['networkMbps', { linkMbps: 941 }, 752.8, 752.7],
      ['diskMBps', { diskMBps: 200 }, 160, 159.9],
      ['copyMBps', { copyMBps: 100 }, 80, 79.9],
      ['uploadMbps', { uploadMbps: 20 }, 18, 17.9],
      ['noiseDb', { noiseDb: 25 }, 25, 25.1],
      ['backMin', {}, 15, 15.1],
      ['usableTB', { usableTB: 24 }, 23.76, 23.75],
      ['usableTB', { usableTB: 24 }, 24.24, 24.25],
    ]
    for (const [id, planned, good, bad] of edges) {
      expect([id, judged(id, planned, good)]).toEqual([id, 'inOrder'])
      expect([id, judged(id, planned, bad)]).toEqual([id, 'otherwise'])
    }
  })
  it('conversions: as many as needed, within what was held possible, more with a note', () => {
    const planned = { conversions: { needed: 2, possible: { low: 1, likely: 3, high: 4 } } }
    const of = (value: number) => judged('conversions', planned, value)
    expect([1, 2, 4, 5].map(of)).toEqual(['otherwise', 'inOrder', 'inOrder', 'note'])
    const low = { conversions: { needed: 1, possible: { low: 3, likely: 4, high: 5 } } }
    expect(judged('conversions', low, 2)).toBe('note')
  })
  it('only what the plan says something of; more of a good thing never judges worse', () => {
    const ids = (planned: Planned) => signOffRows(planned, []).map(({ measure }) => measure.id)
    expect(ids(nothing)).toEqual(['backMin'])
    const demo = plannedBy(tideMillHouse)
    expect(ids(demo)).toEqual(measures.map(({ id }) => id))
    expect(ids(plannedBy({}))).not.toContain('usableTB')
    for (const { tolerance } of signOffRows(demo, []))
      for (const by of [0, 1, 5, 50])
        if (tolerance.to === null && tolerance.noteTo === null)
          expect(judge(tolerance.from! + by, tolerance)).toBe('inOrder')
        else if (tolerance.from === null)
          expect(judge(tolerance.to! - by, tolerance)).toBe('inOrder')
  })
  it('what the plan says is the figure of the other views', () => {
    const plan = planSchema.parse(tideMillHouse)
    const { figures } = assess(plan, catalogue)
    const demo = plannedBy(tideMillHouse)
    expect(demo.idleW).toEqual({
      low: figures['machine.idleW']!.low,
      likely: figures['machine.idleW']!.value,
      high: figures['machine.idleW']!.high,
    })
    expect(demo.usableTB).toBe(figures['drives.usableTB']!.value)
    expect(demo.uploadMbps).toBe(22)
    // At the wall more than behind the supply.
    expect(demo.peakW!).toBeGreaterThan(figures['machine.startSurgeW']!.value!)
    expect(demo.asleepW!.likely).toBeLessThan(demo.idleW!.likely)
    expect(plannedBy({ ...tideMillHouse, brief: {} }).noiseDb).toBe(null)
  })
  it('leads to trees and steps that are there', () => {
    const trees = new Set<string>(faultTrees.map(({ id }) => id))
    const ids = new Set(steps.map(({ id }) => id))
    for (const { step, otherwise } of measures) {
      expect(ids).toContain(step)
      if (otherwise.tree) expect(trees).toContain(otherwise.tree)
      if (otherwise.step) expect(ids).toContain(otherwise.step)
    }
  })
})
