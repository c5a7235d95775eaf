import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue, entryOf } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { stagedDrives } from '../ownership/failingDrives'
import { driveTraits } from './driveTraits'
import { driveOffers } from './growth/driveOffers'
import { growthQuestion } from './growth/planGrowth'
import { boughtModels, usualPrice } from './usualPrice'

const classOf = (id: string) => entryOf(catalogue.driveClasses, id)
const priceOf = (sizeTB: number, id = 'nas') =>
  usualPrice(sizeTB, classOf(id), catalogue.driveModels)

describe('the usual price of a drive', () => {
  it('is that of the cheapest model of its size, and between two sizes on the line', () => {
    expect([4, 8, 12, 20].map(size => priceOf(size))).toEqual([105, 165, 228, 369])
    expect(priceOf(9)).toBeCloseTo(185, 9)
    expect(priceOf(11.5)).toBeCloseTo(205 + 0.75 * 23, 9)
  })
  it('beyond the sizes that are sold goes by the terabyte of the nearest', () => {
    expect(priceOf(1)).toBe(37)
    expect(priceOf(40)).toBeCloseTo((40 * 565) / 28, 9)
  })
  it('takes models whose tracks overlap only where the class has no others', () => {
    expect(priceOf(8, 'desktop')).toBe(152)
    expect(priceOf(5, 'ownCase')).toBe(110)
    expect(boughtModels(classOf('desktop'), catalogue.driveModels).map(({ id }) => id)).toEqual([
      'weir-4-plus',
      'weir-8-plus',
      'weir-12-plus',
    ])
    // Without models a class costs its price of a terabyte; without a class nothing is known.
    expect(usualPrice(8, classOf('nas'), [])).toBe(160)
    expect(usualPrice(8, null, catalogue.driveModels)).toBe(0)
  })
  it('lies between those of its neighbours, wherever it is read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...catalogue.driveClasses),
        fc.integer({ min: 5, max: 6000 }),
        (driveClass, hundredths) => {
          const sizeTB = hundredths / 100
          // Straight from the catalogue, one model after the other.
          let below: [number, number] | null = null
          let above: [number, number] | null = null
          const shingled = catalogue.driveModels.every(
            model => model.driveClass !== driveClass.id || model.recording === 'shingled',
          )
          for (const model of catalogue.driveModels) {
            if (model.driveClass !== driveClass.id) continue
            if (model.recording === 'shingled' && !shingled) continue
            const at: [number, number] = [model.sizeTB, model.price]
            const isNearer = (known: [number, number] | null) =>
              !known ||
              Math.abs(at[0] - sizeTB) < Math.abs(known[0] - sizeTB) ||
              (at[0] === known[0] && at[1] < known[1])
            if (at[0] <= sizeTB && isNearer(below)) below = at
            if (at[0] >= sizeTB && isNearer(above)) above = at
          }
          const found = usualPrice(sizeTB, driveClass, catalogue.driveModels)
          if (below && above) {
            const share = above[0] === below[0] ? 0 : (sizeTB - below[0]) / (above[0] - below[0])
            expect(found).toBeCloseTo(below[1] * (1 - share) + above[1] * share, 6)
          } else {
            const [size, price] = (below ?? above)!
            expect(found).toBeCloseTo((price / size) * sizeTB, 6)
          }
        },
      ),
    )
  })
  it('is the same wherever a plan asks for it', () => {
    for (const { id } of catalogue.driveClasses) {
      const plan = planSchema.parse({
        name: 'x',
        drives: {
          driveClass: id,
          purchases: [
            { month: 0, sizeTB: 12 },
            { month: 0, sizeTB: 9 },
          ],
        },
      })
      const { drives } = plan
      const question = growthQuestion(
        { drives, choices: planSchema.parse({ name: 'x' }).choices },
        { contentTB: [1], layoutId: 'separate', bays: 4 },
        catalogue,
      )
      for (const { sizeTB, price } of driveOffers(drives, catalogue)) {
        expect(price).toBe(driveTraits({ model: 'own', sizeTB }, drives, catalogue).usualPrice)
        expect(question.priceOf(sizeTB)).toBe(price)
      }
      expect(stagedDrives(plan, catalogue).map(({ price }) => price)).toEqual(
        [12, 9].map(size => question.priceOf(size)),
      )
    }
  })
})
