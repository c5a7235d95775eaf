import type { Plan } from '~~/core/plan/planSchema'
import { readPlanText, type ReadPlanResult } from '~~/core/plan/readPlan'

/** Largest plan file that is read, in bytes; the server takes no more either. */
export const planFileLimitBytes = 5_000_000

/** A plan from a chosen file: whole, or every problem. */
export async function readPlanFile(file: Pick<File, 'size' | 'text'>): Promise<ReadPlanResult> {
  if (file.size > planFileLimitBytes) {
    return { ok: false, issues: [{ path: '', code: 'TOO_LARGE', message: `The file has ${Math.round(file.size / 1e6)} MB; a plan may have at most ${planFileLimitBytes / 1e6} MB.` }] }
  }
  return readPlanText(await file.text())
}

/** Name of an exported file: letters, digits and hyphens of the plan's name. */
export function planFileName(plan: Plan): string {
  const stem = plan.name.normalize('NFKD').replace(/\p{Mark}/gu, '').replace(/[^\p{Letter}\p{Number}]+/gu, '-').replace(/^-+|-+$/g, '').toLowerCase()
  return `${stem || 'plan'}.numeron.json`
}

/** Hands a plan to the browser as a file. */
export function downloadPlan(plan: Plan): void {
  const address = URL.createObjectURL(new Blob([JSON.stringify(plan, null, 2), '\n'], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = address
  link.download = planFileName(plan)
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
