import ICAL from 'ical.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { iCalendar } from '../../formats/iCalendar'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { dayOfText, dayText } from '../../units/calendarDay'
import { slotMinutes, slotsPerWeek } from '../../units/week'
import type { ConditionId } from '../setup'
import { allCalendarRows, calendarEntries, type CalendarEntry } from './calendarEntries'
import type { CalendarContext } from './calendarRows'
import { cancelledDays, exportCalendar } from './exportCalendar'
import { quietestHours, usualQuiet } from './quietHours'

const signedOn = dayOfText('2026-12-01')!
const context = (
  more: Partial<Omit<CalendarContext, 'is' | 'plan'>> & {
    is?: ConditionId[]
    plan?: Omit<PlanInput, 'name'>
  } = {},
): CalendarContext => ({
  drives: 4,
  testHours: 18,
  scrubs: true,
  isNightly: false,
  quiet: usualQuiet,
  paysYearly: false,
  ...more,
  plan: planSchema.parse({ name: 'x', ...more.plan }),
  is: new Set(more.is ?? []),
})
const entries = (...[more, intervals]: [Parameters<typeof context>[0]?, [string, number][]?]) =>
  calendarEntries(context(more), signedOn, new Map(intervals))
const ofCode = (list: readonly CalendarEntry[], code: string) =>
  list.filter(entry => entry.code === code)
const first = (code: string, ...args: Parameters<typeof entries>) => {
  const [entry] = ofCode(entries(...args), code)
  return entry && { ...entry, day: dayText(entry.start) }
}
/** Days of an entry over some years, as another program reads them from the export. */
function daysOf(entry: CalendarEntry, years: number): number[] {
  const text = iCalendar([{ ...entry, uid: 'x', sequence: 0, isCancelled: false }], {
    name: 'x',
    today: signedOn,
  })
  const component = new ICAL.Component(ICAL.parse(text) as unknown[])
  const times = new ICAL.Event(component.getFirstSubcomponent('vevent')!).iterator()
  const days: number[] = []
  for (let time = times.next(); time; time = times.next()) {
    const day = dayOfText(time.toString().slice(0, 10))!
    if (day > signedOn + years * 365) break
    days.push(day)
  }
  return days
}

