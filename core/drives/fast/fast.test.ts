import { describe, expect, it } from 'vitest'
import type { ReadPool } from '../layouts/layout'
import { layouts } from '../layouts/layouts'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { usualEditing } from '../../plan/fastStorage'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import {
  browsingS,
  busyAtMost,
  diskStreams,
  picturesOfPage,
  readAheadMB,
  seekS,
  ssdBrowsingS,
} from './diskStreams'
import { gbPerMbpsHour } from '../../units/dataSize'
import { rebuildShareOfOuter } from '../rebuildHours'
import {
  cacheSlack,
  fastStorage,
  frontShare,
  scratchGB,
  ssdFill,
  usualWritesPerTB,
  wearGBPerDay,
} from './fastStorage'
import { arrivalRuns, overlapHours } from './arrivals'
import { fastNotes, fastSentence, ssdMBps } from './tellFast'
import { longestWearYears, fastFigures } from './fastFigures'
import { type FastTale, plannedStreamMbps, dataDrivesCarry } from './fastRates'

const planned = (changes: Partial<PlanInput> = {}) => planSchema.parse({ name: 'x', ...changes })
const fastOf = (changes: Partial<PlanInput> = {}, conversions = 1, sentMbps = 8) =>
  fastStorage({
    plan: planned(changes),
    catalogue,
    conversions,
    sentMbps,
    convertingHours: planned(changes).choices.convertingHoursPerDay ?? 2,
  })
const films = (sizeGB: number, pool: 'spinning' | 'ssd' | 'front' = 'spinning') => ({
  kind: 'film' as const,
  name: 'Films',
  quality: 'given',
  sizeGB,
  pool,
})

describe('streams from a disk', () => {
  it('are 65 of 8 Mb/s from a drive of the 5400 class', () => {
    expect([seekS, readAheadMB, busyAtMost, rebuildShareOfOuter]).toEqual([
      { spinning: 0.013, ssd: 0.0001 },
      4,
      0.7,
      0.75,
    ])
    expect(
      diskStreams({ streamMbps: 8, outerMBps: 180, together: 1, sideBySide: 1, spinning: true }),
    ).toBe(65)
  })
  it('are more from an SSD, from mirrors, and from drives that read together', () => {
    const one = { streamMbps: 8, outerMBps: 180, together: 1, sideBySide: 1, spinning: true }
    expect(diskStreams({ ...one, outerMBps: 530, spinning: false })).toBe(
      Math.floor(0.7 / (0.25 * (0.0001 + 4 / 397.5))),
    )
    expect(diskStreams({ ...one, sideBySide: 2 })).toBe(131)
    expect(diskStreams({ ...one, together: 3 })).toBe(Math.floor(0.7 / (0.25 * (0.013 + 4 / 405))))
    expect(() => diskStreams({ ...one, outerMBps: 0 })).toThrow('DISK_RATE')
    expect(() => diskStreams({ ...one, streamMbps: 0 })).toThrow('DISK_STREAM')
  })
  it('spread over a layout as its reads do', () => {
    const five = { members: 5, survives: 1, dataDrives: 4 }
    const readsOf = (id: string, pool: ReadPool) =>
      layouts.find(layout => layout.id === id)!.reads(pool)
    expect(readsOf('rotating-1', five)).toMatchObject({ together: 4, sideBySide: 1 })
    expect(readsOf('mirror', { members: 2, survives: 1, dataDrives: 1 })).toMatchObject({
      together: 1,
      sideBySide: 2,
      isPerDrive: false,
    })
    expect(readsOf('pairs', { members: 6, survives: 1, dataDrives: 3 })).toMatchObject({
      together: 3,
      sideBySide: 2,
    })
    expect(readsOf('stripe', five)).toMatchObject({ together: 5, sideBySide: 1 })
    expect(readsOf('dedicated-1', five)).toEqual({ together: 1, sideBySide: 4, isPerDrive: true })
    const pool = { ...five, outerMBps: 180, spinning: true }
    expect(dataDrivesCarry({ pool, layoutId: 'dedicated-1' })).toEqual({ low: 65, high: 262 })
    expect(dataDrivesCarry({ pool: null, layoutId: 'dedicated-1' })).toBeNull()
    expect(plannedStreamMbps).toBe(8)
  })
  it(
    'let a page of the library wait: 0.8 s from an idle drive, 2.6 s beside 70 % of streams, ' +
      'nothing from an SSD',
    () => {
      expect(picturesOfPage).toBe(60)
      expect(browsingS(0, true)).toBeCloseTo(0.78, 9)
      expect(browsingS(0.7, true)).toBeCloseTo(2.6, 9)
      expect(Number.isFinite(browsingS(1, true))).toBe(true)
      expect([browsingS(0.9, false), ssdBrowsingS]).toEqual([0.01, 0.01])
      expect(() => browsingS(1.1, true)).toThrow('BUSY_SHARE')
    },
  )
})

