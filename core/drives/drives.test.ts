import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type Plan, type PlanInput } from '../plan/planSchema'
import { compareLayouts } from './compareLayouts'
import { plainFormat } from '../units/format'
import { cannotDo } from './cannotDo'
import { failedDriveText } from './failedDrive'
import { failureRatePerHour } from './failureRate'
import {
  groupRebuildHours,
  longestRebuildHours,
  poolLossChance,
  shingledFactor,
} from './layoutRisk'
import { lossChance } from './lossChance'
import { assess } from '../assess'
import { groupsBySize } from './groupsBySize'
import { layouts } from './layouts/layouts'
import { poolOf, roomTB, snapshotsTB, type Pool } from './poolOf'
import { rebuildHours, rebuildRateMBps } from './rebuildHours'
import { spaceWaterfall } from './waterfall'
import { fileSystems } from './fileSystem'
import { poolChoices } from '../../tests/stubs/poolChoices'

const layout = (id: string) => layouts.find(candidate => candidate.id === id)!
const pooled = ({ drives, choices }: Plan, contentTB: number) =>
  poolOf({ drives, choices: poolChoices(choices), catalogue, contentTB, layoutId: drives.layout })
const planWith = (drives: PlanInput['drives']) => planSchema.parse({ name: 'x', drives })

describe('rebuild', () => {
  it('16 TB at 150 MB/s take 29.6 h', () =>
    expect(
      rebuildHours({ sizeTB: 16, usedShare: 1, rateMBps: 150, shingledFactor: 1 }),
    ).toBeCloseTo(29.6, 1))
  it('14 TB at 160 MB/s take 24.3 h', () =>
    expect(
      rebuildHours({ sizeTB: 14, usedShare: 1, rateMBps: 160, shingledFactor: 1 }),
    ).toBeCloseTo(24.3, 1))
  it(
    'runs at three quarters of the outer rate, slower while somebody watches, at most what ' +
      'the port carries',
    () => {
      expect(rebuildRateMBps(150, 0)).toBe(150)
      expect(rebuildRateMBps(150, 24)).toBeCloseTo(105, 9)
    },
  )
  it('copies only what is used where the system knows the files', () => {
    const plan = planWith({
      lots: [{ count: 4, sizeTB: 8 }],
      layout: 'rotating-1',
      fileSystem: 'copyOnWrite',
    })
    expect(pooled(plan, 12)).toMatchObject({ conditions: { usedShare: 0.5 } })
    expect(
      pooled({ ...plan, drives: { ...plan.drives, fileSystem: 'journalled' } }, 12),
    ).toMatchObject({ conditions: { usedShare: 1 } })
    expect(pooled(plan, 99)).toMatchObject({ conditions: { usedShare: 1 } })
  })
  it('of an empty pool is told as that of a full one', () => {
    expect(
      pooled(
        planWith({
          lots: [{ count: 4, sizeTB: 8 }],
          layout: 'rotating-1',
          fileSystem: 'copyOnWrite',
        }),
        0,
      ),
    ).toMatchObject({ conditions: { usedShare: 1 } })
  })
  it('takes 3 times as long on shingled drives, 8 times with copy-on-write parity', () => {
    expect(shingledFactor(false, layout('rotating-1'), 'copyOnWrite')).toBe(1)
    expect(shingledFactor(true, layout('rotating-1'), 'copyOnWrite')).toBe(8)
    expect(shingledFactor(true, layout('rotating-1'), 'journalled')).toBe(3)
    expect(shingledFactor(true, layout('mirror'), 'copyOnWrite')).toBe(3)
    // Block by block it is one run, whatever the file system is.
    for (const id of ['dedicated-1', 'snapshot-1', 'sliced-1'])
      expect(shingledFactor(true, layout(id), 'copyOnWrite'), id).toBe(3)
  })
})

