import { describe, expect, it } from 'vitest'
import { assess, planAssessor } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { newPlan, planSchema } from '../plan/planSchema'
import type { Verdict } from '../verdict'
import { fewModels } from '../../tests/stubs/smallCatalogue'
import { applyBuild, cheapestBuilds, maxProcessorPrice } from './cheapestBuilds'
import { stateOfBuild } from '../verdict'

const few = fewModels(catalogue)
const demo = planSchema.parse(tideMillHouse)
const failing = (verdicts: readonly Verdict[]) =>
  verdicts
    .filter(verdict => ['short', 'impossible'].includes(stateOfBuild(verdict)))
    .map(({ id }) => id)
const fails = (plan: typeof demo) => failing(assess(plan, catalogue).verdicts)

describe('the cheapest builds for a need', () => {
  it('meet it, once applied, at the price they say, cheapest first', () => {
    const builds = cheapestBuilds({ ...demo, brief: { ...demo.brief, budget: null } }, catalogue, 4)
    const meeting = builds.slice(1).filter(entry => entry.lacks.length === 0)
    expect(meeting.length).toBeGreaterThan(1)
    const prices = meeting.map(entry => entry.evaluation.toPay)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
    for (const { build, evaluation, lacks } of builds) {
      const applied = applyBuild(
        { ...demo, brief: { ...demo.brief, budget: null } },
        build,
        catalogue,
      )
      expect(planSchema.parse(applied)).toEqual(applied)
      expect(fails(applied)).toEqual(lacks)
      expect(assess(applied, catalogue).figures['ownership.purchase']!.value).toBe(evaluation.toPay)
      expect(applied.machine.name).not.toBe('')
    }
  })
  it('are those that going through every choice finds, on a small catalogue', () => {
    const small = {
      ...catalogue,
      machineBases: catalogue.machineBases.filter(
        ({ id }) => id === 'wherry-2' || id === 'towpath',
      ),
      processors: catalogue.processors.filter(({ id }) =>
        ['beck-19', 'leat-13', 'leat-17', 'leat-18'].includes(id),
      ),
    }
    const plan = { ...demo, brief: { ...demo.brief, budget: null } }
    const owned = plan.drives.lots
      .filter(lot => lot.condition === 'owned')
      .reduce((sum, lot) => sum + lot.count, 0)
    expect(owned).toBeGreaterThan(0)
    const found = cheapestBuilds(plan, small, 2)
    const assessor = planAssessor(4)
    expect(found.map(entry => entry.build.base)[0]).toBe(null)
    for (const { build, evaluation, lacks } of found) {
      const base = small.machineBases.find(({ id }) => id === build.base)
      let best = { lacks: Infinity, toPay: Infinity }
      for (const card of [null, 'cardEntry', 'cardModern']) {
        for (const processor of base?.processor === null ? ['leat-17', 'leat-18'] : [null]) {
          for (const [layout, least, most, fileSystem] of [
            ['separate', 1, 8, 'journalled'],
            ['mirror', 2, 2, 'journalled'],
            ['rotating-1', 3, 8, 'copyOnWrite'],
            ['rotating-2', 4, 8, 'copyOnWrite'],
          ] as const) {
            for (const keepsOwned of [false, true]) {
              for (const count of [0, 1, 2, 3, 4, 5, 6, 8]) {
                for (const sizeTB of [4, 8, 12, 16, 20, 24]) {
                  const all = count + (keepsOwned ? owned : 0)
                  if (
                    all === 0 ||
                    all < least ||
                    all > most ||
                    all > (base?.bays ?? Infinity) ||
                    (count === 0 && sizeTB > 4)
                  )
                    continue
                  const applied = applyBuild(
                    plan,
                    {
                      base: build.base,
                      converter: {
                        processor,
                        card,
                        memory: processor === null ? null : 'memory-16',
                      },
                      pool: { driveClass: 'nas', sizeTB, count, layout, fileSystem, keepsOwned },
                    },
                    small,
                  )
                  const { verdicts, figures } = assessor.assess(applied, small)
                  const candidate = {
                    lacks: failing(verdicts).length,
                    toPay: figures['ownership.purchase']!.value!,
                  }
                  if (
                    candidate.lacks < best.lacks ||
                    (candidate.lacks === best.lacks && candidate.toPay < best.toPay)
                  )
                    best = candidate
                }
              }
            }
          }
        }
      }
      expect({ lacks: lacks.length, toPay: evaluation.toPay }).toEqual(best)
    }
  }, 240_000)
  it(
    'use what is there already: drives at no cost, a machine as a base, and a card only ' +
      'where there is none',
    () => {
      const roomy = planSchema.parse({
        ...tideMillHouse,
        brief: {},
        library: { otherTB: 5 },
        drives: {
          lots: [{ count: 4, sizeTB: 20, condition: 'owned' }],
          ageYears: 4,
          above45C: true,
          shingled: true,
        },
      })
      const builds = cheapestBuilds(roomy, few, 3)
      expect(builds).toHaveLength(4)
      const bought = builds.filter(({ build: { pool } }) => pool.keepsOwned && pool.count === 0)
      expect(bought.length).toBeGreaterThan(0)
      for (const { build } of bought)
        expect(applyBuild(roomy, build, catalogue).drives).toMatchObject({
          lots: roomy.drives.lots,
          ageYears: 4,
          above45C: true,
          shingled: true,
        })
      expect(builds[0]!.build.base).toBe(null)
      expect(applyBuild(roomy, builds[0]!.build, catalogue).machine).toEqual(roomy.machine)
      const weak = planSchema.parse({
        ...roomy,
        library: tideMillHouse.library,
        machine: { ...tideMillHouse.machine, score: 3000 },
      })
      expect(cheapestBuilds(weak, few, 1)[0]!.build.converter.card).not.toBe(null)
      const carded = planSchema.parse({
        ...weak,
        machine: { ...weak.machine, parts: [{ ref: 'cardEntry', condition: 'owned' }] },
      })
      expect(cheapestBuilds(carded, few, 1)[0]!.build.converter.card).toBe(null)
    },
  )
  it('forget, where drives are bought new, how the old ones stood', () => {
    const worn = planSchema.parse({
      ...tideMillHouse,
      drives: {
        ...tideMillHouse.drives,
        ageYears: 6,
        above45C: true,
        unmounted: true,
        shingled: true,
        failuresPerYear: 0.2,
        hotSpares: 1,
      },
    })
    for (const { build } of cheapestBuilds(worn, few, 5).filter(
      entry => !entry.build.pool.keepsOwned,
    )) {
      expect(applyBuild(worn, build, catalogue).drives).toMatchObject({
        ageYears: 0,
        above45C: false,
        unmounted: false,
        shingled: false,
        failuresPerYear: null,
        hotSpares: 0,
      })
    }
  })
  it('stand on bases of their own', () => {
    const bases = cheapestBuilds(demo, few, 5).map(entry => entry.build.base)
    expect(new Set(bases).size).toBe(bases.length)
    expect(bases).toHaveLength(5 + 1)
    const all = cheapestBuilds(demo, few, 99).map(entry => entry.build.base)
    expect(all).toHaveLength(few.machineBases.filter(({ bays }) => bays > 0).length + 1)
    for (const { build } of cheapestBuilds(demo, few, 99)) {
      const board = few.machineBases.find(({ id }) => id === build.base)?.inside.board
      if (build.converter.processor)
        expect(few.processors.find(({ id }) => id === build.converter.processor)!.socket).toBe(
          board!.socket,
        )
    }
  })
  it('reach up to eight drives of 24 TB, and to processors of 400', () => {
    const vast = planSchema.parse({
      name: 'x',
      library: { otherTB: 125 },
      choices: { survivesAtLeast: 1 },
    })
    const [first] = cheapestBuilds(vast, catalogue, 1)
    expect(first).toMatchObject({
      lacks: [],
      build: { pool: { count: 8, sizeTB: 24, layout: 'rotating-1' } },
    })
    expect(maxProcessorPrice).toBe(400)
    const busy = planSchema.parse({
      name: 'x',
      library: { otherTB: 1 },
      choices: { school: 'atOnce' },
      household: { watchingHome: 40, converted: 40 },
    })
    const small = {
      ...catalogue,
      machineBases: catalogue.machineBases.filter(({ processor }) => processor === null),
      videoEngines: catalogue.videoEngines.filter(({ kind }) => kind !== 'card'),
    }
    const priced = (price: number) => ({
      ...small,
      processors: small.processors.map(entry => ({ ...entry, price })),
    })
    expect([
      cheapestBuilds(busy, priced(400), 1).length,
      cheapestBuilds(busy, priced(401), 1).length,
    ]).toEqual([1, 0])
  })
  it('lack money alone where the budget is a single euro', () => {
    const [, first] = cheapestBuilds({ ...demo, brief: { ...demo.brief, budget: 1 } }, catalogue, 3)
    expect(first!.lacks).toEqual(['money'])
  })
  it('are there for an empty plan, and for a need that nothing meets', () => {
    // What is not known yet is not lacking.
    expect(cheapestBuilds(newPlan('x'), catalogue, 3).map(entry => entry.lacks)).toEqual([
      [],
      [],
      [],
    ])
    const palace = planSchema.parse({ ...tideMillHouse, library: { otherTB: 900 } })
    const builds = cheapestBuilds(palace, catalogue, 3)
    expect(builds).toHaveLength(4)
    expect(builds[0]!.lacks).toContain('space')
  })
})
