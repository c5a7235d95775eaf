import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { afterFailures } from './failedDrives'
import { poolOf, type Pool } from './poolOf'
import { watchedRate } from './rebuildHours'
import { shareAtLoss } from './shareAtLoss'
import { poolChoices } from '../../tests/stubs/poolChoices'

const assessed = (drives: PlanInput['drives'], changes: Partial<PlanInput> = {}) =>
  assess(planSchema.parse({ name: 'x', drives, ...changes }), catalogue)
const poolFor = (layout: string, lots: object[]) => {
  const plan = planSchema.parse({ name: 'x', drives: { lots: lots as never, layout } })
  return poolOf({
    drives: plan.drives,
    choices: poolChoices(plan.choices),
    catalogue,
    contentTB: 0,
    layoutId: layout,
  }) as Pool
}
const of = (layout: string, lots: object[]) => {
  const { arrangement, layout: made } = poolFor(layout, lots)
  return shareAtLoss(arrangement, made.loss)
}

describe('the share of the library that goes when data are lost', () => {
  it('is all of a pool that is lost whole', () => {
    expect([
      of('rotating-1', [{ count: 4, sizeTB: 8 }]),
      of('mirror', [{ count: 2, sizeTB: 8 }]),
      of('stripe', [{ count: 2, sizeTB: 8 }]),
    ]).toEqual([1, 1, 1])
  })
  it(
    'is (p + 1) of n with parity on drives of its own, one of n without, and 2 ÷ (n(n − 1)) ' +
      'of two copies',
    () => {
      expect(of('dedicated-1', [{ count: 5, sizeTB: 8 }])).toBeCloseTo(2 / 5, 12)
      expect(of('snapshot-2', [{ count: 6, sizeTB: 8 }])).toBeCloseTo(3 / 6, 12)
      expect(of('separate', [{ count: 4, sizeTB: 8 }])).toBeCloseTo(1 / 4, 12)
      expect(of('duplication', [{ count: 5, sizeTB: 8 }])).toBeCloseTo(2 / 20, 12)
    },
  )
  it('equals the mean over every set of drives that loses data', () => {
    for (const [layout, sizes, failures] of [
      ['dedicated-1', [8, 8, 8, 8], 2],
      ['separate', [8, 4, 12], 1],
      ['duplication', [8, 8, 8, 8], 2],
    ] as const) {
      const pool = poolFor(
        layout,
        sizes.map(sizeTB => ({ sizeTB })),
      )
      const sets = sizes.flatMap((_, one) =>
        failures === 1
          ? [[one]]
          : sizes.flatMap((__, other) => (other > one ? [[one, other]] : [])),
      )
      const mean =
        sets.reduce((sum, set) => sum + afterFailures(pool, new Set(set), 48).lostShare, 0) /
        sets.length
      expect(shareAtLoss(pool.arrangement, pool.layout.loss), layout).toBeCloseTo(mean, 9)
    }
  })
  it('of several groups is that of one of them', () => {
    expect(
      of('dedicated-1', [
        { count: 4, sizeTB: 8, group: 1 },
        { count: 4, sizeTB: 8, group: 2 },
      ]),
    ).toBeCloseTo(0.25, 12)
  })
})

describe('a rebuild while somebody watches', () => {
  it('keeps seven tenths of its rate, and the ends are told', () => {
    expect([watchedRate(0), watchedRate(24), watchedRate(12)]).toEqual([1, 0.7, 0.85])
    const { rebuildEnds, rebuildHours } = assessed(
      { lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1', outerMBps: 200 },
      { choices: { watchingHoursPerDay: 6 } },
    ).domains.drives.pool!
    expect(rebuildEnds!.unwatched).toBeCloseTo(8e6 / 150 / 3600, 9)
    expect(rebuildEnds!.watched).toBeCloseTo(8e6 / 105 / 3600, 9)
    expect(rebuildHours).toBeCloseTo(8e6 / (150 * 0.925) / 3600, 9)
    expect(
      assessed({ lots: [{ count: 2, sizeTB: 8 }], layout: 'separate' }).domains.drives.pool!
        .rebuildEnds,
    ).toBeNull()
  })
})