describe('fast storage', () => {
  it(
    'keeps 5.4 GB of a stream of 8 Mb/s over 90 minutes, and writes 14.4 GB in 4 h, 5.3 TB a ' +
      'year',
    () => {
      expect(gbPerMbpsHour).toBe(0.45)
      expect(scratchGB(8, 90)).toBeCloseTo(5.4, 9)
      expect(wearGBPerDay(8, 4)).toBeCloseTo(14.4, 9)
      expect((wearGBPerDay(8, 4) * 365.25) / 1000).toBeCloseTo(5.26, 2)
      expect(fastOf({}, 2.4).scratchGB).toBeCloseTo(3 * 5.4, 9)
      expect(fastOf({}, 0).scratchGB).toBeCloseTo(5.4, 9)
    },
  )
  it('holds the biggest day of arrivals, the days between moves, and three tenths more', () => {
    expect(cacheSlack).toBe(1.3)
    const arrivals = [
      { gbPerDay: 20, daysPerWeek: 7 },
      { gbPerDay: 50, daysPerWeek: 1 },
    ]
    expect(fastOf({ drives: { arrivals, daysBetweenMoves: 2 } }).cacheGB).toBeCloseTo(
      70 * 2 * 1.3,
      9,
    )
  })
  it(
    'sums what lies on the SSD, with a tenth of what lies behind it, to four fifths of its ' +
      'size',
    () => {
      expect([ssdFill, frontShare]).toEqual([0.8, 0.1])
      const found = fastOf({
        library: { holdings: [films(1000, 'ssd'), films(2000, 'front'), films(4000)] },
        drives: { systemGB: 50, indexOn: 'spinning', scratchOn: 'spinning' },
      })
      expect(found.ssdGB).toBeCloseTo(1000 + 200 + 50, 9)
      expect(found.ssdNeededTB).toBeCloseTo(1.25 / 0.8, 9)
      expect(fastOf({ library: { holdings: [films(1020)] } }).indexGB).toBeCloseTo(20, 9)
    },
  )
  it('holds the data of services where they say that it lies', () => {
    const found = fastOf({
      drives: { systemGB: 50, indexOn: 'spinning', scratchOn: 'spinning' },
      system: {
        services: [
          { name: 'Photos', dataGB: 60 },
          { dataGB: 40, pool: 'spinning' },
          { name: 'Proxy' },
        ],
      },
    })
    expect(found.ssdGB).toBeCloseTo(50 + 60, 9)
    expect(
      found.placed
        .filter(({ id }) => id.startsWith('service-'))
        .map(({ label, path, sizeGB }) => [label, path, sizeGB]),
    ).toEqual([
      ['Photos', 'system.services.0.pool', 60],
      ['Service 2', 'system.services.1.pool', 40],
    ])
  })
  it('holds projects that are edited from away with work in progress', () => {
    const arrivals = [usualEditing, { ...usualEditing, projectGB: 40 }]
    const edited = fastOf({ drives: { workOn: 'ssd', workGB: 10, arrivals } })
    expect(edited.placed.find(({ id }) => id === 'work')!.sizeGB).toBe(250)
    // 5 GB on five days of seven, from each of two, once: into the cache or into their place.
    const writes = (drives: object) =>
      fastOf({ drives: { scratchOn: 'spinning', arrivals, ...drives } }).writtenGBPerDay
    expect(writes({ workOn: 'ssd' })).toBeCloseTo(50 / 7, 9)
    expect(writes({ workOn: 'ssd', cacheOn: 'ssd' })).toBeCloseTo(50 / 7, 9)
    expect(writes({ workOn: 'spinning' })).toBe(0)
  })
  it('wears by its data sheet, or 600 TB for each TB', () => {
    expect(usualWritesPerTB).toBe(600)
    const worn = fastOf({
      drives: { ssdTB: 1, cacheOn: 'ssd', arrivals: [{ gbPerDay: 70, daysPerWeek: 1 }] },
      choices: { convertingHoursPerDay: 4 },
    })
    expect(worn.writtenGBPerDay).toBeCloseTo(14.4 + 10, 9)
    expect(worn.wearYears).toBeCloseTo(600_000 / (24.4 * 365.25), 6)
    expect(
      fastOf({ drives: { ssdTB: 1, ssdWritesTB: 300 }, choices: { convertingHoursPerDay: 4 } })
        .ratedTB,
    ).toBe(300)
    expect(fastOf({ drives: { scratchOn: 'spinning' } }).wearYears).toBeNull()
    expect(fastOf({ drives: { ssdTB: 0 } }).wearYears).toBeNull()
  })
})

