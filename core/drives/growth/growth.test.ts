import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fewModels } from '../../../tests/stubs/smallCatalogue'
import { yardsticks } from '../../../tests/yardstick'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { layouts } from '../layouts/layouts'
import type { LayoutDrive } from '../layouts/layout'
import { applyPurchases } from './applyPurchases'
import { biggerBoxLater, copyHours } from './biggerBox'
import {
  cheapestPurchases,
  fallBounds,
  fallWhereStepsWin,
  maxLooks,
  purchasesNow,
  searchPurchases,
} from './cheapestPurchases'
import { possiblePurchases, priceSum, type GrowthQuestion } from './growthQuestion'
import { driveOffers } from './driveOffers'
import { planGrowth } from './planGrowth'
import { roomOfDrives } from './plannedRoom'
import { drivesAfter, priceIn } from './purchases'
import { roomCourse } from './roomCourse'
import { growthSentence } from './tellGrowth'
import { plainFormat } from '../../units/format'

const layoutOf = (id: string) => layouts.find(layout => layout.id === id)!
const sized = (...sizes: number[]): LayoutDrive[] => sizes.map(sizeTB => ({ sizeTB, role: 'any' }))
const line = (from: number, perMonth: number, months: number) =>
  Array.from({ length: months + 1 }, (_, month) => from + perMonth * month)
const base: GrowthQuestion = {
  layout: layoutOf('separate'),
  drives: sized(8),
  hotSpares: 0,
  roomOf: usable => usable,
  contentTB: line(6, 0.5, 24),
  bays: 4,
  expandsParity: true,
  fallPerYear: 0.05,
  replacedWorth: 0,
  offers: [
    { sizeTB: 8, price: 160, model: null },
    { sizeTB: 12, price: 210, model: null },
  ],
  priceOf: sizeTB => (sizeTB === 8 ? 160 : 17.5 * sizeTB),
}

/** Every course of purchases in every month, one after the other. */
function slowCheapest(question: GrowthQuestion, most = Infinity): number {
  const { contentTB, offers, fallPerYear, replacedWorth } = question
  const price = (sizeTB: number) => offers.find(offer => offer.sizeTB === sizeTB)!.price
  function from(drives: readonly LayoutDrive[], month: number, made: number): number {
    if (month === contentTB.length) return 0
    let best =
      contentTB[month]! <= roomOfDrives(question, drives) ? from(drives, month + 1, made) : Infinity
    for (const purchase of made < most ? possiblePurchases(question, drives) : []) {
      const { drives: after, replaced } = drivesAfter(drives, purchase)
      best = Math.min(
        best,
        purchase.count * priceIn(price(purchase.sizeTB), month, fallPerYear) -
          replaced.reduce(
            brought =>
              brought +
              Math.min(replacedWorth, priceIn(price(purchase.sizeTB), month, fallPerYear)),
            0,
          ) +
          from(after, month, made + 1),
      )
    }
    return best
  }
  return from(question.drives, 0, 0)
}

