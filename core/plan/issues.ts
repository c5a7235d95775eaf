import type { z } from 'zod'

/** One thing wrong with what somebody entered or imported. */
export interface PlanIssue {
  /** dotted path of the field, '' for the whole document */
  readonly path: string
  readonly code: string
  /** what is allowed, in a sentence */
  readonly message: string
}

/** The schema's complaints as plain values. */
export function issuesOf(error: z.core.$ZodError): PlanIssue[] {
  return error.issues.map(issue => ({
    path: issue.path.map(String).join('.'),
    code: issue.code.toUpperCase(),
    message: issue.message,
  }))
}
