import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { wideFromChance } from './wideGroup'

const ask = (drives: PlanInput['drives'], choices: PlanInput['choices'] = {}) => {
  const plan = planSchema.parse({ name: 'x', library: { otherTB: 200 }, drives, choices })
  const { findings, domains } = assess(plan, catalogue)
  return {
    plan,
    pool: domains.drives.pool!,
    told: findings.find(({ code }) => code === 'WIDE_GROUP'),
  }
}
const wide = {
  lots: [{ count: 20, sizeTB: 16 }],
  layout: 'rotating-1',
  sheetReadErrorBits: 1e14 as const,
}

describe('a group of many large drives', () => {
  it('is cautioned of from a fifth for a file lost in a rebuild on', () => {
    expect(wideFromChance).toBe(0.2)
    const { pool, told } = ask(wide)
    expect(pool.fileLossChanceAtHorizon.likely).toBeGreaterThan(0.7)
    expect(told!.sentence).toContain('while one of 20 drives is rebuilt')
    expect(told!.severity).toBe('warning')
    for (const drives of [
      { ...wide, layout: 'rotating-2' },
      { ...wide, lots: [{ count: 4, sizeTB: 4 }] },
    ]) {
      const other = ask(drives)
      expect(other.pool.fileLossChanceAtHorizon.likely).toBeLessThan(0.2)
      expect([other.told, other.pool.narrower]).toEqual([undefined, null])
    }
  })
  it('is bettered by what is offered, once it is done', () => {
    for (const drives of [
      wide,
      { ...wide, layout: 'rotating-2', failuresPerYear: 0.3 },
      { ...wide, layout: 'sliced-1' },
      { ...wide, layout: 'dedicated-1' },
      {
        ...wide,
        lots: [
          { count: 8, sizeTB: 20 },
          { count: 8, sizeTB: 12 },
        ],
        sheetReadErrorBits: 1e15 as const,
        failuresPerYear: 0.1,
      },
    ]) {
      const { pool, plan } = ask(drives)
      expect(drives === wide && pool.narrower === null).toBe(false)
      if (!pool.narrower) continue
      for (const layout of pool.narrower.layouts) {
        const other = ask({ ...drives, layout })
        expect(other.pool.fileLossChanceAtHorizon.likely, layout).toBeLessThan(wideFromChance)
        expect(other.pool.survives, layout).toBeGreaterThanOrEqual(1)
      }
      const { groups } = pool.narrower
      if (groups === null) continue
      const sizes = plan.drives.lots
        .flatMap(({ count, sizeTB }) => Array<number>(count).fill(sizeTB))
        .sort((a, b) => b - a)
      const inGroups = (count: number) =>
        ask({
          ...drives,
          lots: sizes.map((sizeTB, at) => ({
            sizeTB,
            group: 1 + Math.floor((at * count) / sizes.length),
          })),
        }).pool.fileLossChanceAtHorizon.likely
      expect(inGroups(groups)).toBeLessThan(wideFromChance)
      if (groups > 2) expect(inGroups(groups - 1)).toBeGreaterThanOrEqual(wideFromChance)
    }
  })
})
