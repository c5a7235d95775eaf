import type { Assessment } from '../../core/assess'
import { planAssessor } from '../../core/assess'
import { catalogue } from '../../core/catalogue/catalogue'
import type { Figure } from '../../core/figure'
import type { Plan } from '../../core/plan/planSchema'
import { drawFrom, leafPaths, otherValues, withValue } from '../plans/drawPlan'

type Figures = Assessment['figures']

/** Every field that a figure follows from, by its inputs and theirs. */
function reachIn(figures: Figures): (id: string) => ReadonlySet<string> {
  const known = new Map<string, Set<string>>()
  const visit = (id: string): Set<string> => {
    const found = known.get(id)
    if (found) return found
    const reach = new Set<string>()
    known.set(id, reach)
    for (const input of figures[id]!.inputs)
      if (figures[input]) visit(input).forEach(path => reach.add(path))
      else reach.add(input)
    return reach
  }
  return visit
}

function reaches(reach: ReadonlySet<string>, path: string): boolean {
  const keys = path.split('.')
  return (
    keys.some((_, at) => reach.has(keys.slice(0, at + 1).join('.'))) ||
    [...reach].some(input => input.startsWith(`${path}.`))
  )
}

const alike = (a: number | null, b: number | null): boolean =>
  a === b || (a !== null && b !== null && Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a)))
const moved = (before: Figure, after: Figure): boolean =>
  (['value', 'low', 'high'] as const).some(end => !alike(before[end], after[end]))

/**
 * Changes every field of a plan, one at a time, and tells which figures move although their inputs
 * never reach that field: 'figure <- field'.
 * @param most other values that are tried for each field
 */
export function unreached(plan: Plan, seed: number, most = Infinity): string[] {
  const draw = drawFrom(seed)
  const assessor = planAssessor()
  const { figures } = assessor.assess(plan, catalogue)
  const reachOf = reachIn(figures)
  const found = new Set<string>()
  for (const path of leafPaths(plan)) {
    for (const value of otherValues(plan, path, draw).slice(0, most)) {
      const changed = withValue(plan, path, value)
      if (!changed) continue
      const { figures: after } = assessor.assess(changed, catalogue)
      for (const figure of Object.values(figures)) {
        const now = after[figure.id]
        if (!now || !moved(figure, now) || reaches(reachOf(figure.id), path)) continue
        found.add(`${figure.id} <- ${path}: ${JSON.stringify(value)}`)
      }
    }
  }
  return [...found]
}
