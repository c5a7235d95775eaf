import { z } from 'zod'
import { CoreRangeError } from '../errors'
import { issuesOf, type PlanIssue } from './issues'
import { narrowestSchema } from './narrowestSchema'
import { valueAt, withValueAt } from './paths'
import { planSchema, type Plan } from './planSchema'

export type EditResult =
  | { readonly ok: true; readonly plan: Plan }
  | { readonly ok: false; readonly issues: readonly PlanIssue[] }

/**
 * The plan with one field, list or entry set, or what is wrong with that value. The given plan is
 * never changed.
 * @throws {CoreRangeError} EDIT_UNDEFINED: a field is emptied with null, never with undefined;
 *   NO_SUCH_PATH
 */
export function editPlan(plan: Plan, path: string, value: unknown): EditResult {
  if (value === undefined) throw new CoreRangeError('EDIT_UNDEFINED', { path })
  const changed = withValueAt(plan, path, value)
  const { schema, path: checked } = narrowestSchema(planSchema, path)
  const parsed = z.safeParse(schema, checked === '' ? changed : valueAt(changed, checked))
  if (!parsed.success)
    return {
      ok: false,
      issues: issuesOf(parsed.error).map(issue => ({
        ...issue,
        path: [checked, issue.path].filter(Boolean).join('.'),
      })),
    }
  // A list or an object takes the defaults of what it leaves out; the rest of the plan stays the
  // very same.
  if (typeof value !== 'object' || value === null) return { ok: true, plan: changed }
  const within = path.slice(checked.length).replace(/^\./, '')
  return {
    ok: true,
    plan: withValueAt(plan, path, within === '' ? parsed.data : valueAt(parsed.data, within)),
  }
}
