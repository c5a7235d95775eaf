import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { trialsPerFigure, type Trial } from '../plan/trials'
import { readEntry, type Entry } from './entry'
import type { EntryKind } from './kinds'
import { measuredBy, reduceTrials } from './reduceTrials'

const plan = planSchema.parse({
  ...tideMillHouse,
  drives: {
    lots: [{ count: 2, sizeTB: 8, model: 'sluice-8' }],
    register: [{ serial: 'A1', bay: 2 }],
  },
})
const marks = { machine: 'm', home: 'h', upload: 'u', download: 'd', drives: 'r' }
let count = 0
const entry = (kind: EntryKind, values: object, parts: object = {}): Entry => {
  const read = readEntry(
    { id: `e${count++}`, at: '2026-11-20', kind, values, marks, ...parts },
    Date.UTC(2026, 11, 1),
  )
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.entry
}
const reduced = (kind: EntryKind, values: object, parts: object = {}) =>
  measuredBy(entry(kind, values, parts), plan).map(
    ({ figure, value, reads = 'exact', upTo = null, of = '', mark = '' }) => [
      figure,
      value,
      reads,
      upTo,
      of,
      mark,
    ],
  )

describe('what an entry says of figures', () => {
  it('conversions: between what ran and what stuttered, at least what ran, or one alone', () => {
    const run = (values: object) => reduced('conversion', values)
    expect(run({ ran: 6, stuttered: 7 })).toEqual([['software', 6, 'between', 7, '', 'm']])
    expect(run({ ran: 6, stuttered: 9 })).toEqual([['software', 6, 'between', 9, '', 'm']])
    expect(run({ ran: 5 })).toEqual([['software', 5, 'atLeast', null, '', 'm']])
    expect(run({ ran: 0, stuttered: 1 })).toEqual([['software', 0, 'between', 1, '', 'm']])
    expect(run({ ran: 1, stuttered: 2, speed: 1.4 })).toEqual([
      ['software', 1.4, 'exact', null, '', 'm'],
    ])
    // With more than one the speed is that of the slowest, which says less than the count.
    expect(run({ ran: 3, stuttered: 4, speed: 1.1 })[0]![2]).toBe('between')
    expect(run({ on: 'builtInD', ran: 8 })).toEqual([
      ['engine', 8, 'atLeast', null, 'builtInD', 'm'],
    ])
    expect(run({})).toEqual([])
    expect(run({ ran: 3, stuttered: 3 })).toEqual([['software', 3, 'atLeast', null, '', 'm']])
  })
  it('watts: idle and converting over ten minutes, the peak as a lower bound of slow meters', () => {
    const read = (values: object) => reduced('watts', values)
    expect(read({ state: 'idle', watts: 61, minutes: 10 })).toEqual([
      ['idleW', 61, 'exact', null, '', 'm'],
    ])
    expect(read({ state: 'idle', watts: 61, minutes: 9.9 })).toEqual([])
    expect(read({ state: 'converting', watts: 99 })[0]![0]).toBe('convertingW')
    expect(read({ state: 'watching', watts: 61 })).toEqual([])
    expect(read({ state: 'peak', watts: 150 })[0]).toEqual([
      'startW',
      150,
      'atLeast',
      null,
      '',
      'm',
    ])
    expect(read({ state: 'peak', watts: 150, samplesPerS: 1.9 })[0]![2]).toBe('atLeast')
    expect(read({ state: 'peak', watts: 150, samplesPerS: 2 })[0]![2]).toBe('exact')
    expect(read({ state: 'idle' })).toEqual([])
  })
  it('copies by their files, and disks by the model in their bay', () => {
    expect(reduced('copy', { files: 'large', MBps: 96 })).toEqual([
      ['copyRate', 96, 'exact', null, '', 'h'],
    ])
    expect(reduced('copy', { files: 'small', MBps: 30 })[0]![0]).toBe('smallFiles')
    expect(reduced('copy', { files: 'mixed', MBps: 30 })).toEqual([])
    const disk = (values: object) =>
      reduced('disk', { of: 'A1', MBps: 180, seconds: 10, pastCache: 'yes', ...values })
    expect(disk({})).toEqual([['driveMBps', 180, 'exact', null, 'sluice-8', '']])
    for (const no of [
      { seconds: 9.9 },
      { pastCache: 'notKnown' },
      { pattern: 'randRead' },
      { of: 'B7' },
      { of: '' },
    ])
      expect(disk(no)).toEqual([])
  })
  it('networks by their ends: at home, and away in a busy hour by who ran it', () => {
    const run = (values: object) => reduced('network', { seconds: 5, ...values })
    expect(run({ upMbps: 905 })).toEqual([['homeLink', 905, 'exact', null, '', 'h']])
    expect(run({ downMbps: 890 })[0]![1]).toBe(890)
    expect(run({ upMbps: 905, seconds: 4.9 })).toEqual([])
    expect(run({ upMbps: 905, protocol: 'udp' })).toEqual([])
    const away = { between: 'cottage', busyHour: true, upMbps: 18, downMbps: 90 }
    expect(run({ ...away, ranOn: 'machine' })).toEqual([
      ['upload', 18, 'exact', null, '', 'u'],
      ['download', 90, 'exact', null, '', 'd'],
    ])
    expect(run({ ...away, ranOn: 'other' }).map(([figure, value]) => [figure, value])).toEqual([
      ['upload', 90],
      ['download', 18],
    ])
    expect(run({ ...away, ranOn: 'notSaid' })).toEqual([])
    expect(run({ ...away, ranOn: 'machine', busyHour: null })).toEqual([])
  })
  it('warmth over the room after an hour, and the hours of a rebuild', () => {
    const warm = (values: object) =>
      reduced('temperature', { what: 'drive', celsius: 40, roomC: 22, minutes: 60, ...values })
    expect(warm({})).toEqual([['driveRise', 18, 'exact', null, '', 'm']])
    for (const no of [{ minutes: 59 }, { roomC: null }, { what: 'room' }, { celsius: 22 }])
      expect(warm(no)).toEqual([])
    expect(reduced('build', { what: 'rebuild', hours: 17 })).toEqual([
      ['rebuildHours', 17, 'exact', null, '', 'r'],
    ])
    expect(reduced('build', { what: 'scrub', hours: 17 })).toEqual([])
  })
  it('is nothing where a report said that it does not count', () => {
    expect(reduced('network', { upMbps: 905, seconds: 9 }, { leftOut: 'Both ends …' })).toEqual([])
  })
})

