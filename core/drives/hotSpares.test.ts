import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { poolChoices } from '../../tests/stubs/poolChoices'
import { arrangeDrives } from './arrangeDrives'
import { isRefusal, type LayoutDrive } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { leadHours, poolOf, type Pool } from './poolOf'

const layoutOf = (id: string) => layouts.find(layout => layout.id === id)!
const usable = (id: string, drives: readonly LayoutDrive[], hotSpares: number) => {
  const arranged = arrangeDrives(layoutOf(id), drives, hotSpares)
  return isRefusal(arranged) ? null : [arranged.usableTB, arranged.sparesTB]
}
const drive = (sizeTB: number, group?: number, role: LayoutDrive['role'] = 'any'): LayoutDrive => ({
  sizeTB,
  role,
  ...(group === undefined ? {} : { group }),
})

describe('hot spares', () => {
  it('are the largest of a single group, of equals those that fail most', () => {
    const drives = [8, 12, 8, 12, 4].map(size => drive(size))
    expect(usable('separate', drives, 2)).toEqual([20, [12, 12]])
    const rates = [0.01, 0.04, 0.02].map(failuresPerYear => ({ ...drive(8), failuresPerYear }))
    const arranged = arrangeDrives(layoutOf('separate'), rates, 1)
    expect('sparePlaces' in arranged && arranged.sparePlaces).toEqual([1])
  })
  it('of several groups are the smallest that stand in for one whole, where a layout is left', () => {
    const drives = [
      drive(16, 1),
      drive(16, 1),
      drive(16, 1),
      drive(2, 2),
      drive(2, 2),
      drive(2, 2),
      drive(2, 2),
    ]
    expect(usable('rotating-1', drives, 1)).toEqual([36, [2]])
    // The one of the larger group would leave too few of it.
    expect(usable('rotating-1', drives.toReversed(), 1)).toEqual([36, [2]])
    // Of equal drives the one that leaves most usable.
    const equal = [1, 1, 1, 2, 2, 2, 2].map(group => drive(8, group))
    expect(usable('rotating-1', equal, 1)).toEqual([32, [8]])
    expect(usable('rotating-1', equal.toReversed(), 1)).toEqual([32, [8]])
  })
  it('are no drive that is marked while another one does', () => {
    const drives = [drive(8, undefined, 'parity'), drive(8), drive(8), drive(8)]
    expect(usable('dedicated-1', drives, 1)).toEqual([16, [8]])
    expect(usable('dedicated-1', drives.toReversed(), 1)).toEqual([16, [8]])
  })
  it('one is what going through every drive finds, whatever the order of the drives', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('rotating-1', 'dedicated-1', 'pairs', 'mirror', 'separate', 'sliced-1'),
        fc.array(
          fc.record({
            sizeTB: fc.constantFrom(4, 8, 12),
            group: fc.integer({ min: 1, max: 2 }),
            role: fc.constantFrom('any' as const, 'any' as const, 'parity' as const),
          }),
          { minLength: 2, maxLength: 8 },
        ),
        (id, drives) => {
          const found = usable(id, drives, 1)
          let best: [number, number] | null = null
          for (const [at, spare] of drives.entries()) {
            const rest = drives.filter((_, other) => other !== at)
            const covers = [1, 2].some(group => {
              const members = rest.filter(other => other.group === group)
              return members.length > 0 && members.every(({ sizeTB }) => sizeTB <= spare.sizeTB)
            })
            const left = covers ? arrangeDrives(layoutOf(id), rest) : null
            if (!left || isRefusal(left)) continue
            const isBetter =
              !best ||
              spare.sizeTB < best[1] ||
              (spare.sizeTB === best[1] && left.usableTB > best[0] + 1e-9)
            if (isBetter) best = [left.usableTB, spare.sizeTB]
          }
          if (best) {
            expect((found as [number, number[]])[0]).toBeCloseTo(best[0], 9)
            expect((found as [number, number[]])[1]).toEqual([best[1]])
          } else expect(found).toBeNull()
          expect(usable(id, drives.toReversed(), 1)).toEqual(found)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('spare the wait in the groups that they are large enough for', () => {
    const { drives, choices } = planSchema.parse({
      name: 'x',
      drives: {
        hotSpares: 1,
        replacement: 'order',
        layout: 'rotating-1',
        lots: [
          { count: 3, sizeTB: 16, group: 1 },
          { count: 4, sizeTB: 2, group: 2 },
        ],
      },
    })
    const pool = poolOf({
      drives,
      choices: poolChoices(choices),
      catalogue,
      contentTB: 1,
      layoutId: 'rotating-1',
    }) as Pool
    expect(pool.arrangement.groups.map(({ conditions }) => conditions.leadHours)).toEqual([
      leadHours.order,
      0,
    ])
  })
})
