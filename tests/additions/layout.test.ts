import { describe, expect, it, vi } from 'vitest'
import { triples } from './triples'
import { poolChoices } from '../stubs/poolChoices'

vi.mock('../../core/drives/layouts/layouts', async original => {
  const { layouts } = await original<typeof import('../../core/drives/layouts/layouts')>()
  const { triples: added } = await import('./triples')
  return { layouts: [...layouts, added] }
})

const { assess } = await import('../../core/assess')
const { catalogue } = await import('../../core/catalogue/catalogue')
const { systemKinds } = await import('../../core/catalogue/systemKinds')
const { possiblePurchases } = await import('../../core/drives/growth/growthQuestion')
const { dataDrivesCarry } = await import('../../core/drives/fast/fastRates')
const { failedDriveText } = await import('../../core/drives/failedDrive')
const { driveMap } = await import('../../core/drives/driveMap')
const { fileSystems } = await import('../../core/drives/fileSystem')
const { wayOutQuestion, waysOut } = await import('../../core/drives/wayOut/planWayOut')
const { poolOf } = await import('../../core/drives/poolOf')
const { planSchema } = await import('../../core/plan/planSchema')
const { poolOffers } = await import('../../core/tiers/search/poolOffers')
const { plainFormat } = await import('../../core/units/format')

const plan = planSchema.parse({
  name: 'Triples',
  drives: { lots: [{ count: 6, sizeTB: 8 }], layout: 'triples' },
})
const pool = () => {
  const made = poolOf({
    drives: plan.drives,
    choices: poolChoices(plan.choices),
    catalogue,
    contentTB: 0,
    layoutId: 'triples',
  })
  if ('refused' in made) throw new Error(made.refused)
  return made
}

describe('a layout that is added by one file and one line', () => {
  it('gives space and survival, and what they are worth', () => {
    const { figures } = assess(plan, catalogue)
    expect(figures['drives.usableTB']!.value).toBe(16)
    expect(figures['drives.lossChanceAtHorizon']!.value).toBeLessThan(1e-6)
    expect(pool().arrangement.survives).toBe(2)
  })
  it('leaves the smallest of six unused, group by group', () => {
    const sizes = [8, 8, 6, 4, 4, 2].map(sizeTB => ({ sizeTB, role: 'any' }) as const)
    const made = triples.arrange(sizes)
    expect('usableTB' in made && [made.usableTB, made.redundancyTB, made.mismatchTB]).toEqual([
      8, 16, 8,
    ])
  })
  it('has its disk speed, its purchases and its way out', () => {
    const carried = (layoutId: string) =>
      dataDrivesCarry({
        layoutId,
        pool: { members: 6, survives: 2, dataDrives: 2, outerMBps: 180, spinning: true },
      })!
    expect(carried('triples').low).toBe(carried('triples').high)
    expect(carried('triples').high).toBeGreaterThan(3 * carried('separate').low)
    const offers = [{ sizeTB: 8, price: 165, model: null }]
    const rule = {
      layout: triples,
      hotSpares: 0,
      bays: 12,
      expandsParity: false,
      offers,
      priceOf: () => 165,
    }
    const drives = Array.from({ length: 6 }, () => ({ sizeTB: 8, role: 'any' }) as const)
    expect(possiblePurchases({ ...rule, ...growth, drives }, drives)).toEqual([
      { count: 3, sizeTB: 8, how: 'added' },
    ])
    const question = wayOutQuestion(pool(), { heldTB: 4, toId: 'separate', expandsParity: false })
    expect(question).toMatchObject({ emptiesOneByOne: false, hadRedundancy: true })
    expect(waysOut(pool(), { heldTB: 4, expandsParity: false }).length).toBeGreaterThan(10)
  })
  it('is known to systems, to the search, to the map and to sentences', () => {
    const knowing = systemKinds.filter(kind => kind.layouts.includes('triples'))
    expect(knowing.map(({ id }) => id)).toEqual(['storage'])
    const offered = poolOffers(plan, catalogue, { roomTB: 10, survives: 2 })
    expect(offered.some(({ choice }) => choice.layout === 'triples')).toBe(true)
    const mapped = driveMap(pool(), fileSystems.copyOnWrite, 4)
    expect(mapped).toHaveLength(6)
    expect(new Set(mapped.map(({ group }) => group)).size).toBe(2)
    expect(
      failedDriveText(
        { layoutId: 'triples', groups: 1, survives: 2, loss: 'everything', rebuildHours: 10 },
        plainFormat,
      ),
    ).toContain('One more drive may fail meanwhile')
  })
})

/** What the possible purchases do not follow from. */
const growth = {
  contentTB: [1],
  fallPerYear: 0,
  replacedWorth: 0,
  roomOf: (usableTB: number) => usableTB,
}
