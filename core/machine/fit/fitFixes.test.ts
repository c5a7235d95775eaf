import { describe, expect, it } from 'vitest'
import { planAssessor } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { fitSlice } from '../fitting'
import { judgeFit } from './fitFacts'
import { fitContext } from './assembleContext'
import { fitFixes, maxFixes, namesOf } from './fitFixes'

const assessor = planAssessor()
function fixesOf(rule: string, input: Omit<PlanInput, 'name'>) {
  const plan = planSchema.parse({ name: 'x', ...input })
  const sliceOf = (machine: typeof plan.machine) => {
    const changed = { ...plan, machine }
    return fitSlice(
      changed,
      assessor.facts(changed, catalogue, ['machine', 'drives', 'day', 'streams']),
    )
  }
  const slice = sliceOf(plan.machine)
  const stateIn = (machine: typeof plan.machine) => {
    const changed = planSchema.parse({ ...plan, machine })
    const context = fitContext(
      fitSlice(
        changed,
        assessor.facts(changed, catalogue, ['machine', 'drives', 'day', 'streams']),
      ),
    )
    return Object.fromEntries(
      judgeFit(context).map(({ rule: { id }, judgement }) => [id, judgement.state]),
    )
  }
  return {
    plan,
    fixes: fitFixes(slice, rule, { machine: plan.machine, lists: catalogue, sliceOf }),
    stateIn,
  }
}

const sound = [
  { ref: 'leat-17' },
  { ref: 'fern-tower' },
  { ref: 'memory-16' },
  { ref: 'coffer-6' },
  { ref: 'mole-450' },
]

