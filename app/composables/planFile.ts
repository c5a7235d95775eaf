import type { ReadPlanResult } from '~~/core/plan/readPlan'

/** Largest plan file that is read, in bytes; the server takes no more either. */
export const planFileLimitBytes = 5_000_000

/** A plan from a chosen file: whole, or every problem. */
export async function readPlanFile(file: Pick<File, 'size' | 'text'>): Promise<ReadPlanResult> {
  if (file.size > planFileLimitBytes) {
    return {
      ok: false,
      issues: [
        {
          path: '',
          code: 'TOO_LARGE',
          message:
            `The file is ${Math.round(file.size / 1e6)} MB; a plan can be at most ` +
            `${planFileLimitBytes / 1e6} MB.`,
        },
      ],
    }
  }
  // With the schema, which the list of plans does not need otherwise.
  const { readPlanText } = await import('~~/core/plan/readPlan')
  return readPlanText(await file.text())
}
