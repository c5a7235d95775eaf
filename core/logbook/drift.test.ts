import { describe, expect, it } from 'vitest'
import { plainFormat } from '../units/format'
import { exactly } from '../figure'
import { alertKey, alertsOf, driftLimits, type DriftQuestion } from './drift'
import { alertWords } from './alertWords'
import { driveValuesSchema } from './driveValues'
import { readEntry, type Entry } from './entry'
import type { FittedGrowth } from './growth'
import type { EntryKind } from './kinds'
import type { RegisteredDrive } from './register'
import { driveHealth } from './health/verdict'

let count = 0
const entry = (kind: EntryKind, at: string, values: object): Entry => {
  const read = readEntry({ id: `e${count++}`, at, kind, values }, Date.UTC(2026, 11, 2))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.entry
}
const quiet: DriftQuestion = {
  entries: [],
  rows: [],
  drives: [],
  growth: null,
  plannedTB: () => ({ low: 9, high: 11 }),
  roomTB: 20,
  leadMonths: 1,
  kWhPerMonth: 40,
  conversions: { level95: 3, minutesAccepted: 10 },
  hasRedundancy: true,
  readBackEveryDays: 100,
  hasCopies: true,
  today: '2026-12-01',
}
const found = (parts: Partial<DriftQuestion>) =>
  alertsOf({ ...quiet, ...parts }).map(({ id, level }) => `${id} ${level}`)
const used = (at: string, usedTB: number) => entry('space', at, { usedTB })

describe('space', () => {
  it('is told outside the forecast once, warned of twice running, since the first', () => {
    expect(found({ entries: [used('2026-11-28', 11)] })).toEqual([])
    expect(found({ entries: [used('2026-11-28', 11.01)] })).toEqual(['spaceOutside worthKnowing'])
    const twice = [used('2026-10-28', 12), used('2026-11-28', 11.5)]
    expect(found({ entries: twice })).toEqual(['spaceOutside warning'])
    expect(alertsOf({ ...quiet, entries: twice })[0]!.since).toBe('2026-10-28')
    expect(found({ entries: [used('2026-10-28', 12), used('2026-11-28', 10)] })).toEqual([])
    expect(found({ entries: [used('2026-11-28', 8.9)] })).toEqual(['spaceOutside worthKnowing'])
    expect(found({ entries: twice, plannedTB: () => null })).toEqual([])
  })
  it('is full above the fill limit, or soon by the growth that was read', () => {
    const entries = [used('2026-11-28', 10)]
    expect(found({ entries, roomTB: 9.9 })).toEqual(['spaceFull problem'])
    expect(found({ entries, roomTB: 10 })).toEqual([])
    const growth = (likely: number | null) =>
      ({
        monthFull: { likely, soonest: null, latest: null },
        now: { month: 10 },
        falls: 0,
      }) as unknown as FittedGrowth
    expect(found({ entries, growth: growth(14) })).toEqual([])
    expect(found({ entries, growth: growth(13.9) })).toEqual(['fullSoon warning'])
    expect(found({ entries, growth: growth(11) })).toEqual(['fullSoon warning'])
    expect(found({ entries, growth: growth(10.9) })).toEqual(['fullSoon problem'])
    expect(found({ entries, growth: growth(null) })).toEqual([])
    const falling = { ...growth(null), falls: 3 }
    expect(found({ entries, growth: falling })).toEqual(['falls warning'])
    expect(found({ entries, growth: { ...falling, falls: 2 } })).toEqual([])
  })
})

describe('power', () => {
  const idle = (at: string, watts: number) => entry('watts', at, { state: 'idle', watts })
  const rows = [
    { figure: 'idleW', planned: { low: 50, likely: 54, high: 58 }, correction: null, trials: [] },
  ] as unknown as DriftQuestion['rows']
  it('is told above the high end once, warned of three times', () => {
    const days = ['2026-09-01', '2026-10-01', '2026-11-01']
    const of = (counts: number) =>
      found({ rows, entries: days.slice(0, counts).map(day => idle(day, 58.1)) })
    expect(of(1)).toEqual(['idleW worthKnowing'])
    expect(of(2)).toEqual(['idleW worthKnowing'])
    expect(of(3)).toEqual(['idleW warning'])
    expect(found({ rows, entries: [idle('2026-11-01', 58)] })).toEqual([])
    expect(found({ rows, entries: [idle('2026-10-01', 70), idle('2026-11-01', 55)] })).toEqual([])
  })
  it('of a month is warned of from a tenth on, and a problem from half on', () => {
    const month = (kWh: number, to = '2026-11-30') =>
      found({ entries: [entry('energy', '2026-11-30', { from: '2026-11-01', to, kWh })] })
    const of = (times: number) => month((40 * times * 29) / 30.44)
    expect(of(driftLimits.energyWarning - 0.01)).toEqual([])
    expect(of(driftLimits.energyWarning + 0.01)).toEqual(['energy warning'])
    expect(of(driftLimits.energyProblem - 0.01)).toEqual(['energy warning'])
    expect(of(driftLimits.energyProblem + 0.01)).toEqual(['energy problem'])
    // A week is no month.
    expect(month(40, '2026-11-08')).toEqual([])
  })
})