describe('a purchase', () => {
  it('is added, or stands where what it replaces stood', () => {
    const sizes = (drives: readonly LayoutDrive[]) => drives.map(({ sizeTB }) => sizeTB)
    expect(sizes(drivesAfter(sized(8, 4), { count: 2, sizeTB: 12, how: 'added' }).drives)).toEqual([
      8, 4, 12, 12,
    ])
    expect(
      sizes(drivesAfter(sized(8, 4, 8), { count: 1, sizeTB: 12, how: 'smallest' }).drives),
    ).toEqual([8, 12, 8])
    const all = drivesAfter(sized(8, 4, 12, 16), { count: 2, sizeTB: 12, how: 'allSmaller' })
    expect([sizes(all.drives), sizes(all.replaced)]).toEqual([
      [12, 12, 12, 16],
      [4, 8],
    ])
  })
  it('joins the last group, or is one of its own', () => {
    const grouped: LayoutDrive[] = [
      { sizeTB: 8, role: 'any', group: 1 },
      { sizeTB: 8, role: 'any', group: 2 },
    ]
    expect(drivesAfter(grouped, { count: 1, sizeTB: 12, how: 'added' }).drives.at(-1)!.group).toBe(
      2,
    )
    expect(
      drivesAfter(grouped, { count: 3, sizeTB: 12, how: 'newGroup' })
        .drives.slice(2)
        .map(({ group }) => group),
    ).toEqual([3, 3, 3])
    expect(
      drivesAfter(sized(8, 8), { count: 2, sizeTB: 12, how: 'newGroup' }).drives.map(
        ({ group }) => group,
      ),
    ).toEqual([undefined, undefined, 2, 2])
  })
  it('costs less by the yearly fall', () => {
    expect(priceIn(200, 24, 0.05)).toBeCloseTo(180.5, 9)
    expect(priceIn(200, 6, -0.1)).toBeCloseTo(200 * Math.sqrt(1.1), 9)
    expect(fallBounds).toEqual([-0.1, 0.15])
  })
})

