import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import { usualTiers, maxCloudSteps, maxTiers } from '../../plan/constants'
import { planSchema } from '../../plan/planSchema'
import { supplyEfficiency, efficiencyTable, at230V } from '../../machine/power/supplyCurve'
import { costEpsilon } from './branchAndBound'
import { bestEfficiency } from './bounds'
import { pruneSteps, rulesFinalAt, type PruneStep } from '../../machine/fit/fitRule'
import { fitRules } from '../../machine/fit/fitRules'
import { framesOf } from './frames'
import { maxPoints } from './frontier'
import { poolOffers, searchedModels } from './poolOffers'
import { maxTried, plenty } from './upgradePath'

const plan = planSchema.parse({ name: 'x' })

describe('the space that is searched', () => {
  it(
    'holds hard disks from 4 TB on whose tracks do not overlap, one to twelve of a model, ' +
      'under seven layouts',
    () => {
      const offers = poolOffers(plan, catalogue, { roomTB: 0, survives: 0 })
      expect(Math.min(...offers.map(({ choice }) => choice.sizeTB))).toBe(4)
      expect([
        Math.min(...offers.map(({ count }) => count)),
        Math.max(...offers.map(({ count }) => count)),
      ]).toEqual([1, 12])
      expect(new Set(offers.map(({ choice }) => choice.layout))).toEqual(
        new Set([
          'separate',
          'mirror',
          'pairs',
          'dedicated-1',
          'dedicated-2',
          'rotating-1',
          'rotating-2',
        ]),
      )
      expect(searchedModels(catalogue).every(({ recording }) => recording === 'conventional')).toBe(
        true,
      )
      expect(
        catalogue.driveModels.some(
          ({ recording, sizeTB }) => recording === 'conventional' && sizeTB < 4,
        ) || catalogue.driveModels.some(({ recording }) => recording === 'flash'),
      ).toBe(true)
    },
  )
  it('holds one or two sticks, and processors of at most 700', () => {
    const groups = framesOf(plan, catalogue).flatMap(frame => frame.groups)
    const memory = groups
      .filter(({ id }) => id === 'memory')
      .flatMap(({ options }) => options.map(({ refs }) => refs.length))
    expect(new Set(memory)).toEqual(new Set([0, 1, 2]))
    const dear = {
      ...catalogue,
      processors: catalogue.processors.map(processor =>
        processor.id === 'leat-22'
          ? { ...processor, price: 700 }
          : processor.id === 'leat-21'
            ? { ...processor, price: 701 }
            : processor,
      ),
    }
    const ids = new Set(
      framesOf(plan, dear)
        .flatMap(frame => frame.groups)
        .filter(({ id }) => id === 'processor')
        .flatMap(({ options }) => options.flatMap(({ refs }) => refs)),
    )
    expect([ids.has('leat-22'), ids.has('leat-21')]).toEqual([true, false])
  })
  it('is bounded by what no supply of the table does better', () => {
    const most =
      Math.max(...Object.values(efficiencyTable).flat(), supplyEfficiency) + at230V.likely
    expect(bestEfficiency).toBeCloseTo(most, 9)
    expect(costEpsilon).toBe(1e-6)
  })
  it('is cut by rules that say so themselves, step by step', () => {
    const ids = Object.fromEntries(
      pruneSteps.map(step => [step, rulesFinalAt(step, fitRules).map(({ id }) => id)]),
    ) as Record<PruneStep, string[]>
    expect(pruneSteps.map(step => ids[step].length)).toEqual([10, 14, 1, 1, 2, 30])
    expect(ids.machine).toEqual(expect.arrayContaining(ids.core))
    expect(ids.body).toEqual(expect.arrayContaining([...ids.machine, ...ids.cards]))
    expect(ids.heat).toEqual(['warmDrives'])
    expect(ids.noise).toEqual(['noise'])
    expect(ids.cards.sort()).toEqual(['cardInCase', 'warmDrives'])
  })
  it('has limits that a page can hold', () => {
    expect([maxPoints, maxTried, plenty, maxTiers, maxCloudSteps]).toEqual([14, 900, 5, 6, 20])
    expect(usualTiers).toEqual([
      { name: 'Lean', cap: 700 },
      { name: 'Middle', cap: 1700 },
      { name: 'Large', cap: 2900 },
    ])
  })
})
