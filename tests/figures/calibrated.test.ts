import { describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { catalogue } from '../../core/catalogue/catalogue'
import { tideMillHouse } from '../../core/catalogue/tideMillHouse'
import { drivesMark } from '../../core/drives/poolOf'
import { lineMark } from '../../core/calibration/measuredLines'
import { homeLinkMark } from '../../core/network/measuredNetwork'
import { fillQuestion } from '../../core/network/fillQuestion'
import { firstFills } from '../../core/network/firstFill'
import { planSchema, type Plan } from '../../core/plan/planSchema'
import type { Trial } from '../../core/plan/trials'

const demo = planSchema.parse(tideMillHouse)
const before = assess(demo, catalogue)
const mark = before.domains.machine.mark

const measured = (plan: Plan, ...trials: Partial<Trial>[]): Plan =>
  planSchema.parse({
    ...plan,
    calibration: {
      ...plan.calibration,
      trials: trials.map((trial, at) => ({ id: `m${at}`, day: '2026-11-20', ...trial })),
    },
  })
const figureOf = (plan: Plan, id: string) => assess(plan, catalogue).figures[id]!

describe('a measurement', () => {
  it('of conversions in software corrects the capacity, and every head room on it', () => {
    const { capacity } = before.domains.streams
    expect(capacity).not.toBeNull()
    const many = Math.ceil(capacity!.conversions.high) + 1
    const plan = measured(demo, {
      figure: 'software',
      mark,
      reads: 'between',
      value: many,
      upTo: many + 1,
    })
    const after = assess(plan, catalogue)
    const figure = after.figures['streams.softwareReference']!
    expect(figure.basis).toBe('calibrated')
    expect(figure.value).toBeGreaterThan(before.figures['streams.softwareReference']!.value!)
    expect(figure.inputs).toContain('calibration.trials')
    expect(figure.formula).toContain('by measurement')
    expect(after.domains.streams.capacity!.conversions.likely).toBeGreaterThan(
      capacity!.conversions.likely,
    )
  })
  it('of another machine changes nothing', () => {
    const plan = measured(
      demo,
      { figure: 'software', mark: 'other', value: 9 },
      { figure: 'idleW', mark: 'other', value: 9 },
      { figure: 'startW', mark: 'other', value: 900 },
      { figure: 'driveRise', mark: 'other', value: 9 },
      { figure: 'upload', mark: 'other', value: 9 },
      { figure: 'homeLink', mark: 'other', value: 9 },
      { figure: 'rebuildHours', mark: 'other', value: 9 },
    )
    const after = assess(plan, catalogue)
    for (const [id, { value, low, high, basis }] of Object.entries(before.figures))
      expect([
        id,
        after.figures[id]!.value,
        after.figures[id]!.low,
        after.figures[id]!.high,
        after.figures[id]!.basis,
      ]).toEqual([id, value, low, high, basis])
  })

  const planned = (id: string) => before.figures[id]!.value!
  const cases: readonly (readonly [string, string, Partial<Trial>])[] = [
    [
      'watts at rest',
      'machine.idleW',
      { figure: 'idleW', mark, value: 1.06 * planned('machine.idleW') },
    ],
    [
      'watts while converting',
      'machine.loadW',
      { figure: 'convertingW', mark, value: 1.1 * planned('machine.loadW') },
    ],
    ['the peak at the start', 'machine.startSurgeW', { figure: 'startW', mark, value: 190 }],
    [
      'the home network',
      'network.homeLinkMbps',
      {
        figure: 'homeLink',
        mark: homeLinkMark(demo.network),
        value: 0.93 * planned('network.homeLinkMbps'),
      },
    ],
    [
      'the rebuild',
      'drives.rebuildHours',
      {
        figure: 'rebuildHours',
        mark: drivesMark(before.domains.drives.layoutId, demo.drives),
        value: 1.3 * planned('drives.rebuildHours'),
      },
    ],
    [
      'the warmth of the drives',
      'machine.warmestDriveC',
      { figure: 'driveRise', mark, value: 1.2 * before.domains.fitting.context.heat.driveRiseK },
    ],
  ]
  it.each(cases)('of %s corrects the figure, which says so and adds up', (_, id, trial) => {
    const after = figureOf(measured(demo, trial), id)
    expect(after.basis).toBe('calibrated')
    expect(after.inputs).toContain('calibration.trials')
    expect(after.value).not.toBeCloseTo(planned(id), 3)
    expect(after.low!).toBeLessThan(after.value!)
    expect(after.high!).toBeGreaterThan(after.value!)
  })
  it('of the upload corrects the streams that it carries, until another line is entered', () => {
    const { uploadMbps } = demo.network
    const trial = {
      figure: 'upload',
      mark: lineMark(uploadMbps),
      value: 0.75 * uploadMbps,
    } as const
    const after = assess(measured(demo, trial), catalogue)
    expect(after.domains.network.uploadMbps).toBeLessThan(before.domains.network.uploadMbps)
    expect(after.figures['network.awayStreams']!.basis).toBe('calibrated')
    const other = measured(
      { ...demo, network: { ...demo.network, uploadMbps: 2 * uploadMbps } },
      trial,
    )
    expect(figureOf(other, 'network.awayStreams').basis).toBe('computed')
  })
  it('of a copy corrects the first fill, and of small files how much longer they take', () => {
    const fillOf = (plan: Plan) => {
      const question = fillQuestion(10, plan, assess(plan, catalogue).domains)
      return firstFills(question).find(({ way }) => way === 'home')!
    }
    const planned = fillOf(demo)
    const copyMark = homeLinkMark(demo.network)
    const slower = fillOf(
      measured(demo, { figure: 'copyRate', mark: copyMark, value: 0.8 * planned.rateMBps }),
    )
    expect(slower.rateMBps).toBeLessThan(planned.rateMBps)
    expect(slower.hours!.likely).toBeGreaterThan(planned.hours!.likely)
    const small = { ...demo, network: { ...demo.network, smallFilesShare: 0.2 } }
    const quick = fillOf(
      measured(small, { figure: 'smallFiles', mark: copyMark, value: planned.rateMBps / 1.5 }),
    )
    expect(quick.hours!.likely).toBeLessThan(fillOf(small).hours!.likely)
  })
  it('of a model of drive corrects its rate wherever it stands', () => {
    const lots = [{ count: 2, sizeTB: 8, model: 'sluice-8' }]
    const plan = planSchema.parse({ ...tideMillHouse, drives: { lots } })
    const at = assess(plan, catalogue).domains.drives.slowestOuterMBps
    const trial = { figure: 'driveMBps', of: 'sluice-8', value: 0.8 * at } as const
    const { slowestOuterMBps } = assess(measured(plan, trial), catalogue).domains.drives
    expect(slowestOuterMBps).toBeLessThan(0.95 * at)
    expect(slowestOuterMBps).toBeGreaterThan(0.8 * at)
  })
})
