import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainFormat } from '../../units/format'
import { arrangeDrives, type Arrangement } from '../arrangeDrives'
import { refusalText } from '../refusalText'
import { isRefusal, type DriveParts, type Layout, type LayoutDrive } from './layout'
import { layouts } from './layouts'

function layout(id: string): Layout {
  const found = layouts.find(candidate => candidate.id === id)
  if (!found) throw new Error(id)
  return found
}
const drives = (sizes: readonly number[]): LayoutDrive[] =>
  sizes.map(sizeTB => ({ sizeTB, role: 'any' }))
function arrange(id: string, sizes: readonly number[], hotSpares = 0): Arrangement {
  const result = arrangeDrives(layout(id), drives(sizes), hotSpares)
  if (isRefusal(result)) throw new Error(result.refused)
  return result
}
function refusal(id: string, input: readonly LayoutDrive[]): string {
  const result = arrangeDrives(layout(id), input)
  return isRefusal(result) ? refusalText(result, id, plainFormat) : ''
}

describe('usable space', () => {
  it.each([
    ['rotating-1', [8, 8, 8, 8, 8], 32],
    ['rotating-1', [8, 8, 8, 14], 24],
    ['dedicated-1', [14, 8, 8, 4], 20],
    ['pairs', [4, 6, 10, 10], 14],
    ['duplication', [12, 4, 4], 8],
    ['rotating-2', Array<number>(8).fill(10), 60],
    ['sliced-2', [10, 10, 6, 4], 10],
    ['span', [4, 8], 12],
    ['separate', [4, 8], 12],
    ['stripe', [4, 8], 8],
    ['mirror', [8, 8], 8],
    ['mirror', [8, 10, 12], 8],
    ['pairs', [4, 6, 10, 10, 2], 14],
    ['rotating-3', [8, 8, 8, 8, 8], 16],
    ['dedicated-2', [14, 14, 8, 4], 12],
    ['snapshot-1', [14, 8, 8, 4], 20],
    ['snapshot-2', [14, 14, 8, 4], 12],
    ['sliced-1', [10, 10, 6, 4], 20],
    ['duplication', [8, 8, 4], 10],
    ['nightly-copy', [8, 6], 6],
  ] as const)('%s of %j is %d TB', (id, sizes, usable) => {
    expect(arrange(id, sizes).usableTB).toBeCloseTo(usable, 9)
  })
})

describe('the parts of the raw space', () => {
  it.each([
    ['mirror', [8, 10], 8, 2],
    ['pairs', [10, 10, 6, 4], 14, 2],
    ['rotating-1', [8, 8, 8, 14], 8, 6],
    ['dedicated-1', [14, 8, 8, 4], 8, 6],
    ['sliced-2', [10, 10, 6, 4], 12, 8],
    ['duplication', [12, 4, 4], 8, 4],
  ] as const)('%s of %j: %d TB of redundancy, %d TB unused', (id, sizes, redundancy, mismatch) => {
    const result = arrange(id, sizes)
    expect(result.redundancyTB).toBeCloseTo(redundancy, 9)
    expect(result.mismatchTB).toBeCloseTo(mismatch, 9)
  })
})

