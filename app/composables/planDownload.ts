import type { Plan } from '~~/core/plan/planSchema'

/** Letters, digits and hyphens of the plan's name, as the beginning of a file's name. */
export function planFileStem(plan: Pick<Plan, 'name'>): string {
  const stem = plan.name
    .normalize('NFKD')
    .replace(/\p{Mark}/gu, '')
    .replace(/[^\p{Letter}\p{Number}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
  return stem || 'plan'
}

/** Name of an exported plan. */
export function planFileName(plan: Pick<Plan, 'name'>): string {
  return `${planFileStem(plan)}.numeron.json`
}

/** Hands a text to the browser as a file. */
export function downloadText(name: string, text: string, type = 'application/json'): void {
  const address = URL.createObjectURL(new Blob([text], { type }))
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