describe('the cheapest purchases', () => {
  it('come in the month in which the room would be too small', () => {
    // 6 TB and 0.5 a month: 8 TB are too little from month 5 on, 16 from month 21; 12 TB more last
    // to the end.
    const found = cheapestPurchases(base).purchases!
    expect(found.map(({ month, count, sizeTB, how }) => [month, count, sizeTB, how])).toEqual([
      [5, 1, 12, 'added'],
    ])
    expect(found[0]!.price).toBeCloseTo(210 * 0.95 ** (5 / 12), 9)
  })
  it('equal every course of purchases gone through', () => {
    fc.assert(
      fc.property(
        fc.record({
          id: fc.constantFrom(
            'separate',
            'dedicated-1',
            'mirror',
            'pairs',
            'rotating-1',
            'duplication',
            'stripe',
            'nightly-copy',
            'sliced-1',
          ),
          sizes: fc.array(fc.constantFrom(4, 8), { maxLength: 4 }),
          bays: fc.integer({ min: 2, max: 5 }),
          start: fc.integer({ min: 1, max: 12 }),
          step: fc.integer({ min: 0, max: 3 }),
          prices: fc.tuple(fc.integer({ min: 50, max: 200 }), fc.integer({ min: 50, max: 300 })),
          fall: fc.constantFrom(0, 0.05, 0.15),
          worth: fc.constantFrom(0, 20),
          expands: fc.boolean(),
          hotSpares: fc.constantFrom(0, 0, 1),
        }),
        ({ id, sizes, bays, start, step, prices, fall, worth, expands, hotSpares }) => {
          const question: GrowthQuestion = {
            ...base,
            layout: layoutOf(id),
            drives: sized(...sizes),
            bays,
            contentTB: line(start, step, 3),
            fallPerYear: fall,
            replacedWorth: worth,
            expandsParity: expands,
            hotSpares,
            offers: [
              { sizeTB: 6, price: prices[0], model: null },
              { sizeTB: 10, price: prices[1], model: null },
            ],
          }
          const { purchases, atLeast } = cheapestPurchases(question)
          const slow = slowCheapest(question)
          expect(atLeast).toBeCloseTo(slow, 6)
          if (slow === Infinity) expect(purchases).toBeNull()
          else expect(priceSum(purchases!)).toBeCloseTo(slow, 6)
        },
      ),
      { numRuns: 150 },
    )
  })
  it('are enough in every month, which the course of the room shows', () => {
    for (const id of [
      'separate',
      'dedicated-1',
      'mirror',
      'pairs',
      'rotating-1',
      'duplication',
      'sliced-2',
      'span',
    ]) {
      const question = {
        ...base,
        layout: layoutOf(id),
        drives: sized(8, 8, 8, 8).slice(0, id === 'mirror' ? 2 : 4),
        bays: 8,
        contentTB: line(4, 0.5, 60),
        offers: driveOffers(planSchema.parse({ name: 'x' }).drives, catalogue),
      }
      const found = cheapestPurchases(question).purchases
      if (!found) {
        expect(id).toBe('mirror')
        continue
      }
      const course = roomCourse(
        {
          ...question,
          priceOf: sizeTB => question.offers.find(offer => offer.sizeTB === sizeTB)!.price,
        },
        found,
      )
      expect(course.monthFull, id).toBeNull()
      expect(course.total, id).toBeCloseTo(priceSum(found), 6)
    }
  })
  it('are made at once while prices rise, and never dearer than everything now', () => {
    expect(
      cheapestPurchases({ ...base, fallPerYear: -0.05 }).purchases!.every(
        ({ month, price }) => month === 0 && price === 210,
      ),
    ).toBe(true)
    expect(priceSum(cheapestPurchases({ ...base, fallPerYear: 0 }).purchases!)).toBeLessThanOrEqual(
      priceSum(purchasesNow(base).purchases!),
    )
  })
  it('with many bays drop no size that could win', () => {
    const offers = driveOffers(planSchema.parse({ name: 'x' }).drives, catalogue)
    for (const [id, held, start] of [
      ['separate', 18, 143],
      ['pairs', 18, 71],
      ['separate', 10, 79],
      ['dedicated-1', 18, 135],
      ['rotating-1', 18, 135],
    ] as const) {
      const question: GrowthQuestion = {
        ...base,
        layout: layoutOf(id),
        drives: sized(...Array<number>(held).fill(8)),
        bays: held + 2,
        contentTB: line(start, 2, 1),
        offers,
      }
      // Four drives cost more than what two or three come to.
      const slow = slowCheapest(question, 3)
      expect(slow, id).toBeLessThan(4 * offers[0]!.price)
      expect(priceSum(cheapestPurchases(question).purchases!), id).toBeCloseTo(slow, 6)
      // A switch that adds a choice makes nothing dearer.
      expect(
        cheapestPurchases({ ...question, expandsParity: false }).atLeast,
        id,
      ).toBeGreaterThanOrEqual(slow - 1e-9)
    }
  })
  it('that are too many to go through are found in a hurry, with what none costs less than', () => {
    expect(maxLooks).toBe(200_000)
    const question: GrowthQuestion = {
      ...base,
      drives: sized(8, 8, 8, 8),
      bays: 10,
      contentTB: line(20, 1.5, 48),
      offers: driveOffers(planSchema.parse({ name: 'x' }).drives, catalogue),
    }
    const exact = searchPurchases(question, { most: Infinity })
    const { purchases, atLeast } = cheapestPurchases(question, 2_000)
    expect(atLeast).toBeLessThan(exact.atLeast)
    expect(priceSum(purchases!)).toBeGreaterThan(exact.atLeast - 1e-9)
    expect(priceSum(purchases!)).toBeLessThan(1.05 * exact.atLeast)
    expect(roomCourse(question, purchases!).monthFull).toBeNull()
  })
  it('are none where the drives last, and null where no purchases are enough', () => {
    expect(cheapestPurchases({ ...base, contentTB: line(1, 0.1, 24) }).purchases).toEqual([])
    expect(cheapestPurchases({ ...base, contentTB: line(100, 0, 24) })).toEqual({
      purchases: null,
      atLeast: Infinity,
    })
    expect(cheapestPurchases({ ...base, offers: [] }).purchases).toBeNull()
  })
  it(
    'follow the layout: pairs by two, mirrors by bigger ones, full bays by swapping, parity ' +
      'by groups where it cannot expand',
    () => {
      const kinds = (changes: Partial<GrowthQuestion>) =>
        new Set(
          possiblePurchases({ ...base, ...changes }, changes.drives ?? base.drives).map(
            ({ count, how }) => `${count} ${how}`,
          ),
        )
      expect(kinds({ layout: layoutOf('pairs'), drives: sized(8, 8, 8, 8), bays: 6 })).toEqual(
        new Set(['2 added']),
      )
      expect(kinds({ layout: layoutOf('mirror'), drives: sized(8, 8) })).toEqual(
        new Set(['2 allSmaller']),
      )
      expect(kinds({ drives: sized(8, 8, 8, 8) })).toEqual(new Set(['1 smallest']))
      expect(kinds({ layout: layoutOf('rotating-1'), drives: sized(8, 8, 8), bays: 7 })).toEqual(
        new Set(['1 added', '3 newGroup', '3 allSmaller']),
      )
      expect(
        kinds({
          layout: layoutOf('rotating-1'),
          drives: sized(8, 8, 8),
          bays: 7,
          expandsParity: false,
        }),
      ).toEqual(new Set(['3 newGroup', '4 newGroup', '3 allSmaller']))
      expect(kinds({ layout: layoutOf('pairs'), drives: sized(8), bays: 6 })).toEqual(
        new Set(['1 added']),
      )
    },
  )
})