describe('arrivals', () => {
  const ways = {
    wiredMbps: 941,
    wifiMbps: 200,
    downloadMbps: 50,
    uploadMbps: 20,
    drivesMBps: 150,
    watching: { from: 19 * 60, to: 24 * 60 },
  }
  const [arrival] = planned({
    drives: { arrivals: [{ gbPerDay: 9, from: 60, hours: 4, link: 'internet' }] },
  }).drives.arrivals
  const run = (changes: object) => arrivalRuns([{ ...arrival!, ...changes }], ways)[0]!
  it('need their GB in their hours, and can have what the way and its limit leave', () => {
    expect(run({})).toMatchObject({ neededMbps: 5, possibleMbps: 50, inTime: true, minutes: 24 })
    expect(run({ limitMbps: 4 })).toMatchObject({ possibleMbps: 4, inTime: false, minutes: 240 })
    expect([
      run({ link: 'wifi' }).possibleMbps,
      run({ link: 'wired' }).possibleMbps,
      run({ link: 'here' }).possibleMbps,
    ]).toEqual([200, 941, 1200])
  })
  it('that are fetched too need the way out as well, at the same time', () => {
    // 4.5 GB in an hour are 10 Mb/s.
    const edits = { hours: 1, gbPerDay: 4.5, fetchedGBPerDay: 4.5 }
    expect(run(edits)).toMatchObject({
      neededMbps: 10,
      neededOutMbps: 10,
      possibleMbps: 50,
      possibleOutMbps: 20,
      inTime: true,
      minutes: 30,
    })
    expect(run({ ...edits, fetchedGBPerDay: 9.1 })).toMatchObject({ inTime: false, minutes: 60 })
    expect(run({ ...edits, limitMbps: 8 }).inTime).toBe(false)
    expect(run({ ...edits, gbPerDay: 0 })).toMatchObject({ neededMbps: 0, inTime: true })
    expect(run({ ...edits, link: 'wired' }).possibleOutMbps).toBe(941)
    expect(run({})).toMatchObject({ neededOutMbps: 0, possibleOutMbps: 0 })
  })
  it('that pause have only the hours in which nobody watches', () => {
    expect(run({ from: 18 * 60, hours: 2, pauses: true }).neededMbps).toBeCloseTo(20, 9)
    expect(run({ from: 18 * 60, hours: 2, pauses: false }).neededMbps).toBeCloseTo(10, 9)
    const never = run({ from: 20 * 60, hours: 2, pauses: true })
    expect([never.inTime, never.neededMbps]).toEqual([false, Infinity])
  })
  it('that run past midnight overlap with both days', () => {
    expect(overlapHours(23 * 60, 4, { from: 1380, to: 1440 })).toBe(1)
    expect(overlapHours(23 * 60, 4, { from: 60, to: 120 })).toBe(1)
    expect(overlapHours(60, 1, { from: 1380, to: 120 })).toBe(1)
    expect(overlapHours(0, 24, { from: 0, to: 0 })).toBe(24)
  })
})