describe('fixes of what does not fit', () => {
  it('the M.2 place that kills two data ports: an SSD by cable, or a controller', () => {
    const { fixes, stateIn } = fixesOf('dataPorts', {
      machine: { base: 'parts', parts: [{ ref: 'lych-15' }, ...sound, { ref: 'flint-500n' }] },
      drives: { lots: [{ count: 6 }] },
    })
    expect(fixes.length).toBeGreaterThan(1)
    expect(fixes.map(({ ref }) => ref)).toContain('knot-2')
    expect(fixes.map(({ price }) => price)).toEqual(
      fixes.map(({ price }) => price).toSorted((a, b) => a - b),
    )
    for (const { machine } of fixes) expect(stateIn(machine).dataPorts).toBe('pass')
  })
  it.each([
    ['socket', { machine: { base: 'towpath', parts: [{ ref: 'race-20' }] } }],
    [
      'supplyForm',
      {
        machine: {
          base: 'parts',
          parts: [{ ref: 'lych-18m' }, { ref: 'leat-17' }, { ref: 'creel-6' }, { ref: 'mole-450' }],
        },
      },
    ],
    [
      'boardInCase',
      { machine: { base: 'parts', parts: [{ ref: 'lych-17' }, { ref: 'creel-6' }] } },
    ],
    ['bootDevice', { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } }],
    ['mouldedPlugs', { machine: { base: 'towpath', parts: [{ ref: 'twine-moulded' }] } }],
    [
      'supplyStart',
      {
        machine: {
          base: 'parts',
          parts: [
            { ref: 'mole-300' },
            { ref: 'turnpike-14' },
            { ref: 'bore-14' },
            { ref: 'coffer-6' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      },
    ],
  ] satisfies [string, Omit<PlanInput, 'name'>][])(
    '%s: each makes the rule pass in a whole assessment and no other worse',
    (rule, input) => {
      const { plan, fixes, stateIn } = fixesOf(rule, input)
      const before = stateIn(plan.machine)
      const rank = { pass: 0, notKnown: 0, warning: 1, fail: 2 }
      expect(fixes.length).toBeGreaterThan(0)
      expect(fixes.length).toBeLessThanOrEqual(maxFixes)
      for (const { machine } of fixes) {
        const after = stateIn(machine)
        expect(rank[after[rule] ?? 'pass']).toBeLessThan(rank[before[rule]!])
        for (const [id, state] of Object.entries(after))
          expect(rank[state], id).toBeLessThanOrEqual(rank[before[id] ?? 'pass'])
      }
    },
  )
  it(
    'of a rule that passes there are none, and a hopeless machine gets none that helps ' +
      'nothing',
    () => {
      expect(
        fixesOf('socket', { machine: { base: 'towpath', parts: [{ ref: 'leat-17' }] } }).fixes,
      ).toEqual([])
      expect(
        fixesOf('bays', { machine: { base: 'clerk-17' }, drives: { lots: [{ count: 60 }] } }).fixes,
      ).toEqual([])
    },
  )
  it('begin with what lies on the shelf, which costs nothing more', () => {
    const machine = { base: 'towpath', parts: [{ ref: 'leat-17' }] }
    const shelf = (count: number) =>
      fixesOf('bootDevice', {
        machine: {
          ...machine,
          parts: [...machine.parts, { ref: 'flint-500n', count, purpose: 'spare', at: 'drawer' }],
        },
      })
    const [first, second] = shelf(1).fixes
    expect(first).toMatchObject({ ref: 'flint-500n', fromShelf: true, price: 0, count: 1 })
    expect(second).toMatchObject({ fromShelf: false })
    expect(first!.machine.parts[1]).toMatchObject({ purpose: 'fitted', at: '', count: 1 })
    expect(shelf(1).stateIn(first!.machine).bootDevice).toBe('pass')
    // Of three two stay there.
    expect(
      shelf(3).fixes[0]!.machine.parts.map(({ ref, count, purpose }) => [ref, count, purpose]),
    ).toEqual([
      ['leat-17', 1, 'fitted'],
      ['flint-500n', 2, 'spare'],
      ['flint-500n', 1, 'fitted'],
    ])
    // What is too few for the fix, or of another kind, stays where it is.
    const frames = (count: number) =>
      fixesOf('driveFrames', {
        machine: {
          base: 'parts',
          parts: [{ ref: 'coffer-4' }, { ref: 'twine-frame', count, purpose: 'later' }],
        },
        drives: { lots: [{ count: 4, model: 'eddy-2' }] },
      }).fixes.filter(({ fromShelf }) => fromShelf)
    expect([frames(1).length, frames(2).length]).toEqual([0, 1])
    expect(
      fixesOf('socket', {
        machine: {
          base: 'towpath',
          parts: [{ ref: 'race-20' }, { ref: 'leat-17', purpose: 'spare' }],
        },
      }).fixes[0],
    ).toMatchObject({ ref: 'leat-17', fromShelf: true, how: 'replace' })
  })
  it('of unlike memory keep as much of it, in one size', () => {
    const { fixes } = fixesOf('memoryPairs', {
      machine: {
        base: 'parts',
        parts: [{ ref: 'lych-17' }, { ref: 'memory-8' }, { ref: 'memory-16' }],
      },
    })
    expect(fixes.map(({ ref, count }) => [ref, count])).toContainEqual(['memory-16', 2])
    for (const { ref, count } of fixes)
      expect(
        count * catalogue.memoryModules.find(({ id }) => id === ref)!.memoryGB,
      ).toBeGreaterThanOrEqual(24)
    // The stick that a machine comes with counts as one of them.
    expect(
      fixesOf('memoryPairs', {
        machine: { base: 'clerk-17', parts: [{ ref: 'memory-16' }] },
      }).fixes.map(({ ref, count }) => [ref, count]),
    ).toEqual([])
  })
  it('names what goes out', () =>
    expect(namesOf(['leat-17', 'cardEntry', 'memory-8', 'mole-450', 'gone'], catalogue)).toEqual([
      'Leat 17',
      'Card, entry',
      'Memory, 8 GB',
      'Mole 450',
      'gone',
    ]))
})
