import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { newPlan, planSchema } from '../plan/planSchema'
import { applyBuild, cheapestBuilds } from './cheapestBuilds'

const demo = planSchema.parse(tideMillHouse)
const fails = (plan: typeof demo) => assess(plan, catalogue).verdicts.filter(({ state }) => state === 'short' || state === 'impossible').map(verdict => verdict.id)

describe('the cheapest builds for a need', () => {
  it('meet it, once applied, at the price they say, cheapest first', () => {
    const builds = cheapestBuilds({ ...demo, brief: { ...demo.brief, budget: null } }, catalogue, 4)
    const meeting = builds.filter(entry => entry.lacks.length === 0)
    expect(meeting.length).toBeGreaterThan(1)
    const prices = meeting.map(entry => entry.evaluation.toPay)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
    for (const { build, evaluation, lacks } of builds) {
      const applied = applyBuild({ ...demo, brief: { ...demo.brief, budget: null } }, build, catalogue)
      expect(planSchema.parse(applied)).toEqual(applied)
      expect(fails(applied)).toEqual(lacks)
      expect(assess(applied, catalogue).figures['ownership.purchase']!.value).toBe(evaluation.toPay)
      expect(applied.machine.name).not.toBe('')
    }
  })
  it('are those that going through every choice finds, on a small catalogue', () => {
    const small = { ...catalogue, machineBases: catalogue.machineBases.slice(0, 2), processors: catalogue.processors.filter(({ price }) => price > 0 && price <= 400).slice(0, 3) }
    const plan = { ...demo, brief: { ...demo.brief, budget: null } }
    const found = cheapestBuilds(plan, small, 2)
    for (const { build, evaluation, lacks } of found) {
      const base = small.machineBases.find(({ id }) => id === build.base)!
      let best = { lacks: Infinity, toPay: Infinity }
      for (const card of [null, 'cardEntry', 'cardModern']) {
        for (const processor of base.processor === null ? small.processors.map(({ id }) => id) : [null]) {
          for (const [layout, counts, fileSystem] of [['separate', [1, 2, 3, 4, 5, 6, 8], 'journalled'], ['mirror', [2], 'journalled'], ['rotating-1', [3, 4, 5, 6, 8], 'copyOnWrite'], ['rotating-2', [4, 5, 6, 8], 'copyOnWrite']] as const) {
            for (const count of counts) {
              for (const sizeTB of [4, 8, 12, 16, 20, 24]) {
                if (count > base.bays) continue
                const applied = applyBuild(plan, { base: base.id, converter: { processor, card, memory: processor === null ? null : 'memory-16' }, pool: { driveClass: 'nas', sizeTB, count, layout, fileSystem } }, small)
                const candidate = { lacks: fails(applied).length, toPay: assess(applied, small).figures['ownership.purchase']!.value! }
                if (candidate.lacks < best.lacks || (candidate.lacks === best.lacks && candidate.toPay < best.toPay)) best = candidate
              }
            }
          }
        }
      }
      expect({ lacks: lacks.length, toPay: evaluation.toPay }).toEqual(best)
    }
  }, 120_000)
  it('stand on bases of their own', () => {
    const bases = cheapestBuilds(demo, catalogue, 9).map(entry => entry.build.base)
    expect(new Set(bases).size).toBe(bases.length)
    expect(bases).toHaveLength(catalogue.machineBases.length)
  })
  it('lack money alone where the budget is a single euro', () => {
    const [first] = cheapestBuilds({ ...demo, brief: { ...demo.brief, budget: 1 } }, catalogue, 3)
    expect(first!.lacks).toEqual(['money'])
  })
  it('are there for an empty plan, and for a need that nothing meets', () => {
    // What is not known yet is not lacking.
    expect(cheapestBuilds(newPlan('x'), catalogue, 3).map(entry => entry.lacks)).toEqual([[], [], []])
    const palace = planSchema.parse({ ...tideMillHouse, library: { otherTB: 900 } })
    const builds = cheapestBuilds(palace, catalogue, 3)
    expect(builds).toHaveLength(3)
    expect(builds[0]!.lacks).toContain('space')
  })
})
