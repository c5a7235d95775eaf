import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainFormat } from '../units/format'
import {
  cappedHours,
  copyHours,
  fillOrders,
  firstFills,
  ripping,
  smallFilesFactor,
  usbMBps,
  type FillQuestion,
} from './firstFill'
import { fillFigures, fillSentence, orderFigures } from './tellFirstFill'

const question: FillQuestion = {
  sizeTB: 12,
  smallShare: 0,
  fromMBps: 150,
  toMBps: 160,
  enclosureMBps: null,
  controllerMBps: null,
  processorMBps: null,
  homeMbps: 941.5,
  downloadMbps: 100,
  capGBPerDay: null,
  copying: null,
  smallFiles: null,
}
const fills = (changes: Partial<FillQuestion> = {}) => firstFills({ ...question, ...changes })

describe('a first fill', () => {
  it('goes through all that the pool hangs on, by every way, and is compared through it', () => {
    const by = (changes: Partial<FillQuestion>) =>
      fills({ downloadMbps: 1000, ...changes }).map(({ limit, rateMBps }) => [limit, rateMBps])
    // A box on USB 2 carries 35 MB/s: 12 TB take 95 hours by whatever way.
    const box = fills({ enclosureMBps: 35, downloadMbps: 1000 })
    expect(box.map(({ limit }) => limit)).toEqual(['enclosure', 'enclosure', 'enclosure'])
    for (const { hours, verifyHours } of box) {
      expect(hours!.likely).toBeCloseTo(12e6 / 35 / 3600, 9)
      expect(verifyHours).toBeCloseTo(12e6 / 35 / 3600, 9)
    }
    expect(by({ controllerMBps: 50 })).toEqual([
      ['controller', 50],
      ['controller', 50],
      ['controller', 50],
    ])
    expect(by({ controllerMBps: 860, enclosureMBps: 430 })).toEqual(by({}))
  })
})

describe('copying', () => {
  it('takes the bytes over the rate, and three times as long for those in small files', () => {
    expect(smallFilesFactor).toEqual({ low: 2, likely: 3, high: 4 })
    expect(copyHours(16, { rateMBps: 150, smallShare: 0 }).likely).toBeCloseTo(29.6, 1)
    const mixed = copyHours(1, { rateMBps: 100, smallShare: 0.1 })
    expect([mixed.low, mixed.likely, mixed.high].map(hours => hours / (1e4 / 3600))).toEqual(
      [1.1, 1.2, 1.3].map(factor => expect.closeTo(factor, 9) as number),
    )
    expect(() => copyHours(1, { rateMBps: 0, smallShare: 0 })).toThrow('FILL_RATE')
    expect(() => copyHours(1, { rateMBps: 1, smallShare: 1.2 })).toThrow('FILL_SMALL')
  })
  it('under a daily cap ends with the last byte', () => {
    expect(cappedHours(1000, { rateMBps: 12.5, capGBPerDay: 300 })).toBeCloseTo(
      72 + (100 * 1000) / 12.5 / 3600,
      9,
    )
    expect(cappedHours(300, { rateMBps: 12.5, capGBPerDay: 300 })).toBeCloseTo(
      (300 * 1000) / 12.5 / 3600,
      9,
    )
    expect(cappedHours(1000, { rateMBps: 1, capGBPerDay: 300 })).toBeCloseTo(1e6 / 3600, 9)
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 0.5, max: 100, noNaN: true }),
        fc.double({ min: 10, max: 2000, noNaN: true }),
        (sizeGB, rateMBps, capGBPerDay) => {
          // Hour by hour, a day's cap filled as fast as the line allows.
          let [left, hours] = [sizeGB, 0]
          while (left > 1e-9) {
            const day = Math.min(capGBPerDay, rateMBps * 86.4)
            if (left <= day + 1e-9) hours += (left * 1000) / rateMBps / 3600
            else hours += 24
            left -= Math.min(left, day)
          }
          expect(cappedHours(sizeGB, { rateMBps, capGBPerDay })).toBeCloseTo(hours, 5)
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('the first fill', () => {
  it('runs at the slowest of each way, which is named', () => {
    expect(fills().map(({ way, limit, rateMBps }) => [way, limit, rateMBps])).toEqual([
      ['home', 'home network', 117.6875],
      ['plugged', 'source', 150],
      ['store', 'internet line', 12.5],
    ])
    expect(fills({ fromMBps: 1000, toMBps: 900 })[1]).toMatchObject({ limit: 'USB', rateMBps: 430 })
    expect(usbMBps).toBe(430)
    expect(fills({ toMBps: 50 }).map(({ limit }) => limit)).toEqual([
      'pool',
      'pool',
      'internet line',
    ])
  })
  it('is compared by another read of both ends, without the network', () => {
    expect(fills()[0]!.verifyHours).toBeCloseTo(12e6 / 150 / 3600, 9)
    expect(fills()[2]!.verifyHours).toBeCloseTo(12e6 / 160 / 3600, 9)
  })
  it('from a store waits for the cap', () => {
    const [, , store] = fills({ capGBPerDay: 300 })
    expect([store!.limit, store!.hours!.likely]).toEqual([
      'cap',
      cappedHours(12_000, { rateMBps: 12.5, capGBPerDay: 300 }),
    ])
    expect(fills({ capGBPerDay: 5000 })[2]!.limit).toBe('internet line')
  })
  it('never comes where nothing gets through', () => {
    expect(fills({ downloadMbps: 0 })[2]).toMatchObject({ hours: null, verifyHours: null })
  })
})

describe('the order of the first build and the fill', () => {
  const build = { buildHours: 24, writesKept: 0.4 }
  it('goes by the way that is soonest, whatever else there is', () => {
    const hours = (rateMBps: number) => 24 + 12e6 / rateMBps / 3600
    // From the old drive at 150 MB/s; with parity kept the pool takes 0.4 × 160 = 64.
    const found = fillOrders(question, build)!
    expect(found.way).toBe('plugged')
    expect(found.copyFirst.likely).toBeCloseTo(hours(150), 9)
    expect(found.buildFirst.likely).toBeCloseTo(hours(64), 9)
    // Over a slow network parity holds nothing up.
    const slow = fillOrders({ ...question, fromMBps: 11, homeMbps: 94, downloadMbps: 10 }, build)!
    expect(slow.copyFirst.likely).toBeCloseTo(hours(11), 9)
    expect(slow.buildFirst.likely).toBeCloseTo(hours(11), 9)
    expect(fillOrders({ ...question, toMBps: 0 }, build)).toBeNull()
  })
  it('never is shorter when the parity is built first', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.constantFrom(0.4, 0.7, 1),
        (fromMBps, toMBps, kept) => {
          const found = fillOrders(
            { ...question, fromMBps, toMBps },
            { buildHours: 10, writesKept: kept },
          )!
          expect(found.buildFirst.likely).toBeGreaterThanOrEqual(found.copyFirst.likely - 1e-9)
          if (kept === 1) expect(found.buildFirst).toEqual(found.copyFirst)
        },
      ),
    )
  })
  it('is told with what each order leaves open', () => {
    const [copy, first] = orderFigures(fillOrders(question, build)!, build, plainFormat)
    expect([copy!.id, first!.id]).toEqual(['network.fill.copyFirst', 'network.fill.buildFirst'])
    expect(copy!.note).toBe('Nothing is protected until the end.')
    expect(first!.note).toContain('the pool keeps 40 % of its rate')
    expect(
      orderFigures(fillOrders(question, build)!, { writesKept: 1 }, plainFormat)[1]!.note,
    ).toBe('What is copied is protected from the first file on.')
    expect(first!.formula).toContain('from a drive that is plugged in')
  })
})

