import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { drawPlan } from '../../tests/plans/drawPlan'
import { costOverYears } from './cashFlow'
import { missingCopy } from './missingCopy'

/** No store: its terabyte costs more a month than a drive. */
const documents = (sizeGB: number, more: Partial<PlanInput> = {}) =>
  planSchema.parse({
    name: 'x',
    library: { holdings: [{ kind: 'documents', quality: 'given', sizeGB }] },
    ...more,
    drives: {
      lots: [{ count: 2, sizeTB: 8 }],
      layout: 'mirror',
      awayKept: 0,
      storePricePerTBMonth: 1000,
      ...more.drives,
    },
  } satisfies PlanInput)
const survival = (plan: ReturnType<typeof documents>) =>
  assess(plan, catalogue).verdicts.find(({ id }) => id === 'survival')!

describe('the copy that is missing', () => {
  it('is carried on the cheapest drives in their own case that hold it', () => {
    const offered = (sizeGB: number) => {
      const { media, price } = missingCopy(documents(sizeGB), catalogue)!
      return [media!.model.sizeTB, media!.count, price]
    }
    // Filled to nine tenths: 1 TB holds 900 GB, 2 TB 1.8 TB, and so on.
    expect(offered(900)).toEqual([1, 1, 52])
    expect(offered(901)).toEqual([2, 1, 65])
    expect(offered(4500)).toEqual([5, 1, 110])
    expect(offered(4501)).toEqual([8, 1, 150])
    // Going through every model and number finds nothing cheaper.
    for (const sizeGB of [1, 1000, 7300, 20_000, 44_000]) {
      const slow = catalogue.driveModels
        .filter(({ link }) => link === 'usb')
        .flatMap(({ sizeTB, price }) => {
          let count = 1
          while (count * sizeTB * 0.9 < sizeGB / 1000 - 1e-9) count++
          return [count * price]
        })
      expect(offered(sizeGB)[2]).toBe(Math.min(...slow))
    }
  })
  it('makes the copies enough, and is paid', () => {
    const plan = planSchema.parse(tideMillHouse)
    const { plan: copied, price } = missingCopy(plan, catalogue)!
    expect(survival(plan).state).toBe('short')
    expect(survival(copied).state).toBe('enough')
    const toPay = (of: typeof plan) => assess(of, catalogue).domains.ownership.toPay
    expect(toPay(copied) - toPay(plan)).toBeCloseTo(price, 9)
    expect(planSchema.parse(copied)).toEqual(copied)
  })
  it('leaves survival to the drives in plans drawn by lot', () => {
    let mended = 0
    for (let seed = 1; seed <= 120; seed++) {
      const plan = drawPlan(seed)
      const { state, ofBuild } = survival(plan)
      if (ofBuild === undefined || state === ofBuild) continue
      const copied = missingCopy(plan, catalogue)!
      const after = survival(copied.plan)
      mended++
      expect(
        ['enough', 'ample'].includes(after.state) || after.state === after.ofBuild,
        `${seed}`,
      ).toBe(true)
      const { media } = copied
      if (media)
        expect(media.count * media.model.sizeTB * 0.9, `${seed}`).toBeGreaterThanOrEqual(
          copied.copyTB - 1e-6,
        )
    }
    expect(mended).toBeGreaterThan(20)
  }, 60_000)
  it('puts a document that was kept out of every copy into it', () => {
    const plan = documents(10)
    const kept = {
      ...plan,
      library: {
        ...plan.library,
        holdings: plan.library.holdings.map(holding => ({
          ...holding,
          copies: 'nowhere' as const,
        })),
      },
    }
    expect(survival(missingCopy(kept, catalogue)!.plan).state).toBe('enough')
  })
  it('is none where no drive in a case of its own is sold and no line reaches a store', () => {
    const noDrives = { ...catalogue, driveModels: [] }
    const line = { network: { uploadMbps: 20 } }
    expect(missingCopy(documents(10, { network: { uploadMbps: 0 } }), noDrives)).toBeNull()
    expect(missingCopy(documents(10, line), noDrives)!.media).toBeNull()
    // 37.8 GB a night: 3 402 GB in 90 nights.
    expect(missingCopy(documents(3400, line), noDrives)).not.toBeNull()
    expect(missingCopy(documents(3403, line), noDrives)).toBeNull()
  })
  it('is kept by a store where that costs less to the horizon', () => {
    // The cheapest drive costs 52 now, and 1 TB × 20 when it is used up after five years.
    const at = (sizeGB: number, horizonYears: number) =>
      missingCopy(
        documents(sizeGB, {
          network: { uploadMbps: 100 },
          choices: { horizonYears },
          drives: { storePricePerTBMonth: 6 },
        }),
        catalogue,
      )!
    // 0.2 TB × 6 × 12 = 14.40 a year: 43.20 in three years, 57.60 in four.
    expect(at(200, 3).media).toBeNull()
    expect(at(200, 3).price).toBe(0)
    expect(at(200, 3).perMonth).toBeCloseTo(1.2, 9)
    expect(at(200, 3).overYears).toBeCloseTo(43.2, 9)
    expect(at(200, 4).media?.count).toBe(1)
    expect(at(200, 4).overYears).toBeCloseTo(52, 9)
    expect(at(200, 5).overYears).toBeCloseTo(52, 9)
    expect(at(200, 6).overYears).toBeCloseTo(72, 9)
    expect(at(10, 10).media).toBeNull()
  })
  it('costs what the years of two whole plans differ by, in plans drawn by lot', () => {
    const kinds = new Set<string>()
    for (let seed = 1; seed <= 60; seed++) {
      const plan = drawPlan(seed)
      const copy = missingCopy(plan, catalogue)
      if (!copy) continue
      kinds.add(copy.media ? 'drives' : 'store')
      const overYears = (of: typeof plan) =>
        costOverYears(assess(of, catalogue).domains.years.question)
      expect(overYears(copy.plan) - overYears(plan), `${seed}`).toBeCloseTo(copy.overYears, 6)
    }
    expect([...kinds].sort()).toEqual(['drives', 'store'])
  }, 60_000)
})
