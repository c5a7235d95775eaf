import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { drawFrom, drawPlan, leafPaths } from '../../tests/plans/drawPlan'
import { editPlan, type EditResult } from './editPlan'
import { issuesOf } from './issues'
import { narrowestSchema } from './narrowestSchema'
import { valueAt, withValueAt } from './paths'
import { planSchema, type Plan } from './planSchema'

/** The same by the slow definition: the whole plan is checked after the edit. */
function slowly(plan: Plan, path: string, value: unknown): EditResult {
  const changed = withValueAt(plan, path, value)
  const parsed = planSchema.safeParse(changed)
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  return {
    ok: true,
    plan:
      typeof value === 'object' && value !== null
        ? withValueAt(plan, path, valueAt(parsed.data, path))
        : changed,
  }
}

const demo = planSchema.parse(tideMillHouse)
const ofOwnParts = planSchema.parse({
  ...tideMillHouse,
  machine: {
    ...tideMillHouse.machine,
    ownParts: [
      { id: 'a', label: 'A', kind: 'supply', traits: { ratingW: 400 } },
      { id: 'b', label: 'B', kind: 'fan', traits: { sizeMm: 120, rpm: 900 } },
    ],
  },
  drives: { lots: [{ count: 30 }, { count: 28 }] },
})
/** Containers on the way to every leaf: sections, lists, entries. */
const containers = (plan: Plan) => [
  ...new Set(
    leafPaths(plan).flatMap(path =>
      path.split('.').map((_, at, keys) => keys.slice(0, at).join('.')),
    ),
  ),
]

describe('an edit', () => {
  it('ends as a check of the whole plan does, for every field and values of every kind', () => {
    for (const [seed, plan] of [demo, ofOwnParts, drawPlan(7)].entries()) {
      const { pick } = drawFrom(seed + 1)
      for (const path of leafPaths(plan)) {
        const values = [null, -1, 0, 1.5, 3, 70, 1e9, '', 'a', 'new', '2027-03', true, [], {}]
        for (const value of [pick(values), pick(values), valueAt(plan, path)])
          expect(editPlan(plan, path, value), `${path} = ${JSON.stringify(value)}`).toEqual(
            slowly(plan, path, value),
          )
      }
    }
  })
  it('ends so too for whole sections, lists and entries, which take their defaults', () => {
    for (const plan of [demo, ofOwnParts])
      for (const path of containers(plan).filter(Boolean))
        for (const value of [{}, [], [{}], [{ id: 'x' }], 5, null, valueAt(plan, path)])
          expect(editPlan(plan, path, value), `${path} = ${JSON.stringify(value)}`).toEqual(
            slowly(plan, path, value),
          )
  })
  it('keeps what looks at a whole list: names that are taken, drives in all', () => {
    const issuesAt = (path: string, value: unknown) => {
      const result = editPlan(ofOwnParts, path, value)
      return result.ok ? [] : result.issues.map(issue => issue.path)
    }
    expect(issuesAt('machine.ownParts.1.id', 'a')).toEqual(['machine.ownParts.1.id'])
    expect(issuesAt('machine.ownParts.1.id', 'c')).toEqual([])
    expect(issuesAt('machine.ownParts.1.kind', 'supply')).toContain('machine.ownParts.1.traits')
    expect(issuesAt('drives.lots.0.count', 32)).toEqual([])
    expect(issuesAt('drives.lots.0.count', 33)).toEqual(['drives.lots'])
  })
  it('checks no more than it can break', () => {
    const checked = (path: string) => narrowestSchema(planSchema, path).path
    expect(
      [
        'name',
        'network.uploadMbps',
        'machine.score',
        'machine.parts.3.price',
        'machine.ownParts.1.price',
        'machine.ownParts.1.id',
        'machine.ownParts',
        'drives.lots.0.count',
        'household.viewers.2.name',
        'network.nothing',
      ].map(checked),
    ).toEqual([
      'name',
      'network.uploadMbps',
      'machine.score',
      'machine.parts.3.price',
      'machine.ownParts.1',
      'machine.ownParts',
      'machine.ownParts',
      'drives.lots',
      'household.viewers.2.name',
      'network',
    ])
  })
})