describe('room', () => {
  it('is usable · (1 − reserve) · ceiling − snapshots', () => {
    const { drives } = planWith({
      lots: [{ count: 2, sizeTB: 10 }],
      fileSystem: 'journalled',
      changedGBPerMonth: 100,
      snapshotMonths: 3,
    })
    expect(snapshotsTB(drives)).toBeCloseTo(0.3, 12)
    expect(roomTB(10, drives)).toBeCloseTo(10 * 0.98 * 0.85 - 0.3, 12)
    expect(roomTB(10, { ...drives, fileSystem: 'copyOnWrite' })).toBeCloseTo(
      10 * 0.97 * 0.8 - 0.3,
      12,
    )
    expect(roomTB(0.1, drives)).toBe(0)
  })
  it('is the last step of the waterfall, whose losses add up', () => {
    const plan = planWith({
      lots: [
        { count: 3, sizeTB: 8 },
        { count: 2, sizeTB: 14 },
      ],
      layout: 'rotating-1',
      hotSpares: 1,
      changedGBPerMonth: 200,
      snapshotMonths: 5,
    })
    const pool = pooled(plan, 5)
    if ('refused' in pool) throw new Error(pool.refused)
    const steps = spaceWaterfall(pool.arrangement, fileSystems.journalled, 1)
    const size = (id: string) => steps.find(step => step.id === id)!.sizeTB
    expect(size('raw') - size('spares') - size('redundancy') - size('mismatch')).toBeCloseTo(
      size('usable'),
      9,
    )
    expect(size('usable') - size('reserve') - size('ceiling') - size('snapshots')).toBeCloseTo(
      size('room'),
      9,
    )
    expect(size('room')).toBeCloseTo(roomTB(size('usable'), plan.drives), 9)
  })
})

describe('what one failed drive costs', () => {
  const text = (layoutId: string, drives: number, rebuildHours: number | null) =>
    failedDriveText(
      {
        layoutId,
        groups: 1,
        survives: layout(layoutId).survives(drives),
        loss: layout(layoutId).loss,
        rebuildHours,
      },
      plainFormat,
    )
  it('is everything, only its files, or a rebuild', () => {
    expect(text('stripe', 2, null)).toContain('Everything')
    expect(text('separate', 2, null)).toContain('files on that drive')
    expect(text('mirror', 2, 16)).toContain('rebuild of about 16\u00A0h')
    expect(text('rotating-2', 6, 30)).toContain('One more drive may fail meanwhile')
    expect(text('rotating-3', 6, 30)).toContain('2 more drives may fail meanwhile')
    expect(text('pairs', 4, 30)).toContain('other half')
    expect(text('snapshot-1', 4, 30)).toContain('since the last nightly run')
    expect(text('duplication', 4, 30)).toContain('lay on both')
    expect(text('dedicated-1', 4, 30)).toContain('files on the failed drives')
  })
})