describe('the measurements that a plan carries', () => {
  const watts = (value: number, parts: object = {}) =>
    entry('watts', { state: 'idle', watts: value }, parts)
  const reduce = (
    entries: readonly Entry[],
    before: readonly Trial[] = [],
    withSimulated = false,
  ) => reduceTrials(entries, { plan, before, withSimulated })
  it('are the newest forty of each figure', () => {
    expect(trialsPerFigure).toBe(40)
    const day = (at: number) =>
      `2026-${String(1 + Math.floor(at / 28)).padStart(2, '0')}-${String(1 + (at % 28)).padStart(2, '0')}`
    const many = Array.from({ length: 60 }, (_, at) => watts(50 + at, { at: day(at) }))
    const trials = reduce([...many, entry('copy', { MBps: 90 })])
    expect(trials).toHaveLength(41)
    expect(trials.filter(({ figure }) => figure === 'idleW').map(({ value }) => value)).toEqual(
      many.slice(20).map(own => (own.kind === 'watts' ? own.values.watts : 0)),
    )
  })
  it('of another machine crowd none of this one out, and are a thousand at most', () => {
    const own = watts(60)
    const others = Array.from({ length: 60 }, (_, at) =>
      watts(70, { marks: { ...marks, machine: 'other' }, at: '2026-11-29', note: `n${at}` }),
    )
    expect(reduce([own, ...others]).filter(({ mark }) => mark === 'm')).toHaveLength(1)
    const many = Array.from({ length: 1100 }, (_, at) =>
      watts(70, { marks: { ...marks, machine: `m${at % 40}` }, at: '2026-11-29' }),
    )
    expect(reduce([own, ...many])).toHaveLength(1000)
  })
  it('stay where the plan came without its log, and go where they were corrected', () => {
    const [first, second] = [watts(61), watts(62)]
    const carried = reduce([first, second])
    expect(reduce([], carried)).toEqual(carried)
    expect(
      reduce([first], carried)
        .map(({ id }) => id)
        .sort(),
    ).toEqual([first.id, second.id].sort())
    const correction = { ...watts(64), corrects: first.id }
    expect(
      reduce([correction], carried)
        .map(({ value }) => value)
        .sort(),
    ).toEqual([62, 64])
  })
  it('keep what somebody said of them', () => {
    const own = watts(90)
    const [trial] = reduce([own])
    expect(reduce([own], [{ ...trial!, standing: 'fault' }])[0]!.standing).toBe('fault')
  })
  it('leave out what was corrected, and the practice machine unless it counts', () => {
    const [first, second] = [watts(90), watts(60)]
    expect(reduce([first, { ...second, corrects: first.id }])).toHaveLength(1)
    const simulated = watts(61, { origin: { how: 'simulated' } })
    expect(reduce([simulated])).toHaveLength(0)
    expect(reduce([simulated], [], true)).toHaveLength(1)
  })
  it('fit into the plan', () => {
    const trials = reduce([watts(61), entry('conversion', { ran: 3, stuttered: 4 })])
    expect(planSchema.parse({ ...plan, calibration: { trials } }).calibration.trials).toEqual(
      trials,
    )
  })
})