describe('watching, warmth, copies and the UPS', () => {
  it('more conversions than the level, and minutes short above what is accepted', () => {
    const of = (values: object) => found({ entries: [entry('watched', '2026-11-20', values)] })
    expect(of({ mostConversions: 3, minutesShort: 10 })).toEqual([])
    expect(of({ mostConversions: 4 })).toEqual(['conversions worthKnowing'])
    expect(of({ minutesShort: 10.1 })).toEqual(['minutesShort warning'])
    expect(of({ minutesShort: 20.1 })).toEqual(['minutesShort problem'])
    expect(found({ entries: [entry('watched', '2026-10-20', { minutesShort: 99 })] })).toEqual([])
  })
  const drive = (parts: object): RegisteredDrive => {
    const report = {
      ...driveValuesSchema.parse({ serial: 'A1', turns: true, ...parts }),
      day: '2026-11-20',
    }
    return {
      serial: 'A1',
      bay: 1,
      index: 0,
      entry: null,
      model: '',
      sizeTB: 8,
      reports: [report],
      health: driveHealth([report], { hasRedundancy: true, longTestEveryHours: 730 }),
      goes: null,
      simulated: false,
    }
  }
  it('a warm drive by three limits, an SSD by twenty degrees more', () => {
    const of = (temperatureC: number, turns = true, limitC: number | null = null) =>
      found({ drives: [drive({ temperatureC, turns, limitC })] }).filter(id =>
        id.startsWith('driveW'),
      )
    expect([of(44), of(45), of(49), of(50), of(59), of(60)].flat()).toEqual([
      'driveWarm worthKnowing',
      'driveWarm worthKnowing',
      'driveWarm warning',
      'driveWarm warning',
      'driveWarm problem',
    ])
    expect([of(64, false), of(65, false), of(70, false), of(80, false)].flat()).toEqual([
      'driveWarm worthKnowing',
      'driveWarm warning',
      'driveWarm problem',
    ])
    expect(of(55, true, 55)).toEqual(['driveWarm problem'])
  })
  it('a drive to watch, to replace, and to replace without redundancy', () => {
    const watch = [drive({ pending: 1 })]
    const replace = [drive({ passed: false })]
    expect(found({ drives: watch })).toEqual(['drive worthKnowing'])
    expect(found({ drives: replace })).toEqual(['drive warning'])
    expect(found({ drives: replace, hasRedundancy: false })).toEqual(['drive problem'])
  })
  it('jobs that failed, copies that were never or long not read back', () => {
    const run = (at: string, result = 'failed') => entry('copyRun', at, { job: 'Night', result })
    const back = (at: string) => entry('restore', at, { result: 'good' })
    const good = back('2026-11-20')
    expect(found({ entries: [run('2026-11-20'), good] })).toEqual(['copyFailed warning'])
    expect(
      found({
        entries: ['2026-11-18', '2026-11-19', '2026-11-20'].map(day => run(day)).concat(good),
      }),
    ).toEqual(['copyFailed problem'])
    expect(found({ entries: [run('2026-11-18'), run('2026-11-20', 'good'), good] })).toEqual([])
    expect(found({ entries: [run('2026-11-20', 'good')] })).toEqual(['neverReadBack problem'])
    expect(found({ entries: [run('2026-11-20', 'good')], hasCopies: false })).toEqual([])
    expect(found({ entries: [back('2026-07-29')] })).toEqual([])
    expect(found({ entries: [back('2026-07-28')] })).toEqual(['copyLate worthKnowing'])
    expect(found({ entries: [back('2026-05-14')] })).toEqual(['copyLate warning'])
  })
  it('a battery that failed, or few minutes', () => {
    const of = (values: object) => found({ entries: [entry('ups', '2026-11-20', values)] })
    expect(of({ minutesLeft: 10 })).toEqual([])
    expect(of({ minutesLeft: 9.9 })).toEqual(['upsMinutes warning'])
    expect(of({ test: 'failed' })).toEqual(['upsBattery problem'])
  })
  it('what runs at less than is believed of it', () => {
    const row = (...shares: number[]) =>
      ({
        figure: 'homeLink',
        label: 'Home network',
        planned: exactly(940),
        correction: {
          factor: exactly(1),
          trials: shares.map(share => ({
            trial: { reads: 'exact', day: '2026-11-20' },
            from: Math.log(share),
            state: 'counts',
          })),
        },
        trials: [],
      }) as unknown as DriftQuestion['rows'][number]
    const of = (...shares: number[]) => found({ rows: [row(...shares)] })
    expect(of(0.8)).toEqual([])
    expect(of(0.79)).toEqual(['slow worthKnowing'])
    expect(of(0.5)).toEqual(['slow worthKnowing'])
    expect(of(0.59, 0.59)).toEqual(['slow warning'])
    expect(of(0.29)).toEqual(['slow problem'])
  })
})

describe('notices', () => {
  it('are told in whole sentences, the worst first, each with a next step', () => {
    const alerts = alertsOf({
      ...quiet,
      roomTB: 9,
      entries: [
        used('2026-11-28', 12),
        entry('ups', '2026-11-20', { test: 'failed', minutesLeft: 3 }),
        entry('copyRun', '2026-11-20', { job: 'Night', result: 'failed' }),
        entry('watched', '2026-11-20', { mostConversions: 9, minutesShort: 99 }),
        entry('temperature', '2026-11-20', { what: 'processor', celsius: 91 }),
      ],
    })
    expect(alerts.map(({ level }) => level)).toEqual(
      [...alerts.map(({ level }) => level)].sort(
        (a, b) =>
          ['problem', 'warning', 'worthKnowing'].indexOf(a) -
          ['problem', 'warning', 'worthKnowing'].indexOf(b),
      ),
    )
    expect(alerts.length).toBeGreaterThan(6)
    for (const alert of alerts) {
      const { sentence, next } = alertWords(alert, plainFormat)
      for (const text of [sentence, next]) {
        expect(text).toMatch(/^[A-Z0-9].*\.$/)
        expect(text).not.toMatch(/undefined|NaN|Infinity/)
      }
    }
    expect(new Set(alerts.map(alertKey)).size).toBe(alerts.length)
  })
})
