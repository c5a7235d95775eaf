import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../tests/yardstick'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { arrangeDrives } from './arrangeDrives'
import { afterFailures, type AfterFailures } from './failedDrives'
import { failureRatePerHour } from './failureRate'
import { isRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { pairShares } from './pairShares'
import { poolOf, type Pool } from './poolOf'
import { poolChoices } from '../../tests/stubs/poolChoices'

const lead = 48
function pool(
  layoutId: string,
  sizes: readonly number[],
  more: Record<string, unknown> = {},
): Pool {
  const { drives, choices } = planSchema.parse({
    name: 'x',
    drives: {
      lots: sizes.map(sizeTB => ({ sizeTB })),
      layout: layoutId,
      failuresPerYear: 0.02,
      outerMBps: 200,
      ...more,
    },
    choices: { watchingHoursPerDay: 0 },
  })
  const found = poolOf({ drives, choices: poolChoices(choices), catalogue, contentTB: 0, layoutId })
  if (isRefusal(found as never)) throw new Error(layoutId)
  return found as Pool
}
function down(
  layoutId: string,
  sizes: readonly number[],
  failed: readonly number[],
  more = {},
): AfterFailures {
  return afterFailures(pool(layoutId, sizes, more), new Set(failed), lead)
}
/** All ways to choose k of n. */
function choose(n: number, k: number, from = 0): number[][] {
  return k === 0
    ? [[]]
    : Array.from({ length: Math.max(0, n - from) }, (_, at) => from + at).flatMap(first =>
        choose(n, k - 1, first + 1).map(rest => [first, ...rest]),
      )
}
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length
/** 8 TB at 150 MB/s */
const rebuild = 8e6 / 150 / 3600

describe('separate disks with parity, in groups', () => {
  it.each(['dedicated-1', 'snapshot-1'])(
    'lose with %s what lies on failed drives of lost groups alone, whatever fails',
    layoutId => {
      const sizes = [8, 6, 4, 10, 5, 5]
      const groups = [1, 1, 1, 2, 2, 2]
      const grouped = {
        lots: sizes.map((sizeTB, at) => ({ sizeTB, group: groups[at] })),
      }
      // The largest of each group holds its parity.
      const dataTB = sizes.map(sizeTB => (sizeTB === 8 || sizeTB === 10 ? 0 : sizeTB))
      const all = dataTB.reduce((sum, size) => sum + size, 0)
      for (let count = 1; count <= 6; count++)
        for (const failed of choose(6, count)) {
          const share = (isOne: (failures: number) => boolean) =>
            [1, 2]
              .filter(group => isOne(failed.filter(place => groups[place] === group).length))
              .flatMap(group => failed.filter(place => groups[place] === group))
              .reduce((sum, place) => sum + dataTB[place]!, 0) / all
          const found = down(layoutId, [], failed, grouped)
          const at = `${layoutId} ${failed.join(' ')}`
          const waiting = layoutId === 'dedicated-1' ? 0 : share(failures => failures === 1)
          expect(found.lostShare, at).toBeCloseTo(
            share(failures => failures > 1),
            12,
          )
          expect(found.waitingShare, at).toBeCloseTo(waiting, 12)
          expect(found.playingShare, at).toBeCloseTo(1 - found.lostShare - waiting, 12)
        }
    },
  )
})

describe('what is lost when drives have failed', () => {
  it.each([
    ['rotating-1', [8, 8, 8, 8], [0], 0],
    ['rotating-1', [8, 8, 8, 8], [0, 3], 1],
    ['rotating-2', [8, 8, 8, 8], [0, 3], 0],
    ['rotating-3', [8, 8, 8, 8, 8], [0, 1, 2, 3], 1],
    ['span', [8, 4], [1], 1],
    ['stripe', [8, 8], [0], 1],
    ['separate', [8, 4], [1], 4 / 12],
    ['separate', [8, 4], [0, 1], 1],
    ['mirror', [8, 8, 8], [0, 1], 0],
    ['mirror', [8, 8, 8], [0, 1, 2], 1],
    ['pairs', [4, 6, 10, 10], [1, 2], 0],
    ['pairs', [4, 6, 10, 10], [2, 3], 1],
    ['pairs', [4, 6, 10, 10, 2], [4], 0],
    ['dedicated-1', [14, 8, 8, 4], [0, 1], 8 / 20],
    ['dedicated-1', [14, 8, 8, 4], [1, 2], 16 / 20],
    ['dedicated-1', [14, 8, 8, 4], [3], 0],
    ['dedicated-2', [14, 14, 8, 4], [0, 1, 3], 4 / 12],
    ['sliced-1', [10, 10, 6, 4], [2, 3], 1],
    ['sliced-2', [10, 10, 6, 4], [2, 3], 0],
    ['duplication', [12, 4, 4], [1, 2], 0],
    ['duplication', [12, 4, 4], [0, 1], 0.5],
    ['nightly-copy', [8, 8], [0, 1], 1],
  ] as const)('%s of %j without %j: %d of it', (id, sizes, failed, lost) => {
    const after = down(id, sizes, failed)
    expect(after.lostShare).toBeCloseTo(lost, 9)
    expect(after.playingShare + after.waitingShare + after.lostShare).toBeCloseTo(1, 9)
    if (lost > 0)
      expect(after).toMatchObject({ stillSurvives: 0, wholeHours: null, worseChance: null })
  })
  it.each(layouts.map(({ id }) => id))(
    '%s: as many as it survives lose nothing, whichever they are, and one more can lose something',
    id => {
      const n = id === 'nightly-copy' ? 2 : 6
      const layout = layouts.find(entry => entry.id === id)!
      const survives = layout.survives(n)
      const sizes = Array<number>(n).fill(8)
      for (const failed of choose(n, survives)) expect(down(id, sizes, failed).lostShare).toBe(0)
      expect(
        Math.max(...choose(n, survives + 1).map(failed => down(id, sizes, failed).lostShare)),
      ).toBeGreaterThan(0)
      expect(down(id, sizes, []).stillSurvives).toBe(survives)
    },
  )
  it('is (p + 1) ÷ n on average over which drives fail, of parity beside disks', () => {
    for (const [id, p] of [
      ['dedicated-1', 1],
      ['dedicated-2', 2],
      ['snapshot-1', 1],
    ] as const)
      expect(
        mean(choose(6, p + 1).map(failed => down(id, Array<number>(6).fill(8), failed).lostShare)),
      ).toBeCloseTo((p + 1) / 6, 9)
  })
  it('is 2 ÷ (n·(n − 1)) of two copies, and told as an average', () => {
    const after = down('duplication', Array<number>(5).fill(8), [1, 3])
    expect(after.lostShare).toBeCloseTo(2 / 20, 6)
    expect(after.isAverage).toBe(true)
  })
  it('of two copies can be nothing although more failed than is promised', () => {
    expect(down('duplication', [12, 4, 4], [1, 2])).toMatchObject({
      stillSurvives: 0,
      isAverage: false,
    })
    expect(down('duplication', [12, 4, 4], [1, 2]).worseChance).toBeCloseTo(
      1 - Math.exp(-failureRatePerHour(0.02) * (lead + (2 * 12e6) / 150 / 3600)),
      9,
    )
  })
  it('never counts hot spares, which are the largest', () => {
    expect(down('rotating-1', [10, 8, 8, 8], [0], { hotSpares: 1 })).toMatchObject({
      lostShare: 0,
      stillSurvives: 1,
      wholeHours: null,
    })
    expect(() => down('rotating-1', [8, 8, 8], [3])).toThrow('FAILED_DRIVE')
  })
})

describe('what plays meanwhile', () => {
  it(
    'is all of it where the layout runs on, and all but the failed drives where parity or ' +
      'copy are of the night',
    () => {
      expect(down('dedicated-1', [14, 8, 8, 4], [1]).playingShare).toBe(1)
      expect(down('snapshot-1', [14, 8, 8, 4], [1])).toMatchObject({
        playingShare: 0.6,
        waitingShare: 0.4,
      })
      expect(down('snapshot-1', [14, 8, 8, 4], [0]).playingShare).toBe(1)
      expect(down('nightly-copy', [8, 8], [0]).waitingShare).toBe(1)
      expect(down('nightly-copy', [8, 8], [1]).waitingShare).toBe(0)
    },
  )
})

describe('the way back', () => {
  it("takes the new drives' way and one rebuild after the other in each group", () => {
    expect(down('rotating-2', [8, 8, 8, 8], [0]).wholeHours).toBeCloseTo(lead + rebuild, 6)
    expect(down('rotating-2', [8, 8, 8, 8], [0, 1]).wholeHours).toBeCloseTo(lead + 2 * rebuild, 6)
    expect(down('pairs', [8, 8, 8, 8], [0, 2]).wholeHours).toBeCloseTo(lead + rebuild, 6)
  })
  it('has no way where hot spares are left', () => {
    expect(down('rotating-2', [8, 8, 8, 8, 8], [1], { hotSpares: 1 }).wholeHours).toBeCloseTo(
      rebuild,
      6,
    )
    expect(down('rotating-2', [8, 8, 8, 8, 8], [0, 1], { hotSpares: 1 }).wholeHours).toBeCloseTo(
      lead + rebuild,
      6,
    )
    expect(down('rotating-2', [8, 8, 8, 8, 8], [1, 2], { hotSpares: 1 }).wholeHours).toBeCloseTo(
      lead + 2 * rebuild,
      6,
    )
  })
  it('is crossed by one more failure as often as the drives that are left fail in that time', () => {
    const rate = failureRatePerHour(0.02)
    expect(down('rotating-1', [8, 8, 8, 8], [0]).worseChance).toBeCloseTo(
      1 - Math.exp(-3 * rate * (lead + rebuild)),
      9,
    )
    expect(down('rotating-1', [8, 8, 8, 8], [0], { oneBatch: true }).worseChance).toBeCloseTo(
      1 - Math.exp(-9 * rate * (lead + rebuild)),
      9,
    )
    // Two of three that are left, in either order.
    const one = 1 - Math.exp(-rate * (lead + rebuild))
    expect(down('rotating-2', [8, 8, 8, 8], [0]).worseChance).toBeCloseTo(
      3 * one ** 2 - 2 * one ** 3,
      9,
    )
    // Of the damaged pair the other half, of the whole pair both.
    expect(down('pairs', [8, 8, 8, 8], [0]).worseChance).toBeCloseTo(
      1 - (1 - one) * (1 - one ** 2),
      9,
    )
  })
})

describe('where two copies lie', () => {
  it('fills every drive with what it holds', () => {
    for (const filled of [
      [4, 4, 4, 4],
      [5, 4, 3, 2],
      [9, 8, 1, 1],
      [8, 4, 4],
      [3, 3],
    ]) {
      const shares = pairShares(filled)
      const total = filled.reduce((sum, one) => sum + one, 0)
      filled.forEach((one, at) =>
        expect(shares[at]!.reduce((sum, share) => sum + share, 0)).toBeCloseTo(
          (2 * one) / total,
          4,
        ),
      )
    }
  })
  it(
    'leaves out drives that are empty, and a largest drive with half of everything has one ' +
      'of each',
    () => {
      expect(pairShares([8, 4, 4])).toEqual([
        [0, 0.5, 0.5],
        [0.5, 0, 0],
        [0.5, 0, 0],
      ])
      expect(pairShares([0, 4, 4])[0]).toEqual([0, 0, 0])
      expect(pairShares([0, 0])).toEqual([
        [0, 0],
        [0, 0],
      ])
    },
  )
})

it('arranges every layout in a moment', () => {
  const sizes = Array.from({ length: 20 }, (_, at) => ({
    sizeTB: 4 + (at % 5),
    role: 'any' as const,
  }))
  const all = () => layouts.forEach(layout => arrangeDrives(layout, sizes))
  expect(yardsticks(all, 3)).toBeLessThan(0.5)
})