describe('every layout', () => {
  const anySizes = fc.array(fc.integer({ min: 1, max: 24 }), { minLength: 1, maxLength: 12 })
  it.each(layouts.map(entry => entry.id))(
    '%s: usable + copies + unused + spares = raw, and nothing is negative',
    id => {
      fc.assert(
        fc.property(anySizes, fc.nat(2), (sizes, spares) => {
          const result = arrangeDrives(layout(id), drives(sizes), spares)
          if (isRefusal(result)) return
          const sparesTB = result.sparesTB.reduce((sum, size) => sum + size, 0)
          expect(result.usableTB + result.redundancyTB + result.mismatchTB + sparesTB).toBeCloseTo(
            result.rawTB,
            6,
          )
          expect(
            Math.min(result.usableTB, result.redundancyTB, result.mismatchTB),
          ).toBeGreaterThanOrEqual(0)
          if (spares > 0)
            expect(Math.min(...result.sparesTB)).toBeGreaterThanOrEqual(
              Math.max(...result.groups.flatMap(group => group.sizesTB)),
            )
        }),
      )
    },
  )
  it.each(layouts.map(entry => entry.id))('%s: the order of the drives does not matter', id => {
    fc.assert(
      fc.property(anySizes, sizes => {
        const [one, other] = [sizes, [...sizes].reverse()].map(order => {
          const result = arrangeDrives(layout(id), drives(order))
          // The places are other ones; the drives at them are the same.
          return isRefusal(result)
            ? result
            : {
                ...result,
                memberPlaces: result.memberPlaces.map(place => order[place]),
                sparePlaces: [],
              }
        })
        expect(one).toEqual(other)
      }),
    )
  })
  it.each(layouts.map(entry => entry.id))(
    '%s: what lies on the drives adds up to each drive, and to the whole',
    id => {
      fc.assert(
        fc.property(anySizes, fc.nat(2), (sizes, spares) => {
          const result = arrangeDrives(layout(id), drives(sizes), spares)
          if (isRefusal(result)) return
          const sum = (part: (parts: DriveParts) => number) =>
            result.parts.reduce((all, parts) => all + part(parts), 0)
          expect(sum(({ dataTB }) => dataTB)).toBeCloseTo(result.usableTB, 9)
          expect(sum(({ copyTB, parityTB }) => copyTB + parityTB)).toBeCloseTo(
            result.redundancyTB,
            9,
          )
          expect(sum(({ unusedTB }) => unusedTB)).toBeCloseTo(result.mismatchTB, 9)
          result.parts.forEach((parts, member) => {
            expect(Math.min(...Object.values(parts))).toBeGreaterThanOrEqual(0)
            expect(Object.values(parts).reduce((all, part) => all + part, 0)).toBeCloseTo(
              sizes[result.memberPlaces[member]!]!,
              9,
            )
          })
          expect([...result.memberPlaces, ...result.sparePlaces].sort((a, b) => a - b)).toEqual(
            sizes.map((_, place) => place),
          )
          result.groups.forEach(group =>
            expect(group.members.map(member => sizes[result.memberPlaces[member]!])).toEqual(
              group.sizesTB,
            ),
          )
        }),
      )
    },
  )
  it.each(layouts.map(entry => entry.id))(
    '%s: a bigger drive in place of another never lessens the space',
    id => {
      fc.assert(
        fc.property(anySizes, fc.nat(11), fc.integer({ min: 1, max: 10 }), (sizes, index, more) => {
          const at = index % sizes.length
          const before = arrangeDrives(layout(id), drives(sizes))
          const after = arrangeDrives(layout(id), drives(sizes.with(at, sizes[at]! + more)))
          if (isRefusal(before) || isRefusal(after)) return
          expect(after.usableTB).toBeGreaterThanOrEqual(before.usableTB - 1e-9)
        }),
      )
    },
  )
  it.each(layouts.filter(entry => entry.minimumDrives > 1).map(entry => entry.id))(
    '%s: too few drives are a finding, not a number',
    id => {
      expect(refusal(id, drives(Array<number>(layout(id).minimumDrives - 1).fill(8)))).toContain(
        `at least ${layout(id).minimumDrives}`,
      )
    },
  )
})

describe('second methods', () => {
  /** Cuts drives into slices of 1 TB, level by level. */
  function slicedByHand(sizes: readonly number[], parity: number): number {
    let usable = 0
    for (let level = 0; level < Math.max(...sizes); level++)
      usable += Math.max(0, sizes.filter(size => size > level).length - parity)
    return usable
  }
  it('sliced hybrid equals counting slices of 1 TB, and Σ less the p largest', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 3, maxLength: 9 }),
        fc.constantFrom(1, 2),
        (sizes, parity) => {
          const usable = arrange(`sliced-${parity}`, sizes).usableTB
          expect(usable).toBe(slicedByHand(sizes, parity))
          expect(usable).toBe(
            [...sizes]
              .sort((a, b) => b - a)
              .slice(parity)
              .reduce((sum, size) => sum + size, 0),
          )
        },
      ),
    )
  })
  it('duplication equals putting files of 1 TB on the two emptiest drives', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 7 }),
        sizes => {
          const free = [...sizes]
          let files = 0
          for (;;) {
            free.sort((a, b) => b - a)
            if (free[0]! < 1 || free[1]! < 1) break
            free[0]!--
            free[1]!--
            files++
          }
          expect(Math.floor(arrange('duplication', sizes).usableTB)).toBe(files)
        },
      ),
    )
  })
})

describe('refusals', () => {
  it('nightly copy takes exactly two drives', () =>
    expect(refusal('nightly-copy', drives([8, 8, 8]))).toContain('exactly 2'))
  it('dedicated parity refuses a parity drive smaller than a data drive, and says which', () => {
    const text = refusal('dedicated-1', [
      { sizeTB: 8, role: 'parity' },
      { sizeTB: 14, role: 'any' },
      { sizeTB: 4, role: 'data' },
    ])
    expect(text).toContain('8 TB')
    expect(text).toContain('14 TB')
  })
  it('dedicated parity wants as many parity drives as it has parities', () => {
    expect(
      refusal('dedicated-2', [
        { sizeTB: 8, role: 'parity' },
        { sizeTB: 8, role: 'any' },
        { sizeTB: 8, role: 'any' },
      ]),
    ).toContain('takes 2')
    expect(
      refusal('dedicated-1', [
        { sizeTB: 8, role: 'data' },
        { sizeTB: 8, role: 'data' },
      ]),
    ).toContain('left for parity')
  })
  it('honours drives marked for parity', () => {
    const result = arrangeDrives(layout('dedicated-1'), [
      { sizeTB: 14, role: 'parity' },
      { sizeTB: 14, role: 'data' },
      { sizeTB: 4, role: 'any' },
    ])
    expect(result).toMatchObject({ usableTB: 18 })
  })
  it('a size that is none is a bug of the caller', () =>
    expect(() => arrangeDrives(layout('span'), drives([0]))).toThrow('DRIVE_SIZE'))
})