describe('the calendar', () => {
  it('begins on the day after sign-off, with what every machine needs', () => {
    const bare = entries({ drives: 0, scrubs: false })
    expect(bare.map(({ code }) => code)).toEqual(['updates', 'settings', 'dust', 'accounts', 'log'])
    for (const { start } of entries()) expect(start).toBeGreaterThan(signedOn)
    expect(first('log')!.day).toBe('2027-01-02')
    expect(first('settings')!.day).toBe('2027-03-02')
    expect(first('accounts')!.day).toBe('2027-12-02')
  })
  it('scrubs on the first Sunday at half past three, beside nightly parity by the quarter', () => {
    expect(first('scrub')).toMatchObject({
      day: '2026-12-06',
      time: 210,
      recurrence: { every: 1, unit: 'month', byDay: '1SU' },
    })
    expect(first('scrub', { isNightly: true })!.recurrence).toMatchObject({ every: 3 })
    expect(first('scrub', { scrubs: false })).toBe(undefined)
    const bedroom = { brief: { place: 'bedroom' }, choices: { asleepHoursPerDay: 8 } } as const
    expect(first('scrub', { plan: bedroom })!.time).toBe(570)
    expect(first('scrub', { plan: { brief: { place: 'bedroom' } } })!.time).toBe(210)
    const opens = {
      brief: { place: 'cupboard', opensTo: 'bedroom' },
      choices: { asleepHoursPerDay: 8 },
    } as const
    expect(first('testLong', { plan: opens })!.time).toBe(570)
  })
  it('tests one drive a night, those of over twenty hours every second', () => {
    const days = (testHours: number) =>
      ofCode(entries({ testHours }), 'testLong').map(({ start }) => Number(dayText(start).slice(8)))
    expect(days(20)).toEqual([9, 10, 11, 12])
    expect(days(20.1)).toEqual([9, 11, 13, 15])
    expect(days(44.1)).toEqual([9, 12, 15, 18])
    // As many months as it takes until each had its night.
    const many = ofCode(entries({ drives: 45 }), 'testLong')
    expect(new Set(many.map(({ recurrence }) => recurrence!.every))).toEqual(new Set([3]))
  })
  it('has what copies, a UPS, a stick and a licence ask for', () => {
    const codes = (is: ConditionId[], plan: Omit<PlanInput, 'name'> = {}, paysYearly = false) =>
      entries({ is, plan, paysYearly }).map(({ code, target }) => `${code} ${target}`)
    expect(codes(['ups'])).toEqual(expect.arrayContaining(['upsTest all', 'battery all']))
    expect(codes(['stick'])).toContain('spare stick')
    expect(codes(['survives'])).toEqual(expect.arrayContaining(['spare all', 'drill all']))
    expect(codes([], {}, true)).toContain('licence all')
    const away = { drives: { awayCopy: 'everything', awayEveryDays: 29.2 } } as const
    expect(codes(['copies', 'irreplaceable'], away)).toEqual(
      expect.arrayContaining([
        'restore irreplaceable',
        'restore rest',
        'swapSets all',
        'copies all',
      ]),
    )
    expect(codes(['copies'], { drives: { awayCopy: 'irreplaceable' } })).not.toContain(
      'restore rest',
    )
    expect(first('swapSets', { is: ['copies'], plan: away })!.recurrence).toEqual({
      every: 30,
      unit: 'day',
    })
    const line = { drives: { awayCopy: 'everything', awayBy: 'line' } } as const
    expect(codes(['copies'], line)).not.toContain('swapSets all')
    expect(codes([], { drives: { snapshotMonths: 2 } })).toContain('snapshots all')
    expect(first('dust', { plan: { brief: { dusty: true } } })!.recurrence!.every).toBe(2)
    expect(first('battery', { is: ['ups'] })!.day).toBe('2030-12-02')
  })
  it('has last days of return, of warranty, and when to order, while they lie ahead', () => {
    const plan = {
      drives: {
        register: [
          { serial: 'A1', bay: 2, lastReturn: '2026-12-20', warrantyUntil: '2029-11-30' },
          { serial: 'A2', lastReturn: '2026-12-04' },
        ],
        purchases: [{ month: 12, count: 1, sizeTB: 8 }, { month: 0 }],
      },
    }
    const deadlines = entries({ plan }).filter(({ isDeadline }) => isDeadline)
    expect(deadlines.map(({ code, target, start }) => [code, target, dayText(start)])).toEqual([
      ['return', 'drive-1', '2026-12-17'],
      ['warranty', 'drive-1', '2029-10-31'],
      ['purchase', 'purchase-1', '2027-11-01'],
    ])
    expect(deadlines[0]!.title).toBe('Drive A1 in bay 2 can be given back for 3 more days')
    expect(deadlines[2]!.title).toBe('Order 1 drive of 8 TB')
    for (const { recurrence, time } of deadlines) expect([recurrence, time]).toEqual([null, null])
  })
  it('takes intervals of somebody, in whole days, and as many nights as the drives need', () => {
    expect(first('log', {}, [['log', 9.2]])!.recurrence).toEqual({ every: 10, unit: 'day' })
    // Five nights together: four drives and the scrub.
    expect(first('testLong', {}, [['testLong', 2]])!.recurrence).toEqual({ every: 5, unit: 'day' })
    expect(first('scrub', {}, [['testLong', 2]])!.recurrence).toEqual({ every: 30, unit: 'day' })
    expect(first('testLong', {}, [['scrub', 7]])!.recurrence).toEqual({ every: 30, unit: 'day' })
    expect(first('updates', {}, [['updates', 14]])!.recurrence).toEqual({ every: 14, unit: 'day' })
  })
  it('lets no two heavy jobs share a night, read by another program over three years', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 0.1, max: 70, noNaN: true }),
        fc.boolean(),
        fc.array(
          fc.tuple(
            fc.constantFrom('scrub', 'testLong'),
            fc.double({ min: 1, max: 400, noNaN: true }),
          ),
          { maxLength: 2 },
        ),
        (drives, testHours, isNightly, intervals) => {
          const heavy = entries({ drives, testHours, isNightly }, intervals).filter(
            ({ code }) => code === 'scrub' || code === 'testLong',
          )
          const taken = new Map<number, string>()
          const nights = Math.max(1, Math.ceil((testHours + 4) / 24))
          for (const entry of heavy)
            for (const day of daysOf(entry, 3))
              for (let night = 0; night < (entry.code === 'scrub' ? 1 : nights); night++) {
                expect(taken.get(day + night)).toBe(undefined)
                taken.set(day + night, entry.target)
              }
        },
      ),
      { numRuns: 25 },
    )
  })
  it('has rows of different codes, each with a reason', () => {
    const codes = allCalendarRows.map(({ code }) => code)
    expect(new Set(codes).size).toBe(codes.length)
    for (const { why } of allCalendarRows) expect(why).toMatch(/\.$|\?$/)
  })
})

