import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type Plan } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { demoLog } from './demoLog'
import { nextStep, signalSentence } from './health/healthWords'
import { registeredDrives, withVerdicts } from './register'

const demo = planSchema.parse(tideMillHouse)
const log = demoLog(demo, assess(demo, catalogue))
const withRegister = (register: object[]): Plan =>
  planSchema.parse({ ...demo, drives: { ...demo.drives, register } })
const drivesOf = (plan: Plan, survives = 1) =>
  registeredDrives({ plan, entries: log, survives, today: '2026-12-01' })

describe('the drive register', () => {
  it('knows a drive by its serial, or by its end as it stands on the label', () => {
    const plan = withRegister([
      { serial: '4B-0018', bay: 3 },
      { serial: 'TMH-8A-2207', bay: 1 },
      { serial: 'never seen', bay: 2 },
    ])
    const drives = drivesOf(plan)
    expect(drives.map(({ serial, bay, index }) => [serial, bay, index])).toEqual([
      ['TMH-4B-0018', 3, 0],
      ['TMH-8A-2207', 1, 1],
      ['never seen', 2, 2],
      ['TMH-8A-2291', null, null],
    ])
    expect(drives.map(({ reports }) => reports.length)).toEqual([6, 6, 0, 6])
    expect(drives[2]!.health).toBeNull()
    expect(drives.map(({ goes }) => goes)).toEqual([1, null, null, null])
  })
  it('takes verdicts into the plan once, and they raise the risk while that is switched on', () => {
    const plan = withRegister([{ serial: 'TMH-4B-0018', bay: 3 }])
    const judged = withVerdicts(plan, drivesOf(plan))
    expect(judged.drives.register[0]).toMatchObject({ health: 'replace', healthDay: '2026-11-08' })
    expect(withVerdicts(judged, drivesOf(judged))).toBe(judged)
    const risk = (of: Plan) => assess(of, catalogue).figures['drives.lossChancePerYear']!.value!
    expect(risk(judged)).toBeGreaterThan(2 * risk(plan))
    const off = { ...judged, drives: { ...judged.drives, verdictsRaiseRisk: false } }
    expect(risk(off)).toBeCloseTo(risk(plan), 12)
  })
  it('of a practice machine changes nothing', () => {
    const plan = withRegister([{ serial: 'TMH-4B-0018', bay: 3 }])
    const entries = log.map(entry => ({
      ...entry,
      origin: { ...entry.origin, how: 'simulated' as const },
    }))
    const drives = registeredDrives({ plan, entries, survives: 1, today: '2026-12-01' })
    expect(drives[0]!.health!.verdict).toBe('replace')
    expect(withVerdicts(plan, drives)).toBe(plan)
  })
  it('counts a self-test that was entered by hand', () => {
    const plan = withRegister([{ serial: 'TMH-8A-2207', bay: 1 }])
    const test = {
      ...log[0]!,
      id: 'by-hand',
      at: '2026-11-20',
      kind: 'selfTest',
      values: { serial: 'TMH-8A-2207', length: 'long', end: 'failed', atHours: 24_100 },
    } as (typeof log)[number]
    const drives = registeredDrives({
      plan,
      entries: [...log, test],
      survives: 1,
      today: '2026-12-01',
    })
    expect(drives[0]!.health!.verdict).toBe('replace')
  })
  it('says its reasons and the next step in whole sentences', () => {
    for (const { health } of drivesOf(demo, 0)) {
      for (const reason of health!.reasons)
        expect(signalSentence(reason, plainFormat)).toMatch(/^[A-Z0-9].*\.$/)
      for (const hasWarranty of [true, false])
        expect(nextStep(health!, { hasWarranty, hasCopy: false })).toMatch(/^[A-Z].*\.$/)
    }
  })
})
