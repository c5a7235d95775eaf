import type { Plan } from '~~/core/plan/planSchema'

/** Name of an exported file: letters, digits and hyphens of the plan's name. */
export function planFileName(plan: Plan): string {
  const stem = plan.name.normalize('NFKD').replace(/\p{Mark}/gu, '').replace(/[^\p{Letter}\p{Number}]+/gu, '-').replace(/^-+|-+$/g, '').toLowerCase()
  return `${stem || 'plan'}.numeron.json`
}

/** Hands a text to the browser as a file. */
export function downloadText(name: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}

/** Hands a plan to the browser as a file. */
export function downloadPlan(plan: Plan): void {
  downloadText(planFileName(plan), `${JSON.stringify(plan, null, 2)}\n`)
}
