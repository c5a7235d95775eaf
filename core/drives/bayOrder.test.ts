import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planSchema } from '../plan/planSchema'
import { groupDrives, putDrive, swapDrives, takeDrive } from './bayOrder'

const lotsOf = (...lots: object[]) => planSchema.parse({ name: 'x', drives: { lots } }).drives.lots
const sizes = (lots: ReturnType<typeof lotsOf>) =>
  lots.flatMap(({ count, sizeTB }) => Array<number>(count).fill(sizeTB))
const mixed = lotsOf(
  { count: 2, sizeTB: 8, priceEach: 150 },
  { count: 1, sizeTB: 4, condition: 'owned' },
)

describe('drives in their bays', () => {
  it('are put in as others of their size were bought', () => {
    expect(putDrive(mixed, { sizeTB: 8 }, 3)).toEqual([...mixed, { ...mixed[0]!, count: 1 }])
    expect(putDrive(mixed, { sizeTB: 8 }, 0)).toEqual([{ ...mixed[0]!, count: 3 }, mixed[1]])
    expect(putDrive(mixed, { sizeTB: 12 }, 1)).toMatchObject([
      { count: 1, sizeTB: 8 },
      { count: 1, sizeTB: 12, condition: 'new', priceEach: null, role: 'any' },
      { count: 1, sizeTB: 8 },
      { sizeTB: 4 },
    ])
    expect(putDrive([], { sizeTB: 6 }, 0)).toMatchObject([{ count: 1, sizeTB: 6 }])
  })
  it('are taken out one by one', () => {
    expect(sizes(takeDrive(mixed, 1))).toEqual([8, 4])
    expect(takeDrive(takeDrive(mixed, 0), 0)).toEqual([mixed[1]])
  })
  it('change their bays, and come back', () => {
    expect(sizes(swapDrives(mixed, 0, 2))).toEqual([4, 8, 8])
    expect(sizes(swapDrives(mixed, 1, 99))).toEqual([8, 4, 8])
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 9 }),
        fc.nat(8),
        fc.nat(8),
        (given, one, other) => {
          const lots = lotsOf(...given.map(sizeTB => ({ sizeTB })))
          const [from, to] = [one % given.length, other % given.length]
          expect(sizes(swapDrives(swapDrives(lots, from, to), from, to))).toEqual(given)
        },
      ),
    )
  })
})

describe('groups of drives', () => {
  const four = lotsOf({ count: 4, sizeTB: 8 })
  it('are made of the drives of some bays, and joined again', () => {
    const two = groupDrives(four, new Set([2, 3]), 2)
    expect(two.map(({ count, group }) => [count, group])).toEqual([
      [2, 1],
      [2, 2],
    ])
    expect(groupDrives(two, new Set([2, 3]), 1)).toEqual(four)
  })
  it('move up when the last drive of one has left it', () => {
    const two = groupDrives(four, new Set([2, 3]), 2)
    expect(groupDrives(two, new Set([0, 1]), 3).map(({ count, group }) => [count, group])).toEqual([
      [2, 2],
      [2, 1],
    ])
  })
  it('take up a new drive of the bay before it', () => {
    expect(
      putDrive(groupDrives(four, new Set([2, 3]), 2), { sizeTB: 12, model: 'sluice-12' }, 4).at(-1),
    ).toMatchObject({ sizeTB: 12, model: 'sluice-12', group: 2, condition: 'new' })
    expect(
      putDrive(four, { sizeTB: 8, model: 'ebb-8', condition: 'refurbished' }, 4).at(-1),
    ).toMatchObject({ model: 'ebb-8', condition: 'refurbished', count: 1 })
  })
})