describe('what is told of fast storage', () => {
  const tale = (changes: Partial<PlanInput> = {}): FastTale => ({
    plan: planned({ ...tideMillHouse, ...changes }),
    sentMbps: 4,
    conversions: 3,
    convertingHours: planned({ ...tideMillHouse, ...changes }).choices.convertingHoursPerDay ?? 2,
    watching: 3,
    layoutId: 'dedicated-1',
    format: plainFormat,
    pool: { members: 3, survives: 1, dataDrives: 2, outerMBps: 210, spinning: true },
  })
  const fast = (of: FastTale) => fastStorage({ ...of, catalogue })
  it('are figures with their working, finite, and never for a pool that is not there', () => {
    for (const own of [tale(), { ...tale(), pool: null }]) {
      for (const { id, value, formula } of fastFigures(fast(own), own)) {
        expect(value === null || Number.isFinite(value), id).toBe(true)
        expect(formula.length, id).toBeGreaterThan(0)
      }
    }
  })
  it('tells no wear beyond what other parts last', () => {
    const wear = (ssdWritesTB: number) => {
      const own = tale({ drives: { ssdWritesTB }, choices: { convertingHoursPerDay: 10 } })
      return fastFigures(fast(own), own).find(({ id }) => id === 'fast.wearYears')!
    }
    expect(longestWearYears).toBe(25)
    // 4 Mb/s over 10 h are 18 GB a day.
    expect(wear(100).value).toBeCloseTo(100_000 / (18 * 365.25), 6)
    expect([wear(200).value, wear(200).note]).toEqual([
      null,
      'Not within 25 years: other parts fail before.',
    ])
  })
  it('says whether the SSD is large enough', () => {
    const told = (drives: PlanInput['drives']) => {
      const own = tale({ drives })
      return fastSentence(fast(own), own, plainFormat)
    }
    expect(told({ ssdTB: 1 })).toContain('would be enough')
    expect(told({ ssdTB: 0.1 })).toContain('too small')
    expect(told({ ssdTB: 0 })).toContain('There is no SSD, but')
    expect(
      told({ ssdTB: 0, systemOn: 'spinning', indexOn: 'spinning', scratchOn: 'spinning' }),
    ).toBe('There is no SSD, and nothing is to lie on one.')
    expect(
      told({ ssdTB: 1, systemOn: 'spinning', indexOn: 'spinning', scratchOn: 'spinning' }),
    ).toContain('Nothing lies on the SSD')
  })
  it('names what a faster network card pays for, and what is in the cache alone', () => {
    const own = tale({
      library: { holdings: [films(100, 'ssd')] },
      drives: { cacheOn: 'ssd', arrivals: [{ gbPerDay: 5 }] },
    })
    expect(fastNotes(fast(own), { ...own, linkMBps: 117 }).join(' ')).toMatch(
      /no second copy until it is moved.*read at about 158 MB\/s, faster than the 117 MB\/s.*pays most for Films/,
    )
    expect(fastNotes(fast(tale()), { ...tale(), linkMBps: 294 })[0]).toContain('pays for nothing')
    expect(ssdMBps).toBe(530)
  })
})
