import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { warrantyOf } from '../ownership/failingDrives'
import { planSchema } from '../plan/planSchema'
import { howSold } from './howSold'

const model = (sold: string) => catalogue.driveModels.find(entry => entry.sold === sold)!.id
const lotOf = (lot: object, driveClass = 'nas') => {
  const { drives, costs } = planSchema.parse({
    name: 'x',
    drives: { driveClass, lots: [{ count: 1, sizeTB: 8, ...lot }] },
    costs: { warrantyMonths: 30 },
  })
  return { lot: drives.lots[0]!, drives, costs }
}

describe('how drives are sold', () => {
  const sold = (lot: object, driveClass?: string) => {
    const { lot: one, drives } = lotOf(lot, driveClass)
    return howSold(one, drives, catalogue)
  }
  it('is as their model is, or else as the lot or the class says', () => {
    for (const how of ['new', 'refurbished', 'fromExternalCase'])
      expect(sold({ model: model(how) })).toBe(how)
    expect(sold({ model: model('new'), condition: 'refurbished' })).toBe('refurbished')
    expect([sold({}), sold({}, 'refurbished'), sold({}, 'externalCase')]).toEqual([
      'new',
      'refurbished',
      'fromExternalCase',
    ])
  })
  it('decides their warranty: as entered where new, 12 months refurbished, none where owned', () => {
    const months = (lot: object) => {
      const { lot: one, ...plan } = lotOf(lot)
      return warrantyOf(one, plan, catalogue)
    }
    expect(months({ model: model('new') })).toBe(30)
    expect(months({ model: model('refurbished') })).toBe(12)
    expect(months({ model: model('refurbished'), condition: 'owned' })).toBe(0)
    expect(months({ model: model('refurbished'), warrantyMonths: 36 })).toBe(36)
  })
})
