import { describe, expect, it } from 'vitest'
import { assess } from './assess'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { exactly } from './figure'
import { newPlan, planSchema, type PlanInput } from './plan/planSchema'
import { headroomOrder } from './headrooms'
import { verdictStates, type Verdict, type VerdictState } from './verdict'
import { joinClauses, overallAnswer, verdictClause } from './verdictClauses'

const verdict = (id: string, state: VerdictState, rest: Partial<Verdict> = {}): Verdict => ({
  id,
  label: id,
  domain: id,
  unit: '',
  asked: null,
  possible: null,
  share: null,
  state,
  sentence: '',
  figures: [],
  ...rest,
})
const overall = (plan: PlanInput) =>
  overallAnswer(
    assess(planSchema.parse(plan), catalogue).verdicts,
    plan.brief?.budget !== undefined,
  )

describe('the answer for a whole plan', () => {
  it('has a clause of its own for every headroom and state', () => {
    for (const id of headroomOrder)
      for (const state of verdictStates)
        expect(verdictClause(verdict(id, state)), `${id} ${state}`).not.toContain(`${id} is`)
    expect(verdictClause(verdict('noise', 'short'))).toBe('noise is short')
  })
  it('tells too few at once from falling behind', () => {
    expect(
      verdictClause(verdict('streams', 'short', { asked: exactly(3), possible: exactly(2) })),
    ).toBe('the machine cannot convert enough at once')
    expect(
      verdictClause(verdict('streams', 'short', { asked: exactly(3), possible: exactly(3) })),
    ).toBe('the machine falls behind for too long')
  })
  it('tells too few bays from parts that do not go together', () => {
    const fit = (asked: number, possible: number) =>
      verdictClause(verdict('fit', 'short', { asked: exactly(asked), possible: exactly(possible) }))
    expect([fit(4, 2), fit(2, 4), fit(0, 0)]).toEqual([
      'there are too few bays',
      'what is in the machine does not go together',
      'what is in the machine does not go together',
    ])
  })
  it('tells missing copies from drives that survive too little', () => {
    const survival = (state: VerdictState, ofBuild: VerdictState) =>
      verdictClause({ ...verdict('survival', state), ofBuild })
    expect([
      survival('short', 'enough'),
      survival('tight', 'ample'),
      survival('short', 'short'),
    ]).toEqual([
      'what is irreplaceable has no copy outside the machine',
      'what is irreplaceable has no copy away from home',
      'it survives too few failed drives',
    ])
  })
  it('is no before it is open, open before it is just yes', () => {
    const states = (...list: VerdictState[]) =>
      overallAnswer(
        list.map((state, at) => verdict(headroomOrder[at]!, state)),
        true,
      ).answer
    expect(states('ample', 'unknown', 'short')).toBe('no')
    expect(states('ample', 'unknown', 'tight')).toBe('open')
    expect(states('ample', 'tight', 'enough')).toBe('just')
    expect(states('ample', 'enough')).toBe('yes')
    expect(states('impossible')).toBe('no')
  })
  it('asks about money only where there is a budget', () => {
    const list = [verdict('streams', 'ample'), verdict('money', 'unknown')]
    expect(overallAnswer(list, false).answer).toBe('yes')
    expect(overallAnswer(list, true)).toEqual({
      answer: 'open',
      because: 'a price that counts is not known',
    })
  })
  it('of the demo, of an empty plan and of a palace', () => {
    expect(overall(tideMillHouse)).toEqual({
      answer: 'no',
      because:
        'the machine falls behind for too long, the library outgrows the drives and what is ' +
        'irreplaceable has no copy outside the machine',
    })
    expect(overallAnswer(assess(newPlan('x'), catalogue).verdicts, false).answer).toBe('open')
    expect(
      overall({
        ...tideMillHouse,
        library: { otherTB: 1 },
        machine: { ...tideMillHouse.machine, score: 90_000, cores: 32 },
      }).answer,
    ).not.toBe('no')
  })
  it('joins clauses as people do', () =>
    expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(joinClauses)).toEqual([
      '',
      'a',
      'a and b',
      'a, b and c',
    ]))
})
