import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { costOverYears } from '../ownership/cashFlow'
import { headroomOrder } from '../headrooms'
import {
  adoptBuild,
  createEvaluator,
  type Axes,
  type ConverterChoice,
} from '../../tests/stubs/axesEvaluator'
import type { PoolChoice } from './builds'
import { stateOfBuild } from '../verdict'

const axes: Axes = {
  bases: [...catalogue.machineBases.map(base => base.id), null],
  converters: [null, 'rill-1', 'beck-16', 'leat-17', 'leat-22', 'race-22'].flatMap(processor =>
    [null, 'cardEntry', 'cardOldGaming'].flatMap(card =>
      [null, 'memory-16'].map((memory): ConverterChoice => ({ processor, card, memory })),
    ),
  ),
  pools: ['nas', 'refurbished', 'ssd'].flatMap(driveClass =>
    [4, 12, 20].flatMap(sizeTB =>
      [1, 2, 4, 6, 9].flatMap(count =>
        ['mirror', 'rotating-1', 'rotating-2', 'separate'].flatMap(layout =>
          [false, true].map((keepsOwned): PoolChoice => ({
            driveClass,
            sizeTB,
            count,
            layout,
            keepsOwned,
            fileSystem: count % 2 ? 'journalled' : 'copyOnWrite',
          })),
        ),
      ),
    ),
  ),
}
const anyBuild = fc.record({
  base: fc.nat(axes.bases.length - 1),
  converter: fc.nat(axes.converters.length - 1),
  pool: fc.nat(axes.pools.length - 1),
})

describe('an evaluator of builds', () => {
  it.each([
    ['the demo household', planSchema.parse(tideMillHouse)],
    [
      'a licence by the number of drives',
      planSchema.parse({ ...tideMillHouse, system: { kind: 'stick' } }),
    ],
    [
      'an enclosure and a card of one lane, which drives share',
      planSchema.parse({
        ...tideMillHouse,
        machine: { ...tideMillHouse.machine, parts: [{ ref: 'trug-4' }, { ref: 'knot-5' }] },
      }),
    ],
    [
      'an evening as answered, without a budget',
      planSchema.parse({
        ...tideMillHouse,
        brief: {},
        choices: { school: 'atOnce', convertingHoursPerDay: 7 },
        drives: {
          ...tideMillHouse.drives,
          ageYears: 2,
          above45C: true,
          unmounted: true,
          shingled: true,
        },
      }),
    ],
  ])('says of any build what the assessment of the adopted plan says: %s', (_, plan) => {
    const evaluator = createEvaluator(plan, catalogue, axes)
    fc.assert(
      fc.property(anyBuild, ({ base, converter, pool }) => {
        const quick = evaluator.evaluate(base, converter, pool)
        const adopted = adoptBuild(
          plan,
          {
            base: axes.bases[base]!,
            converter: axes.converters[converter]!,
            pool: axes.pools[pool]!,
          },
          catalogue,
        )
        expect(planSchema.parse(adopted)).toEqual(adopted)
        const { figures, verdicts, domains } = assess(adopted, catalogue)
        const value = (id: string) => figures[id]!.value
        expect(quick.toPay).toBe(value('ownership.purchase'))
        expect(quick.horizonCost).toBeCloseTo(costOverYears(domains.years.question), 6)
        expect(quick.idleW).toBeCloseTo(value('machine.idleW')!, 9)
        expect(quick.loadW).toBeCloseTo(value('machine.loadW')!, 9)
        expect(quick.kWhPerYear).toBeCloseTo(value('ownership.kWhPerYear')!, 9)
        expect(quick.electricityPerYear).toBeCloseTo(value('ownership.electricityPerYear')!, 9)
        expect(quick.freeBays).toBe(value('machine.freeBays'))
        expect(quick.possible).toBe(value('streams.possible') ?? 0)
        expect(quick.minutesShort).toBeCloseTo(value('streams.minutesShortPerMonth') ?? 0, 9)
        expect(quick.roomTB).toBeCloseTo(value('drives.roomTB') ?? 0, 9)
        expect(quick.lossChanceAtHorizon).toBeCloseTo(value('drives.lossChanceAtHorizon') ?? 1, 12)
        expect(headroomOrder.map(id => quick[id])).toEqual(verdicts.map(stateOfBuild))
        expect(quick.meets).toBe(
          verdicts.every(
            verdict =>
              ['ample', 'enough', 'tight'].includes(stateOfBuild(verdict)) ||
              (verdict.id === 'money' && verdict.state === 'unknown' && plan.brief.budget === null),
          ),
        )
      }),
      { numRuns: 60 },
    )
  })
  it('makes each row of its tables once, and finds builds that meet the need', () => {
    const few: Axes = {
      bases: ['wherry-2', 'towpath', 'wherry-4', 'millrace', 'lighter-8', 'weir'],
      converters: axes.converters.slice(0, 12),
      pools: axes.pools.slice(0, 60),
    }
    const evaluator = createEvaluator(
      planSchema.parse({ ...tideMillHouse, brief: { budget: 3000 } }),
      catalogue,
      few,
    )
    expect(evaluator.fill()).toBe(2 * 6 * 12 + 60)
    const builds = few.bases.flatMap((_, base) =>
      few.converters.flatMap((__, converter) =>
        few.pools.map((___, pool) => evaluator.evaluate(base, converter, pool)),
      ),
    )
    expect(builds).toHaveLength(6 * 12 * 60)
    expect(builds.some(build => build.meets)).toBe(true)
    for (const build of builds.filter(entry => entry.meets))
      expect(build.toPay).toBeLessThanOrEqual(3000)
  })
})
