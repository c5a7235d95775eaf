import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { compareLayouts } from './compareLayouts'
import { deadDriveSentence, hoursText } from './deadDrive'
import { shingledFactor } from './layoutRisk'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, snapshotsTB } from './poolOf'
import { rebuildHours, rebuildRateMBps } from './rebuildHours'
import { spaceWaterfall } from './waterfall'
import { fileSystems } from './fileSystem'

const layout = (id: string) => layouts.find(candidate => candidate.id === id)!
const planWith = (drives: PlanInput['drives']) => planSchema.parse({ name: 'x', drives })

describe('rebuild', () => {
  it('16 TB at 150 MB/s take 29.6 h', () => expect(rebuildHours({ sizeTB: 16, usedShare: 1, rateMBps: 150, shingledFactor: 1 })).toBeCloseTo(29.6, 1))
  it('14 TB at 160 MB/s take 24.3 h', () => expect(rebuildHours({ sizeTB: 14, usedShare: 1, rateMBps: 160, shingledFactor: 1 })).toBeCloseTo(24.3, 1))
  it('runs at three quarters of the outer rate, slower while somebody watches, at most what the port carries', () => {
    expect(rebuildRateMBps(200, 0)).toBe(150)
    expect(rebuildRateMBps(200, 24)).toBeCloseTo(105, 9)
    expect(rebuildRateMBps(3000, 0)).toBe(550)
  })
  it('copies only what is used where the system knows the files', () => {
    const { drives, choices } = planWith({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1', fileSystem: 'copyOnWrite' })
    expect(poolOf(drives, choices, catalogue, 12)).toMatchObject({ conditions: { usedShare: 0.5 } })
    expect(poolOf({ ...drives, fileSystem: 'journalled' }, choices, catalogue, 12)).toMatchObject({ conditions: { usedShare: 1 } })
    expect(poolOf(drives, choices, catalogue, 99)).toMatchObject({ conditions: { usedShare: 1 } })
  })
  it('takes 3 times as long on shingled drives, 8 times with copy-on-write parity', () => {
    expect(shingledFactor(false, layout('rotating-1'), 'copyOnWrite')).toBe(1)
    expect(shingledFactor(true, layout('rotating-1'), 'copyOnWrite')).toBe(8)
    expect(shingledFactor(true, layout('rotating-1'), 'journalled')).toBe(3)
    expect(shingledFactor(true, layout('mirror'), 'copyOnWrite')).toBe(3)
  })
})

describe('room', () => {
  it('is usable · (1 − reserve) · ceiling − snapshots', () => {
    const { drives } = planWith({ lots: [{ count: 2, sizeTB: 10 }], fileSystem: 'journalled', changedGBPerMonth: 100, snapshotMonths: 3 })
    expect(snapshotsTB(drives)).toBeCloseTo(0.3, 12)
    expect(roomTB(10, drives)).toBeCloseTo(10 * 0.98 * 0.85 - 0.3, 12)
    expect(roomTB(10, { ...drives, fileSystem: 'copyOnWrite' })).toBeCloseTo(10 * 0.97 * 0.8 - 0.3, 12)
    expect(roomTB(0.1, drives)).toBe(0)
  })
  it('is the last step of the waterfall, whose losses add up', () => {
    const { drives, choices } = planWith({ lots: [{ count: 3, sizeTB: 8 }, { count: 2, sizeTB: 14 }], layout: 'rotating-1', hotSpares: 1, changedGBPerMonth: 200, snapshotMonths: 5 })
    const pool = poolOf(drives, choices, catalogue, 5)
    if ('refused' in pool) throw new Error(pool.refused)
    const steps = spaceWaterfall(pool.arrangement, fileSystems.journalled, 1)
    const size = (id: string) => steps.find(step => step.id === id)!.sizeTB
    expect(size('raw') - size('spares') - size('redundancy') - size('mismatch')).toBeCloseTo(size('usable'), 9)
    expect(size('usable') - size('reserve') - size('ceiling') - size('snapshots')).toBeCloseTo(size('room'), 9)
    expect(size('room')).toBeCloseTo(roomTB(size('usable'), drives), 9)
  })
})

describe('what one dead drive costs', () => {
  it('is everything, only its files, or a rebuild', () => {
    expect(deadDriveSentence(layout('stripe'), 2, null)).toContain('Everything')
    expect(deadDriveSentence(layout('separate'), 2, null)).toContain('files on that drive')
    expect(deadDriveSentence(layout('mirror'), 2, 16)).toContain('rebuild of about 16\u00A0h')
    expect(deadDriveSentence(layout('rotating-2'), 6, 30)).toContain('survives one more')
    expect(deadDriveSentence(layout('pairs'), 4, 30)).toContain('other half')
    expect(deadDriveSentence(layout('snapshot-1'), 4, 30)).toContain('since the last nightly run')
    expect(deadDriveSentence(layout('duplication'), 4, 30)).toContain('lay on both')
  })
  it('is told in hours, or days once it lasts', () => {
    expect([hoursText(3.4), hoursText(29.63), hoursText(100)]).toEqual(['3.4\u00A0h', '30\u00A0h', '4.2\u00A0days'])
  })
})

describe('layouts compared on the same drives', () => {
  const plan = planWith({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1' })
  const rows = compareLayouts(plan.drives, plan.choices, catalogue, 10)
  it('has a row for each, refused ones with the reason', () => {
    expect(rows).toHaveLength(layouts.length)
    expect(rows.find(row => row.layout.id === 'rotating-3')?.refused).toContain('at least 5')
    expect(rows.find(row => row.layout.id === 'nightly-copy')?.refused).toContain('exactly 2')
  })
  it('risks less with more redundancy', () => {
    const chance = (id: string) => rows.find(row => row.layout.id === id)!.lossChanceAtHorizon!
    expect(chance('rotating-2')).toBeLessThan(chance('rotating-1'))
    expect(chance('rotating-1')).toBeLessThan(chance('span'))
    expect(chance('span')).toBeCloseTo(1 - 0.985 ** 20, 9)
  })
})
