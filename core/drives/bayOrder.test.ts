import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planSchema } from '../plan/planSchema'
import { putDrive, swapDrives, takeDrive } from './bayOrder'

const lotsOf = (...lots: object[]) => planSchema.parse({ name: 'x', drives: { lots } }).drives.lots
const sizes = (lots: ReturnType<typeof lotsOf>) => lots.flatMap(({ count, sizeTB }) => Array<number>(count).fill(sizeTB))
const mixed = lotsOf({ count: 2, sizeTB: 8, priceEach: 150 }, { count: 1, sizeTB: 4, condition: 'owned' })

describe('drives in their bays', () => {
  it('are put in as others of their size were bought', () => {
    expect(putDrive(mixed, 8, 3)).toEqual([...mixed, { ...mixed[0]!, count: 1 }])
    expect(putDrive(mixed, 8, 0)).toEqual([{ ...mixed[0]!, count: 3 }, mixed[1]])
    expect(putDrive(mixed, 12, 1)).toMatchObject([{ count: 1, sizeTB: 8 }, { count: 1, sizeTB: 12, condition: 'new', priceEach: null, role: 'any' }, { count: 1, sizeTB: 8 }, { sizeTB: 4 }])
    expect(putDrive([], 6, 0)).toMatchObject([{ count: 1, sizeTB: 6 }])
  })
  it('are taken out one by one', () => {
    expect(sizes(takeDrive(mixed, 1))).toEqual([8, 4])
    expect(takeDrive(takeDrive(mixed, 0), 0)).toEqual([mixed[1]])
  })
  it('change their bays, and come back', () => {
    expect(sizes(swapDrives(mixed, 0, 2))).toEqual([4, 8, 8])
    expect(sizes(swapDrives(mixed, 1, 99))).toEqual([8, 4, 8])
    fc.assert(fc.property(fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 9 }), fc.nat(8), fc.nat(8), (given, one, other) => {
      const lots = lotsOf(...given.map(sizeTB => ({ sizeTB })))
      const [from, to] = [one % given.length, other % given.length]
      expect(sizes(swapDrives(swapDrives(lots, from, to), from, to))).toEqual(given)
    }))
  })
})
