import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { drawPlan } from '../../tests/plans/drawPlan'
import { measuredDraw } from '../../tests/plans/measuredDraw'
import { basisWords } from './basisWords'
import { calibrationRows } from './calibrationRows'
import { howToMeasure, ratioText, readingText, rowSentence } from './calibrationWords'
import { calibratedFigures } from '../plan/trials'

const rowsOf = (plan: Parameters<typeof assess>[0]) =>
  calibrationRows(plan, assess(plan, catalogue).domains, catalogue)

describe('the rows of the calibration', () => {
  it('are what a plan can be measured for, with its own range', () => {
    const plan = planSchema.parse(tideMillHouse)
    const rows = rowsOf(plan)
    const { figures } = assess(plan, catalogue)
    const planned = (id: string) => rows.find(row => row.id === id)!.planned!
    expect(planned('idleW').likely).toBeCloseTo(figures['machine.idleW']!.value!, 9)
    expect(planned('idleW').low).toBeCloseTo(figures['machine.idleW']!.low!, 9)
    expect(planned('homeLink').likely).toBeCloseTo(figures['network.homeLinkMbps']!.value!, 9)
    expect(planned('rebuildHours').likely).toBeCloseTo(figures['drives.rebuildHours']!.value!, 9)
    expect(rows.every(({ correction }) => correction === null)).toBe(true)
    expect(basisWords(rows, plainFormat)).toBe(
      'Nothing of it is measured: every figure is estimated.',
    )
  })
  it('agree with the figures of the assessment, for plans drawn by lot', () => {
    for (const seed of [4, 8, 12, 16, 20, 24]) {
      const plan = measuredDraw(drawPlan(seed), seed)
      const { figures } = assess(plan, catalogue)
      const rows = rowsOf(plan)
      for (const [row, id] of [
        ['idleW', 'machine.idleW'],
        ['homeLink', 'network.homeLinkMbps'],
        ['rebuildHours', 'drives.rebuildHours'],
      ] as const) {
        const own = rows.find(candidate => candidate.id === row)
        if (!own?.correction) continue
        expect(figures[id]!.value, `${seed} ${id}`).toBeCloseTo(own.correction.corrected.likely, 6)
        expect(figures[id]!.low, `${seed} ${id}`).toBeCloseTo(own.correction.corrected.low, 6)
      }
      for (const row of rows) {
        const sentence = rowSentence(row, plainFormat)
        expect(sentence).toMatch(/^[A-Z0-9].*\.$/)
        expect(sentence).not.toMatch(/undefined|NaN|Infinity/)
        for (const held of row.trials) {
          expect(ratioText(held, plainFormat)).toContain('what the plan says')
          expect(readingText(held.trial, row.unit, plainFormat)).not.toMatch(/undefined|NaN/)
        }
      }
      expect(basisWords(rows, plainFormat)).toMatch(/^Measured: |^Nothing/)
    }
  })
  it('say how each figure is measured', () => {
    for (const figure of Object.keys(calibratedFigures) as (keyof typeof calibratedFigures)[])
      expect(howToMeasure[figure].how).toMatch(/^[A-Z].*\.$/)
  })
})
