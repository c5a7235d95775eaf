import { planField } from './planField'
import type { Plan } from './planSchema'
import { valueAt } from './paths'

export interface PlanDifference {
  readonly path: string
  readonly label: string
  readonly mine: unknown
  readonly theirs: unknown
}

function isContainer(value: unknown): value is object {
  return typeof value === 'object' && value !== null
}

function keysOf(value: unknown): string[] {
  return isContainer(value) ? Object.keys(value) : []
}

/** A field's label with that of its section, such as 'Drives: Size'. */
function labelOf(path: string): string {
  const [section = ''] = path.split('.')
  const field = planField(path)?.label ?? path
  const outer = planField(section)?.label
  return outer && outer !== field ? `${outer}: ${field}` : field
}

/**
 * Every field in which two plans differ, in the order of the document; a list of another length
 * counts as one field.
 */
export function planDifferences(mine: Plan, theirs: Plan): PlanDifference[] {
  const found: PlanDifference[] = []
  const visit = (path: string) => {
    const [a, b] = [valueAt(mine, path), valueAt(theirs, path)]
    if (a === b) return
    const sameShape =
      isContainer(a) &&
      isContainer(b) &&
      Array.isArray(a) === Array.isArray(b) &&
      (!Array.isArray(a) || a.length === (b as unknown[]).length)
    if (sameShape && path !== 'keptAside') keysOf(a).forEach(key => visit(`${path}.${key}`))
    else if (JSON.stringify(a) !== JSON.stringify(b))
      found.push({ path, label: labelOf(path), mine: a, theirs: b })
  }
  Object.keys(mine).forEach(visit)
  return found
}