describe('ripping', () => {
  it('goes in whole rounds of the drives, and as many as fit into a day', () => {
    expect(ripping({ discs: 160, minutesEach: 25, drives: 2, hoursPerDay: 3 })).toEqual({
      rounds: 80,
      benchHours: expect.closeTo(33.333, 3) as number,
      days: 12,
    })
    expect(ripping({ discs: 3, minutesEach: 60, drives: 2, hoursPerDay: 0.5 })).toMatchObject({
      rounds: 2,
      days: 2,
    })
    expect(ripping({ discs: 0, minutesEach: 25, drives: 2, hoursPerDay: 3 })).toMatchObject({
      rounds: 0,
      days: 0,
    })
    expect(() => ripping({ discs: 1, minutesEach: 25, drives: 0, hoursPerDay: 3 })).toThrow(
      'RIP_DRIVES',
    )
    expect(() => ripping({ discs: 1, minutesEach: 0, drives: 1, hoursPerDay: 3 })).toThrow(
      'RIP_MINUTES',
    )
  })
})

describe('what is told of the first fill', () => {
  const rip = { discs: 160, minutesEach: 25, drives: 2, hoursPerDay: 3 }
  it('names the quickest way and what limits it', () => {
    expect(fillSentence(fills(), { sizeTB: 12, format: plainFormat })).toMatch(
      /^12\sTB are on the machine soonest from a drive that is plugged in: in about 22\sh, and as long again to compare\.$/,
    )
    expect(fillSentence(fills(), { sizeTB: 0, format: plainFormat })).toContain(
      'Nothing is kept yet',
    )
  })
  it('are figures with their working, and none where nothing gets through', () => {
    const figures = fillFigures(fills({ downloadMbps: 0, smallShare: 0.02 }), {
      question: { ...question, downloadMbps: 0, smallShare: 0.02 },
      ripping: rip,
      format: plainFormat,
    })
    expect(figures.map(({ id }) => id)).toEqual([
      'network.fill.home',
      'network.fill.plugged',
      'network.fill.store',
      'network.fill.ripping',
    ])
    expect(figures.map(({ value }) => value === null)).toEqual([false, false, true, false])
    for (const { formula, value } of figures)
      expect(formula.length > 0 && (value === null || Number.isFinite(value))).toBe(true)
  })
})
