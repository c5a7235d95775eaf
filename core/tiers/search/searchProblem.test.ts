import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { planSchema } from '../../plan/planSchema'
import { freely } from '../../../tests/stubs/freely'
import { searchBasis } from './buildSearch'
import { searchProblem } from './searchProblem'
import type { State } from './searchState'

const plan = planSchema.parse({
  ...freely(tideMillHouse),
  // Prices count by what is kept of them, and electricity for little.
  costs: { ...tideMillHouse.costs, resaleShare: 0.4, pricePerKWh: 0.01 },
})
const basis = searchBasis({ plan, copy: null, staying: plan, isUnmet: false }, catalogue)

describe.each(['now', 'horizon', 'change'] as const)('a question by %s', objective => {
  const problem = searchProblem(basis, { objective, ways: null, cap: null, without: ['streams'] })
  const branches = (state: State, upTo: number) => [...(problem.branch(state, upTo) ?? [])]

  it('leaves out by a limit just what costs more than it, at every step', () => {
    let looked = 0
    // One state of each depth, along the cheapest way and along one in the middle.
    for (const pick of [0, 0.5]) {
      let state = problem.root
      for (let depth = 0; depth < 12; depth++) {
        const all = branches(state, Infinity)
        if (all.length === 0) break
        const bounds = all.map(({ bound }) => bound)
        const step = Math.max(1, Math.floor(bounds.length / 40))
        for (let at = 0; at < bounds.length; at += step) {
          const upTo = bounds[at]! + 1e-9
          // The frames come all at once; the search itself stops at its limit.
          const kept = branches(state, upTo)
            .map(({ bound }) => bound)
            .filter(bound => bound <= upTo)
          expect(kept).toEqual(bounds.filter(bound => bound <= upTo))
          looked += kept.length
        }
        state = all[Math.floor(pick * (all.length - 1))]!.state
      }
    }
    expect(looked).toBeGreaterThan(100)
  })
  it('never tells less for a way than for where it comes from', () => {
    let state = problem.root
    let least = problem.least()
    for (let depth = 0; depth < 12; depth++) {
      const [first] = branches(state, Infinity)
      if (!first) break
      expect(first.bound).toBeGreaterThanOrEqual(least - 1e-9)
      least = first.bound
      state = first.state
    }
  })
})
