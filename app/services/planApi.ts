import type { Plan, PlanInput } from '~~/core/plan/planSchema'
import type { PlanEntry, PlanPage, StoredPlan } from '~~/core/plan/storedPlan'
import { request } from './apiRequest'

export { ApiProblem } from './apiRequest'

/**
 * All pages of the list. A plan that is saved meanwhile comes to the front: it stands once, as it
 * was met last.
 */
async function listAll(): Promise<PlanEntry[]> {
  const found = new Map<string, PlanEntry>()
  for (let after: string | null = ''; after !== null;) {
    const page: PlanPage = await request<PlanPage>(
      'GET',
      after ? `/api/plans?after=${encodeURIComponent(after)}` : '/api/plans',
    )
    for (const entry of page.plans) found.set(entry.id, entry)
    after = page.next
  }
  return [...found.values()]
}

export const planApi = {
  list: listAll,
  /** the plan that was saved last; null when there is none */
  latest: () =>
    request<PlanPage>('GET', '/api/plans?limit=1').then(({ plans }) => plans[0] ?? null),
  get: (id: string) => request<StoredPlan>('GET', `/api/plans/${id}`),
  create: (plan: PlanInput | Plan) => request<StoredPlan>('POST', '/api/plans', plan),
  save: (id: string, version: number, plan: Plan) =>
    request<StoredPlan>('PUT', `/api/plans/${id}`, { version, plan }),
  remove: (id: string) => request<undefined>('DELETE', `/api/plans/${id}`),
  archive: (id: string, archived: boolean) =>
    request<undefined>('POST', `/api/plans/${id}/archive`, { archived }),
  restore: (id: string) => request<StoredPlan>('POST', `/api/plans/${id}/restore`, {}),
}

export type PlanApi = typeof planApi
