import { issuesOf, type PlanIssue } from './issues'
import { migrateDocument } from './migrations'
import type { RawDocument } from './migrations/documentMigration'
import { currentSchemaVersion, planSchema, type Plan } from './planSchema'
import { isDeeperThan, keepAside, type FieldsAside } from './keptAside'
import { unknownFields } from './unknownFields'

export type ReadPlanResult =
  | {
      readonly ok: true
      readonly plan: Plan
      /** paths this version does not know; their values are in plan.keptAside */
      readonly keptAside: readonly string[]
      /** paths of those that are too many, too large or too deep to keep */
      readonly leftOut: readonly string[]
    }
  | { readonly ok: false; readonly issues: readonly PlanIssue[] }

function refuse(path: string, code: string, message: string): ReadPlanResult {
  return { ok: false, issues: [{ path, code, message }] }
}

function isRecord(value: unknown): value is RawDocument {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

const deepestNesting = 40
/**
 * Values in a document, objects and lists counted too. The largest valid plan has about a third of
 * it.
 */
export const maxValues = 100_000

/** Whether a document holds more values than any plan does; stops counting there. */
function isTooMuch(value: unknown): boolean {
  const waiting: unknown[] = [value]
  let count = 0
  while (waiting.length > 0) {
    const entry = waiting.pop()
    if (++count > maxValues) return true
    if (typeof entry === 'object' && entry !== null)
      for (const key in entry) waiting.push((entry as RawDocument)[key])
  }
  return false
}

/**
 * A plan from any parsed JSON value: brought up from older versions, checked whole, unknown fields
 * kept aside.
 * Nothing is half read: either a whole plan, or every problem with its path.
 */
export function readPlan(value: unknown): ReadPlanResult {
  if (!isRecord(value))
    return refuse('', 'NOT_A_PLAN', 'A plan is a JSON object with at least a name.')
  if (isTooMuch(value))
    return refuse(
      '',
      'TOO_MUCH',
      `This document holds more than ${maxValues} values; a plan never does.`,
    )
  if (isDeeperThan(value, deepestNesting))
    return refuse(
      '',
      'TOO_DEEP',
      `This document is nested deeper than ${deepestNesting} levels; a plan never is.`,
    )
  const version = value.schemaVersion ?? currentSchemaVersion
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return refuse(
      'schemaVersion',
      'SCHEMA_VERSION',
      `Schema version must be a whole number from 1 to ${currentSchemaVersion}.`,
    )
  }
  if (version > currentSchemaVersion) {
    return refuse(
      'schemaVersion',
      'SCHEMA_NEWER',
      `This plan was written by a newer Numeron (version ${version}); this one reads up to ` +
        `version ${currentSchemaVersion}. Update Numeron, then open it again.`,
    )
  }
  const document = migrateDocument(value, { from: version, to: currentSchemaVersion })
  // Before the schema looks at it, which takes long over much.
  const before = keepAside(isRecord(document.keptAside) ? (document.keptAside as FieldsAside) : {})
  const parsed = planSchema.safeParse(
    isRecord(document.keptAside) ? { ...document, keptAside: before.kept } : document,
  )
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  const aside = unknownFields(document, parsed.data)
  const known = isRecord(value.keptAside) ? value.keptAside : {}
  const { kept, leftOut } = keepAside({ ...before.kept, ...aside })
  return {
    ok: true,
    plan: { ...parsed.data, keptAside: kept },
    // What this reading put there, a migration's among it; not what was there before.
    keptAside: Object.keys(kept).filter(path => !Object.hasOwn(known, path)),
    leftOut: [...before.leftOut, ...leftOut],
  }
}

/** The same from text. Tells where a cut or broken document stops making sense. */
export function readPlanText(text: string): ReadPlanResult {
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch (error) {
    const reason = error instanceof Error ? error.message : 'unreadable'
    return refuse(
      '',
      'NOT_JSON',
      `This file is not valid JSON (${reason}). Choose a plan exported by Numeron.`,
    )
  }
  return readPlan(value)
}