describe('the quiet hours', () => {
  it('are the four in which fewest are expected, by the slow definition', () => {
    expect(quietestHours(new Float64Array(slotsPerWeek))).toEqual(usualQuiet)
    fc.assert(
      fc.property(fc.array(fc.nat(3), { minLength: 168, maxLength: 168 }), hours => {
        const expected = Float64Array.from(
          { length: slotsPerWeek },
          (_, slot) => hours[Math.floor((slot * slotMinutes) / 60)]!,
        )
        if (hours.every(count => count === 0)) return
        const sums = hours.map((_, at) =>
          [0, 1, 2, 3].reduce((sum, by) => sum + hours[(at + by) % 168]!, 0),
        )
        const at = sums.indexOf(Math.min(...sums))
        expect(quietestHours(expected)).toEqual({
          weekday: Math.floor(at / 24),
          time: (at % 24) * 60,
        })
      }),
      { numRuns: 50 },
    )
  })
})

describe('exports one after the other', () => {
  const today = dayOfText('2026-12-02')!
  const write = (
    list: readonly CalendarEntry[],
    known: Parameters<typeof exportCalendar>[1]['known'],
    on = today,
  ) => exportCalendar(list, { planId: 'p1', known, today: on })
  it('keep their ids, and count their changes', () => {
    const list = entries()
    const one = write(list, [])
    expect(one.events.map(({ uid }) => uid)).toContain('p1.testLong.drive-3@numeron')
    expect(new Set(one.events.map(({ uid }) => uid)).size).toBe(one.events.length)
    expect(one.events.every(({ sequence }) => sequence === 0)).toBe(true)
    const two = write(list, one.exported)
    expect(two).toEqual(one)
    const three = write(entries({}, [['log', 9]]), two.exported)
    const changed = three.events.filter(({ sequence }) => sequence > 0)
    expect(changed.map(({ uid }) => uid)).toEqual(['p1.log.all@numeron'])
    // Back as it was, it has changed once more.
    const four = write(list, three.exported)
    expect(four.events.find(({ uid }) => uid.includes('.log.'))!.sequence).toBe(2)
  })
  it('tell for a year what fell away, and count it as changed when it is back', () => {
    const with4 = write(entries(), [])
    const with3 = write(entries({ drives: 3 }), with4.exported)
    const gone = with3.events.filter(({ isCancelled }) => isCancelled)
    expect(gone).toMatchObject([{ uid: 'p1.testLong.drive-4@numeron', sequence: 1 }])
    const again = write(entries({ drives: 3 }), with3.exported, today + cancelledDays)
    expect(again.events.filter(({ isCancelled }) => isCancelled)).toHaveLength(1)
    expect(again.events.find(({ isCancelled }) => isCancelled)!.sequence).toBe(1)
    const later = write(entries({ drives: 3 }), again.exported, today + cancelledDays + 1)
    expect(later.events.filter(({ isCancelled }) => isCancelled)).toEqual([])
    const back = write(entries(), with3.exported)
    expect(back.events.find(({ uid }) => uid.includes('drive-4'))).toMatchObject({
      sequence: 2,
      isCancelled: false,
    })
  })
})
