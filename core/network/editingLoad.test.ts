import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { usualEditing } from '../plan/fastStorage'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { editingMbps } from './editingLoad'

/** Five gigabytes are fetched in four hours of the evening: 5 · 8000 ÷ 14 400 = 2.78 Mb/s. */
const evening = { ...usualEditing, from: 19 * 60, hours: 4, daysPerWeek: 7 }
const planOf = (arrivals: readonly object[], changes: Partial<PlanInput> = {}) =>
  planSchema.parse({
    name: 'x',
    household: { watchingHome: 1, watchingAway: 1 },
    network: { uploadMbps: 40, uploadReserveShare: 0.25, awayRungMbps: 4 },
    choices: { watchingHoursPerDay: 5 },
    ...changes,
    drives: { lots: [{ count: 2, sizeTB: 8 }], ...changes.drives, arrivals },
  } as PlanInput)
const of = (...parts: Parameters<typeof planOf>) => assess(planOf(...parts), catalogue)
const mbps = (change: object, watchedHours = 5) =>
  editingMbps(planOf([{ ...evening, ...change }]).drives.arrivals, watchedHours)

describe('somebody away who edits', () => {
  it('has usual figures: 5 GB a day either way, and a project of 200 GB every two months', () =>
    expect(planOf([usualEditing]).drives.arrivals[0]).toMatchObject({
      gbPerDay: 5,
      fetchedGBPerDay: 5,
      projectGB: 200,
      projectMonths: 2,
    }))
  it('takes of the upload what is fetched in the evening, over its hours', () => {
    expect(mbps({})).toBeCloseTo(2.7778, 4)
    expect(mbps({ hours: 8, fetchedGBPerDay: 36 })).toBeCloseTo(10, 9)
    expect(mbps({ limitMbps: 1 })).toBe(1)
    // None where it pauses, comes another way, is done before, or nobody watches.
    expect([
      mbps({ pauses: true }),
      mbps({ link: 'wired' }),
      mbps({ from: 9 * 60, hours: 8 }),
      mbps({}, 0),
    ]).toEqual([0, 0, 0, 0])
    // From nine for ten hours and a minute it reaches into the evening.
    expect(mbps({ from: 9 * 60, hours: 10 + 1 / 60 })).toBeGreaterThan(0)
  })
  it('leaves viewers away less of it: streams, the share of each, and what is needed', () => {
    const [without, one, two] = [
      of([]),
      of([{ ...evening, fetchedGBPerDay: 14.4 }]),
      of([
        { ...evening, fetchedGBPerDay: 14.4 },
        { ...evening, fetchedGBPerDay: 14.4 },
      ]),
    ]
    const streams = (of: typeof without) => of!.figures['network.awayStreams']!.value
    // 40, 32 and 24 Mb/s: a quarter kept, 4.32 each.
    expect([without, one, two].map(streams)).toEqual([6, 5, 4])
    expect(one!.figures['network.editingMbps']!.value).toBeCloseTo(8, 9)
    const needed = (of: typeof without) => of!.figures['network.uploadNeededMbps']!.value!
    expect(needed(one) - needed(without)).toBeCloseTo(8, 9)
    expect(one!.domains.network.awayCapacityMbps).toBeCloseTo(24, 9)
    expect(one!.domains.network.links.uploadMbps).toBeCloseTo(32, 9)
    // More than there is leaves nothing, and no less.
    const all = of([{ ...evening, fetchedGBPerDay: 1000 }])
    expect(streams(all)).toBe(0)
    expect(all.domains.network.uploadMbps).toBe(0)
    expect(all.verdicts.find(({ id }) => id === 'away')!.state).toBe('impossible')
  })
  it('is copied too: what is written changes in every copy, and may be too much for the line', () => {
    const written = (gbPerDay: number) =>
      of([{ ...usualEditing, daysPerWeek: 7, gbPerDay }], {
        library: { otherTB: 1 },
        drives: { awayCopy: 'everything', awayBy: 'line' },
      })
    // 40 Mb/s · 60 % · 7 h · 0.45 = 75.6 GB a night.
    expect(written(5).domains.drives.lineKeepsUp).toBe(true)
    expect(written(60).domains.drives.lineKeepsUp).toBe(true)
    expect(written(80).domains.drives.lineKeepsUp).toBe(false)
  })
})
