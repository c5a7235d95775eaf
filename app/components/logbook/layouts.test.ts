import { describe, expect, it } from 'vitest'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { calibrationRows } from '~~/core/logbook/calibrationRows'
import { demoLog } from '~~/core/logbook/demoLog'
import { fitGrowth } from '~~/core/logbook/growth'
import { reduceTrials } from '~~/core/logbook/reduceTrials'
import { planSchema } from '~~/core/plan/planSchema'
import { calibrationLayout } from './calibrationLayout'
import { driftLayout } from './driftLayout'
import { mostMarks, timeLine } from './timeLineLayout'

const demo = planSchema.parse(tideMillHouse)
const log = demoLog(demo, assess(demo, catalogue))
const year = { from: Date.UTC(2026, 5, 1), to: Date.UTC(2026, 11, 1), left: 80, right: 900 }

describe('the line of time', () => {
  it('has every entry in the lane of its sort, in order, those at one place above each other', () => {
    const { lanes } = timeLine({ entries: log, ...year })
    const marks = lanes.flatMap(lane => lane.marks)
    expect(marks).toHaveLength(log.length)
    for (const lane of lanes) {
      const xs = lane.marks.map(({ x }) => x)
      expect([...xs].sort((a, b) => a - b)).toEqual(xs)
      expect(Math.min(...xs)).toBeGreaterThanOrEqual(80)
      expect(Math.max(...xs)).toBeLessThanOrEqual(900)
    }
    const reports = lanes[1]!.marks.filter(({ entry }) => entry.kind === 'driveReport')
    expect(reports.slice(0, 3).map(({ level }) => level)).toEqual([0, 1, 2])
  })
  it('shows an incident as a span, and nothing from outside its time', () => {
    const { lanes } = timeLine({ entries: log, ...year })
    const spans = lanes[0]!.marks.filter(({ until }) => until !== null)
    expect(spans).toHaveLength(2)
    for (const { x, until } of spans) expect(until!).toBeGreaterThanOrEqual(x)
    const later = timeLine({ entries: log, ...year, from: Date.UTC(2026, 10, 20) })
    expect(later.lanes.flatMap(({ marks }) => marks).length).toBeLessThan(10)
  })
  it('shows a full lane as bars that count them all', () => {
    const many = Array.from({ length: mostMarks + 40 }, (_, at) => ({
      ...log.find(({ kind }) => kind === 'watts')!,
      id: `w${at}`,
      at: `2026-0${6 + (at % 4)}-1${at % 9}`,
    }))
    const measured = timeLine({ entries: many, ...year }).lanes[1]!
    expect(measured.marks).toEqual([])
    expect(measured.bars.reduce((sum, { count }) => sum + count, 0)).toBe(many.length)
    expect(measured.most).toBe(Math.max(...measured.bars.map(({ count }) => count)))
  })
})

describe('the picture of the calibration', () => {
  const trials = reduceTrials(log, { plan: demo, before: [], withSimulated: false })
  const plan = { ...demo, calibration: { ...demo.calibration, trials } }
  const rows = calibrationRows(plan, assess(plan, catalogue).domains, catalogue)
  const { x, rows: drawn, ticks } = calibrationLayout(rows, { left: 100, right: 700 })
  it('has the plan in the middle, and ratios the same way on both sides', () => {
    expect(x(1)).toBeCloseTo(400, 6)
    expect(x(1.25) - x(1)).toBeCloseTo(x(1) - x(0.8), 6)
    expect(ticks.find(({ label }) => label === 'as planned')!.at).toBeCloseTo(400, 6)
  })
  it('draws each measurement where it lies, bounds and intervals too', () => {
    const idle = drawn.find(({ row }) => row.id === 'idleW')!
    expect(idle.marks.map(({ kind }) => kind)).toEqual(['point', 'point'])
    expect(idle.marks[0]!.x).toBeCloseTo(x(Math.exp(idle.row.trials[0]!.from)), 6)
    expect(idle.corrected!.from).toBeLessThan(idle.corrected!.at)
    expect(drawn.find(({ row }) => row.id === 'software')!.marks[0]!.kind).toBe('interval')
    for (const { planned, corrected, marks } of drawn) {
      for (const span of [planned, corrected])
        if (span) expect(span.to).toBeGreaterThanOrEqual(span.from)
      for (const mark of marks) expect(Number.isFinite(mark.x)).toBe(true)
    }
  })
})

describe('used space against its forecast', () => {
  const forecast = Array.from({ length: 181 }, (_, month) => ({
    low: 10 + 0.1 * month,
    likely: 10 + 0.2 * month,
    high: 10 + 0.3 * month,
  }))
  const readings = [
    { day: '2026-08-28', usedTB: 9.2, onceTB: 0 },
    { day: '2026-11-28', usedTB: 10.1, onceTB: 0 },
  ]
  const growth = fitGrowth({
    readings,
    from: '2026-11-01',
    forecastTB: forecast.map(({ likely }) => likely),
    perMonthTB: { low: 0.1, likely: 0.2, high: 0.3 },
    roomTB: [14],
  })
  const box = { left: 40, right: 640, top: 10, bottom: 200 }
  const asked = { forecast, readings, growth, room: [14], from: '2026-11-01', box }
  it('reaches back to the first reading, and has every reading and the room in sight', () => {
    const { points, x, y, roomPath, fittedLine } = driftLayout(asked)
    expect(points).toHaveLength(2)
    expect(points[0]!.x).toBeLessThan(x(0))
    expect(points[0]!.x).toBeGreaterThanOrEqual(40)
    expect(y(14)).toBeGreaterThan(10)
    expect(roomPath).not.toBe('')
    expect(fittedLine).not.toBe('')
  })
  it('is the forecast alone without readings', () => {
    const { points, fittedLine, x } = driftLayout({ ...asked, readings: [], growth: null })
    expect([points, fittedLine]).toEqual([[], ''])
    expect(x(0)).toBe(40)
  })
})
