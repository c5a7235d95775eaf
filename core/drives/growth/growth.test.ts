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
  possiblePurchases,
  purchasesNow,
  type GrowthQuestion,
} from './cheapestPurchases'
import { driveOffers, maxArrangements, offersWithin } from './driveOffers'
import { planGrowth, sumOf } from './planGrowth'
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
}

/** Every course of purchases in every month, one after the other. */
function slowCheapest(question: GrowthQuestion): number {
  const { contentTB, offers, fallPerYear, replacedWorth } = question
  const price = (sizeTB: number) => offers.find(offer => offer.sizeTB === sizeTB)!.price
  function from(drives: readonly LayoutDrive[], month: number): number {
    if (month === contentTB.length) return 0
    let best =
      contentTB[month]! <= roomOfDrives(question, drives) ? from(drives, month + 1) : Infinity
    for (const purchase of possiblePurchases(question, drives)) {
      const { drives: after, replaced } = drivesAfter(drives, purchase)
      best = Math.min(
        best,
        purchase.count * priceIn(price(purchase.sizeTB), month, fallPerYear) -
          replaced.length * replacedWorth +
          from(after, month),
      )
    }
    return best
  }
  return from(question.drives, 0)
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
    const found = cheapestPurchases(base)!
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
        }),
        ({ id, sizes, bays, start, step, prices, fall, worth, expands }) => {
          const question: GrowthQuestion = {
            ...base,
            layout: layoutOf(id),
            drives: sized(...sizes),
            bays,
            contentTB: line(start, step, 3),
            fallPerYear: fall,
            replacedWorth: worth,
            expandsParity: expands,
            offers: [
              { sizeTB: 6, price: prices[0], model: null },
              { sizeTB: 10, price: prices[1], model: null },
            ],
          }
          const found = cheapestPurchases(question)
          const slow = slowCheapest(question)
          if (slow === Infinity) expect(found).toBeNull()
          else expect(sumOf(found!)).toBeCloseTo(slow, 6)
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
      const found = cheapestPurchases(question)
      if (!found) {
        expect(id).toBe('mirror')
        continue
      }
      const course = roomCourse(question, found)
      expect(course.monthFull, id).toBeNull()
      expect(course.total, id).toBeCloseTo(sumOf(found), 6)
    }
  })
  it('are made at once while prices rise, and never dearer than everything now', () => {
    expect(
      cheapestPurchases({ ...base, fallPerYear: -0.05 })!.every(
        ({ month, price }) => month === 0 && price === 210,
      ),
    ).toBe(true)
    expect(sumOf(cheapestPurchases({ ...base, fallPerYear: 0 })!)).toBeLessThanOrEqual(
      sumOf(purchasesNow(base)!),
    )
  })
  it('are none where the drives last, and null where no purchases are enough', () => {
    expect(cheapestPurchases({ ...base, contentTB: line(1, 0.1, 24) })).toEqual([])
    expect(cheapestPurchases({ ...base, contentTB: line(100, 0, 24) })).toBeNull()
    expect(cheapestPurchases({ ...base, offers: [] })).toBeNull()
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
      expect(kinds({ layout: layoutOf('rotating-1'), drives: sized(8, 8, 8), bays: 8 })).toEqual(
        new Set(['1 added', '3 allSmaller']),
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
  it('are fewer sizes with many bays, the cheapest by the terabyte', () => {
    expect(maxArrangements).toBe(20_000)
    const all = driveOffers(drives({}), catalogue)
    expect(offersWithin(all, 8)).toHaveLength(8)
    expect(offersWithin(all, 60)).toHaveLength(2)
    const [least] = [...all].sort((a, b) => a.price / a.sizeTB - b.price / b.sizeTB)
    expect(offersWithin(all, 60)).toContain(least)
  })
})

describe('other ways to grow', () => {
  it('a bigger machine takes over when the bays are full, and everything is copied', () => {
    const found = biggerBoxLater(
      { ...base, bays: 2, contentTB: line(6, 0.5, 60) },
      catalogue.machineBases.filter(entry => entry.class !== 'rack'),
      100,
    )!
    // 8 + 8 TB are full from month 21 on (16.5 TB), 8 + 12 TB from month 29: 160, then 120 and 3 ×
    // 210 four months apart.
    const total = (price: number, month: number) =>
      priceIn(price, 5, 0.05) + 120 + 3 * priceIn(210, month, 0.05)
    expect(total(160, 21)).toBeLessThan(total(210, 29))
    expect([found.first.map(({ month, sizeTB }) => [month, sizeTB]), found.month]).toEqual([
      [[5, 8]],
      21,
    ])
    expect([found.base.id, found.count, found.sizeTB]).toEqual(['towpath', 3, 12])
    expect(found.total).toBeCloseTo(total(160, 21), 6)
    expect(found.copyHours).toBeCloseTo(16.5e6 / 100 / 3600, 9)
    expect(copyHours(16, 150)).toBeCloseTo(29.6, 1)
  })
  it('a bigger machine comes today where the library fits in no bay of this one today', () => {
    const found = biggerBoxLater(
      { ...base, bays: 1, contentTB: line(20, 0.01, 60) },
      catalogue.machineBases.filter(entry => entry.class !== 'rack'),
      100,
    )!
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
  it('adds the room in its month, tells when it is too small, and what has no bay', () => {
    const course = roomCourse({ ...base, bays: 2 }, [
      { month: 10, count: 2, sizeTB: 12, how: 'added' },
    ])
    expect([course.roomTB[9], course.roomTB[10], course.monthFull]).toEqual([8, 32, 5])
    expect(course.purchases[0]).toMatchObject({ roomTB: 32, withoutBay: 1 })
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
        { contentTB: line(100, 10, 180), layoutId: 'dedicated-2', bays: 60, copyMBps: 100 },
        catalogue,
      )
      expect(grown.leftOutTB).toHaveLength(10)
    })
    expect(taken).toBeLessThan(150)
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
