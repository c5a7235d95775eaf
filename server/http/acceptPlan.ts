import { readPlan } from '~~/core/plan/readPlan'
import { unprocessable } from './problem'

/** A whole plan from a parsed body, or a problem with every field that is off. */
export function acceptPlan(value: unknown) {
  const result = readPlan(value)
  if (!result.ok) throw unprocessable(result.issues)
  return result
}
