import { issuesOf, type PlanIssue } from './issues'
import { migrateDocument, type RawDocument } from './migrations'
import { currentSchemaVersion, planSchema, type Plan } from './planSchema'
import { unknownFields } from './unknownFields'

export type ReadPlanResult
  = | { readonly ok: true, readonly plan: Plan, /** paths this version does not know; their values are in plan.keptAside */ readonly keptAside: readonly string[] }
    | { readonly ok: false, readonly issues: readonly PlanIssue[] }

function refuse(path: string, code: string, message: string): ReadPlanResult {
  return { ok: false, issues: [{ path, code, message }] }
}

function isRecord(value: unknown): value is RawDocument {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

const deepestNesting = 40

/** Whether a value is nested deeper than any plan is; looks level by level, so that depth itself cannot hurt it. */
function isTooDeep(value: unknown): boolean {
  let level: unknown[] = [value]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > deepestNesting) return true
    level = level.flatMap(entry => typeof entry === 'object' && entry !== null ? Object.values(entry) : [])
  }
  return false
}

/**
 * A plan from any parsed JSON value: brought up from older versions, checked whole, unknown fields kept aside.
 * Nothing is half read: either a whole plan, or every problem with its path.
 */
export function readPlan(value: unknown): ReadPlanResult {
  if (!isRecord(value)) return refuse('', 'NOT_A_PLAN', 'A plan is a JSON object with at least a name.')
  if (isTooDeep(value)) return refuse('', 'TOO_DEEP', `This document is nested deeper than ${deepestNesting} levels; a plan never is.`)
  const version = value.schemaVersion ?? currentSchemaVersion
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return refuse('schemaVersion', 'SCHEMA_VERSION', `Schema version must be a whole number from 1 to ${currentSchemaVersion}.`)
  }
  if (version > currentSchemaVersion) {
    return refuse('schemaVersion', 'SCHEMA_NEWER', `This plan was written by a newer Numeron (version ${version}); this one reads up to version ${currentSchemaVersion}. Update Numeron, then open it again.`)
  }
  const document = migrateDocument(value, { from: version, to: currentSchemaVersion })
  const parsed = planSchema.safeParse(document)
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  const aside = unknownFields(document, parsed.data)
  const plan = { ...parsed.data, keptAside: { ...parsed.data.keptAside, ...aside } }
  const checked = planSchema.safeParse(plan)
  if (!checked.success) return { ok: false, issues: issuesOf(checked.error) }
  return { ok: true, plan: checked.data, keptAside: Object.keys(aside) }
}

/** The same from text. Tells where a cut or broken document stops making sense. */
export function readPlanText(text: string): ReadPlanResult {
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  }
  catch (error) {
    const reason = error instanceof Error ? error.message : 'unreadable'
    return refuse('', 'NOT_JSON', `This file is not valid JSON (${reason}). Choose a plan exported by Numeron.`)
  }
  return readPlan(value)
}