describe('layouts compared on the same drives', () => {
  const plan = planWith({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1' })
  const rows = compareLayouts({ ...plan, choices: poolChoices(plan.choices) }, catalogue, 10)
  it('has a row for each, refused ones with the reason', () => {
    expect(rows).toHaveLength(layouts.length)
    expect(rows.find(row => row.layout.id === 'rotating-3')?.refusal).toEqual({
      refused: 'TOO_FEW_DRIVES',
      takes: 5,
      have: 4,
      besideSpares: false,
    })
    expect(rows.find(row => row.layout.id === 'nightly-copy')?.refusal).toMatchObject({
      refused: 'TOO_MANY_DRIVES',
      takes: 2,
    })
  })
  it('risks less with more redundancy', () => {
    const chance = (id: string) => rows.find(row => row.layout.id === id)!.lossChanceAtHorizon!
    expect(chance('rotating-2')).toBeLessThan(chance('rotating-1'))
    expect(chance('rotating-1')).toBeLessThan(chance('span'))
    expect(chance('span')).toBeCloseTo(1 - 0.985 ** 20, 9)
  })
})

describe('what is expected to be lost, and what a layout cannot do', () => {
  const rowOf = (drives: PlanInput['drives'], id: string) => {
    const plan = planWith(drives)
    return compareLayouts({ ...plan, choices: poolChoices(plan.choices) }, catalogue, 10).find(
      row => row.layout.id === id,
    )!
  }
  it('is a small part of many separate disks, however likely any of them fails', () => {
    const { lossChanceAtHorizon, expectedLostShare } = rowOf(
      { lots: [{ count: 20, sizeTB: 8 }] },
      'separate',
    )
    expect(lossChanceAtHorizon).toBeCloseTo(1 - 0.985 ** 100, 9)
    expect(expectedLostShare).toBeCloseTo(1 - 0.985 ** 5, 9)
  })
  it('is weighted by what lies on each drive, and by what each is like', () => {
    const { expectedLostShare } = rowOf(
      {
        lots: [
          { count: 1, sizeTB: 8, model: 'ebb-8' },
          { count: 1, sizeTB: 16, model: 'sluice-16' },
        ],
      },
      'separate',
    )
    // Drives of one pool fail by the mean of their rates.
    const mean = (failureRatePerHour(0.04) + failureRatePerHour(0.012)) / 2
    expect(expectedLostShare).toBeCloseTo(-Math.expm1(-mean * 5 * 8766), 9)
  })
  it('is all at once where a loss takes everything, and a part with dedicated parity', () => {
    const drives = { lots: [{ count: 4, sizeTB: 8 }] }
    const [all, part] = [rowOf(drives, 'rotating-1'), rowOf(drives, 'dedicated-1')]
    expect(all.expectedLostShare).toBe(all.lossChanceAtHorizon)
    expect(part.expectedLostShare).toBeCloseTo(part.lossChanceAtHorizon! / 2, 12)
  })
  it('says what cannot be done', () => {
    const of = (id: string, expands = true) => cannotDo(layout(id), expands)
    expect(of('stripe')).toEqual([
      'survive a failed drive',
      'keep a part when it loses',
      'be read drive by drive elsewhere',
      'take one more drive',
    ])
    expect(of('separate')).toEqual(['survive a failed drive'])
    expect(of('snapshot-1')).toEqual([
      'play on what lay on a failed drive',
      'cover what changed since its last run',
    ])
    expect([of('rotating-1').at(-1), of('rotating-1', false).at(-1)]).toEqual([
      'be read drive by drive elsewhere',
      'take one more drive',
    ])
    expect(of('dedicated-1')).toEqual([])
  })
})

describe('groups by size', () => {
  const bySize = (drives: PlanInput['drives'], id: string) => {
    const plan = planWith(drives)
    return compareLayouts({ ...plan, choices: poolChoices(plan.choices) }, catalogue, 10).find(
      row => row.layout.id === id,
    )!
  }
  const mixed = {
    lots: [
      { count: 8, sizeTB: 8 },
      { count: 6, sizeTB: 12 },
      { count: 6, sizeTB: 16 },
    ],
  }
  it('use more of unlike drives than one group of the smallest size, and are applied as told', () => {
    const { usableTB, inGroups } = bySize(mixed, 'rotating-1')
    expect(usableTB).toBe(19 * 8)
    expect([inGroups!.groups, inGroups!.usableTB]).toEqual([3, 7 * 8 + 5 * 12 + 5 * 16])
    const applied = bySize({ lots: [...inGroups!.lots] }, 'rotating-1')
    expect([applied.usableTB, applied.lossChanceAtHorizon]).toEqual([
      inGroups!.usableTB,
      inGroups!.lossChanceAtHorizon,
    ])
  })
  it('are offered even where one group cannot be made, and not where they make no more', () => {
    expect(bySize(mixed, 'dedicated-1').inGroups).toBeNull()
    expect(bySize({ lots: [{ count: 6, sizeTB: 8 }] }, 'rotating-1').inGroups).toBeNull()
  })
  it('take too few of a size together with those beside it', () => {
    const groups = (sizes: readonly number[], minimum: number) =>
      groupsBySize(
        sizes.map(sizeTB => ({ count: 1, sizeTB, group: 1 })),
        minimum,
      )?.map(({ sizeTB, group }) => [sizeTB, group])
    expect(groups([16, 12, 12, 8, 8, 8], 3)).toEqual([
      [16, 1],
      [12, 1],
      [12, 1],
      [8, 2],
      [8, 2],
      [8, 2],
    ])
    // The last ones are too few: they join those above.
    expect(groups([16, 16, 16, 8], 3)).toBeUndefined()
    expect(groups([16, 16, 16, 12, 12, 12, 8], 3)!.map(([, group]) => group)).toEqual([
      1, 1, 1, 2, 2, 2, 2,
    ])
  })
})

describe('groups of unlike drives', () => {
  const grouped = (layout: string, fileSystem: 'journalled' | 'copyOnWrite' = 'journalled') =>
    planSchema.parse({
      name: 'x',
      drives: {
        layout,
        fileSystem,
        lots: [
          { count: 3, sizeTB: 16, model: 'sluice-16', group: 1 },
          { count: 3, sizeTB: 2, model: 'weir-2', group: 2 },
        ],
      },
      choices: { watchingHoursPerDay: 0 },
    })
  const poolIn = (plan: Plan, contentTB = 0) => pooled(plan, contentTB) as Pool
  it('are rebuilt, read and lost each as its own drives are', () => {
    const { arrangement } = poolIn(grouped('rotating-1'))
    const [large, small] = arrangement.groups
    const outer = (id: string) => catalogue.driveModels.find(model => model.id === id)!.outerMBps
    const own = (sizeTB: number, id: string, factor: number) =>
      (sizeTB * 1e6 * factor) / (0.75 * outer(id)) / 3600
    expect(groupRebuildHours(large!)).toBeCloseTo(own(16, 'sluice-16', 1), 9)
    expect(groupRebuildHours(small!)).toBeCloseTo(own(2, 'weir-2', 3), 9)
    expect(longestRebuildHours(arrangement)).toBeCloseTo(own(16, 'sluice-16', 1), 9)
    expect([large!.conditions.failuresPerYear, small!.conditions.failuresPerYear]).toEqual([
      0.012, 0.025,
    ])
    // By hand: the product over two chains, each with its own rate and repair.
    const chain = (sizes: number, rate: number, hours: number) =>
      lossChance({ drives: sizes, survives: 1, repairRatePerHour: 1 / (48 + hours) }, [
        { failureRatePerHour: failureRatePerHour(rate), hours: 5 * 8766 },
      ])
    const byHand =
      1 -
      (1 - chain(3, 0.012, own(16, 'sluice-16', 1))) * (1 - chain(3, 0.025, own(2, 'weir-2', 3)))
    expect(
      poolLossChance(arrangement.groups, { years: 5, readErrorEndsRebuild: false }),
    ).toBeCloseTo(byHand, 12)
  })
  it('are told by the group whose rebuild takes longest', () => {
    const plan = grouped('rotating-1')
    const { value, formula } = assess(plan, catalogue).figures['drives.rebuildHours']!
    expect(value).toBeCloseTo(longestRebuildHours(poolIn(plan).arrangement)!, 9)
    expect(formula).toMatch(/^16 TB/)
  })
})

describe('what a rebuild writes', () => {
  const share = (layout: string, fileSystem: 'journalled' | 'copyOnWrite') =>
    (pooled(planWith({ lots: [{ count: 4, sizeTB: 8 }], layout, fileSystem }), 2) as Pool)
      .conditions.usedShare
  it.each([
    ['rotating-1', 1, 2 / 24],
    ['mirror', 1, 2 / 8],
    ['pairs', 1, 2 / 16],
    ['duplication', 2 / 16, 2 / 16],
    ['dedicated-1', 1, 1],
    ['snapshot-1', 1, 1],
    ['sliced-1', 1, 1],
  ])('of %s is all of the drive, or what is used where that is known', (id, plain, checked) => {
    expect(share(id, 'journalled')).toBeCloseTo(plain, 12)
    expect(share(id, 'copyOnWrite')).toBeCloseTo(checked, 12)
  })
})

it('says that a second drive is dangerous where it is of the same group only', () => {
  const text = (groups: number, survives = 1) =>
    failedDriveText(
      { layoutId: `rotating-${survives}`, groups, survives, loss: 'everything', rebuildHours: 10 },
      plainFormat,
    )
  expect(text(1)).toContain('If a second drive fails before it ends')
  expect(text(2)).toContain('If a second drive of its group fails before it ends')
  expect(text(2, 2)).toContain('One more drive of its group may fail meanwhile.')
})
