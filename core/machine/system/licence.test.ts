import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { systemKinds } from '../../catalogue/systemKinds'
import { planSchema } from '../../plan/planSchema'
import { licenceFor, licenceOnce } from './licence'

const stick = systemKinds.find(({ id }) => id === 'stick')!
const planOf = (count: number, refs: readonly string[] = ['flint-stick']) =>
  planSchema.parse({
    name: 'x',
    system: { kind: 'stick' },
    machine: { base: 'towpath', parts: refs.map(ref => ({ ref })) },
    drives: { lots: count ? [{ count, sizeTB: 8 }] : [], layout: 'dedicated-1' },
  })
const paid = (plan: ReturnType<typeof planOf>) =>
  assess(plan, catalogue).domains.years.flow.byKind.licences

describe('a licence by the number of drives', () => {
  it('is the cheapest step that counts as many: 4 free, 8 for 45, 16 for 80, more for 140', () => {
    const price = (drives: number) => licenceFor(stick.licence, drives)!.once
    expect([0, 4, 5, 8, 9, 16, 17, 100].map(price)).toEqual([0, 0, 45, 45, 80, 80, 140, 140])
    const sold = {
      steps: [
        { upToDrives: 6, once: 50 },
        { upToDrives: 12, once: 40 },
      ],
    }
    expect(licenceFor(sold, 3)).toEqual({ upToDrives: 12, once: 40 })
    expect(licenceFor(sold, 13)).toBeNull()
    expect(licenceOnce({ licence: sold }, 13)).toBe(50)
    expect(licenceOnce(null, 3)).toBe(0)
  })
  it('is paid in the years for what is plugged in, the system disk too, the stick not', () => {
    expect(paid(planOf(4))).toBe(0)
    expect(paid(planOf(4, ['flint-250']))).toBe(45)
    expect(paid(planOf(8))).toBe(45)
    expect(paid(planOf(8, ['flint-250', 'flint-500n']))).toBe(80)
    expect(paid(planOf(0))).toBe(0)
  })
})
