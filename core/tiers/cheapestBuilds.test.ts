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