describe('what can be bought', () => {
  const drives = (changes: PlanInput['drives']) =>
    planSchema.parse({ name: 'x', drives: changes }).drives
  it('are the cheapest models of each size that are not shingled', () => {
    const desktop = driveOffers(drives({ driveClass: 'desktop' }), catalogue)
    expect(desktop.map(({ model }) => model)).toEqual([
      'weir-4-plus',
      'weir-8-plus',
      'weir-12-plus',
    ])
    expect(driveOffers(drives({}), { ...catalogue, driveModels: [] })).toContainEqual({
      sizeTB: 8,
      price: 160,
      model: null,
    })
  })
})

describe('other ways to grow', () => {
  const bases = catalogue.machineBases.filter(entry => entry.class !== 'rack')
  it('a bigger machine takes over when that costs least, and everything is copied', () => {
    const question = { ...base, bays: 2, contentTB: line(6, 0.5, 60) }
    const found = biggerBoxLater(question, bases, 100)!
    // Three drives of 12 TB in a machine of 120 cost less than a drive that would put it off.
    expect([found.first, found.month]).toEqual([[], 5])
    expect([found.base.id, found.count, found.sizeTB]).toEqual(['towpath', 3, 12])
    expect(found.total).toBeCloseTo(120 + 3 * priceIn(210, 5, 0.05), 6)
    expect(found.copyHours).toBeCloseTo(8.5e6 / 100 / 3600, 9)
    expect(copyHours(16, 150)).toBeCloseTo(29.6, 1)
  })
  it('no other month of any course of drives that are added is cheaper to change in', () => {
    fc.assert(
      fc.property(
        fc.record({
          bays: fc.integer({ min: 1, max: 3 }),
          start: fc.integer({ min: 1, max: 9 }),
          step: fc.integer({ min: 1, max: 4 }),
          prices: fc.tuple(fc.integer({ min: 50, max: 200 }), fc.integer({ min: 50, max: 300 })),
          fall: fc.constantFrom(0, 0.05, 0.15),
          id: fc.constantFrom('separate', 'dedicated-1'),
          base: fc.integer({ min: 20, max: 200 }),
        }),
        ({ bays, start, step, prices, fall, id, base: price }) => {
          const question: GrowthQuestion = {
            ...base,
            layout: layoutOf(id),
            bays,
            contentTB: Array.from({ length: 7 }, (_, at) => start + step * at),
            fallPerYear: fall,
            offers: [
              { sizeTB: 6, price: prices[0], model: null },
              { sizeTB: 10, price: prices[1], model: null },
            ],
          }
          const machine = { ...bases[0]!, bays: 6, price }
          const need = Math.max(...question.contentTB)
          const renewed = (month: number) =>
            Math.min(
              ...question.offers.flatMap(offer =>
                Array.from({ length: 6 }, (_, more) =>
                  roomOfDrives(question, sized(...Array<number>(more + 1).fill(offer.sizeTB))) >=
                  need
                    ? price + (more + 1) * priceIn(offer.price, month, fall)
                    : Infinity,
                ),
              ),
            )
          // In any month: change, add a drive, or wait while it fits.
          const slow = (drives: readonly LayoutDrive[], month: number): number => {
            if (month === question.contentTB.length) return Infinity
            const fits = question.contentTB[month]! <= roomOfDrives(question, drives)
            return Math.min(
              renewed(month),
              fits ? slow(drives, month + 1) : Infinity,
              ...(drives.length < bays
                ? question.offers.map(
                    offer =>
                      priceIn(offer.price, month, fall) +
                      slow([...drives, ...sized(offer.sizeTB)], month),
                  )
                : []),
            )
          }
          const found = biggerBoxLater(question, [machine], 100)
          if (found) expect(found.total).toBeCloseTo(slow(question.drives, 0), 6)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('a bigger machine comes today where the library fits in no bay of this one today', () => {
    const found = biggerBoxLater({ ...base, bays: 1, contentTB: line(20, 0.01, 60) }, bases, 100)!
    expect([found.first, found.month]).toEqual([[], 0])
    expect(found.count * found.sizeTB).toBeGreaterThan(20)
  })
  it('of them there is none while the bays are enough', () => {
    expect(biggerBoxLater(base, catalogue.machineBases, 100)).toBeNull()
    expect(biggerBoxLater({ ...base, bays: 1, contentTB: line(6, 0.5, 60) }, [], 100)).toBeNull()
  })
  it(
    'steps and everything today cost the same at some fall of prices: none where drives are ' +
      'only added',
    () => {
      expect(fallWhereStepsWin([{ month: 12, priceToday: 210, brings: 0 }], 210)).toBeCloseTo(0, 6)
      // 100 now and 200 in a year against 285 today: 200 · (1 − r) = 185.
      expect(
        fallWhereStepsWin(
          [
            { month: 0, priceToday: 100, brings: 0 },
            { month: 12, priceToday: 200, brings: 0 },
          ],
          285,
        ),
      ).toBeCloseTo(0.075, 6)
      expect(fallWhereStepsWin([{ month: 12, priceToday: 400, brings: 0 }], 200)).toBeNull()
      expect(fallWhereStepsWin([{ month: 12, priceToday: 100, brings: 0 }], 200)).toBeNull()
    },
  )
})

describe('a course of purchases', () => {
  it('adds the room in its month of what counts, and tells when it is too small', () => {
    const course = roomCourse(base, [{ month: 10, count: 2, sizeTB: 12, how: 'added' }])
    expect([course.roomTB[9], course.roomTB[10], course.monthFull]).toEqual([8, 32, 5])
    expect(course.purchases[0]).toMatchObject({ roomTB: 32 })
    // Drives that do not count are paid all the same.
    const fewer = roomCourse(base, [{ month: 10, count: 2, sizeTB: 12, how: 'added' }], [1])
    expect([fewer.roomTB[10], fewer.purchases[0]!.roomTB]).toEqual([20, 20])
    expect(fewer.total).toBe(course.total)
    expect(course.total).toBeCloseTo(2 * priceIn(210, 10, 0.05), 9)
    expect(
      roomCourse(base, [{ month: 100, count: 1, sizeTB: 8, how: 'added' }]).roomTB,
    ).toHaveLength(25)
  })
  it(
    'keeps the order in which purchases were given, and prices a size that nobody offers by ' +
      'the terabyte',
    () => {
      const course = roomCourse(base, [
        { month: 12, count: 1, sizeTB: 8, how: 'added' },
        { month: 0, count: 1, sizeTB: 20, how: 'added' },
      ])
      expect(course.purchases.map(({ month, roomTB }) => [month, roomTB])).toEqual([
        [12, 36],
        [0, 28],
      ])
      expect(course.purchases[1]!.price).toBeCloseTo((20 * 210) / 12, 9)
    },
  )
})

describe('purchases that are applied', () => {
  const { drives } = planSchema.parse({
    name: 'x',
    drives: {
      lots: [{ count: 2, sizeTB: 8, priceEach: 150, condition: 'owned' }, { sizeTB: 4 }],
      purchases: [{ month: 50 }],
    },
  })
  const offers = [{ sizeTB: 16, price: 289, model: 'sluice-16' }]
  it('are drives today and planned later; what was planned before is replaced', () => {
    const after = applyPurchases(
      drives,
      [
        { month: 0, count: 1, sizeTB: 16, how: 'added' },
        { month: 20, count: 2, sizeTB: 16, how: 'smallest' },
      ],
      offers,
    )
    expect(
      after.lots.map(({ count, sizeTB, model, condition, priceEach }) => [
        count,
        sizeTB,
        model,
        condition,
        priceEach,
      ]),
    ).toEqual([
      [2, 8, 'own', 'owned', 150],
      [1, 4, 'own', 'new', null],
      [1, 16, 'sluice-16', 'new', null],
    ])
    expect(after.purchases).toEqual([{ month: 20, count: 2, sizeTB: 16, how: 'smallest' }])
  })
  it('stand in the place of what they replace', () => {
    const after = applyPurchases(
      drives,
      [{ month: 0, count: 3, sizeTB: 12, how: 'allSmaller' }],
      offers,
    )
    expect(after.lots.map(({ count, sizeTB, model }) => [count, sizeTB, model])).toEqual([
      [3, 12, 'own'],
    ])
  })
})

describe('growth of a plan', () => {
  const plan = (drives: PlanInput['drives']) => planSchema.parse({ name: 'x', drives })
  it('asks of an empty plan what its usual layout would need', () => {
    const grown = planGrowth(
      plan({}),
      { contentTB: line(10, 0.2, 60), layoutId: 'separate', bays: 6, copyMBps: 100 },
      fewModels(catalogue),
    )
    expect(grown.cheapest!.every(({ month, how }) => month >= 0 && how === 'added')).toBe(true)
    expect(
      grown.cheapest!.filter(({ month }) => month === 0).reduce((sum, { count }) => sum + count, 0),
    ).toBeGreaterThanOrEqual(3)
  })
  it('of the largest plan is told before anybody grows tired of it', () => {
    const taken = yardsticks(() => {
      const grown = planGrowth(
        plan({ lots: [{ count: 20, sizeTB: 8 }], layout: 'dedicated-2' }),
        { contentTB: line(100, 5, 180), layoutId: 'dedicated-2', bays: 60, copyMBps: 100 },
        catalogue,
      )
      expect(grown.atLeast).toBeLessThan(priceSum(grown.cheapest!))
    })
    expect(taken).toBeLessThan(150)
  })
  it('says from which fall of prices waiting pays: none where nothing is replaced', () => {
    const grown = (drives: PlanInput['drives'], bays: number) =>
      planGrowth(
        plan(drives),
        { contentTB: line(6, 0.2, 36), layoutId: 'separate', bays, copyMBps: 100 },
        fewModels(catalogue),
      ).fallWhereStepsWin
    const lots = [{ count: 1, sizeTB: 8 }]
    expect(grown({ lots, layout: 'separate' }, 4)).toBe(0)
    expect(grown({ lots, layout: 'separate', priceFallPerYear: -0.05 }, 1)).toBe(0)
  })
  it('is told first by how long the room lasts, with the purchases that are planned', () => {
    const course = roomCourse(base, [{ month: 3, count: 1, sizeTB: 8, how: 'added' }])
    expect(course.purchases).toHaveLength(1)
    const said = (monthFull: number | null, purchases: number) =>
      growthSentence({
        course: { ...course, monthFull, purchases: course.purchases.slice(0, purchases) },
        growth: null,
        horizonYears: 5,
        format: plainFormat,
      })
    expect([said(null, 0), said(null, 1), said(0, 0), said(7, 1)]).toEqual([
      'The room lasts the 5 years.',
      'With the planned purchases the room lasts the 5 years.',
      'The room is full today.',
      'Even with the planned purchases the room is full in month 7.',
    ])
  })
})
