import type { Plan, PlanInput } from '~~/core/plan/planSchema'
import type { PlanEntry, PlanPage, StoredPlan } from '~~/core/plan/storedPlan'

/** A refusal by the server; status 0 when it did not answer at all. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: readonly { path: string, message: string }[] = [],
    /** with 409: what is stored now */
    readonly current: StoredPlan | null = null,
    /** with 409, of a plan that this version cannot read: its text as it is stored */
    readonly raw: string | null = null,
  ) {
    super(message)
    this.name = 'ApiProblem'
  }
}

async function request<Answer>(method: string, path: string, body?: unknown): Promise<Answer> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
  }
  catch {
    throw new ApiProblem(0, 'The server does not answer.')
  }
  if (response.status === 204) return undefined as Answer
  let answer: unknown
  try {
    answer = await response.json()
  }
  catch {
    throw new ApiProblem(response.ok ? 0 : response.status, 'The server\'s answer was cut off.')
  }
  if (response.ok) return answer as Answer
  const problem = answer as { detail?: string, errors?: { path: string, message: string }[], current?: StoredPlan, raw?: string }
  throw new ApiProblem(response.status, problem.detail ?? 'The server refused.', problem.errors, problem.current ?? null, problem.raw ?? null)
}

/** All pages of the list. A plan that is saved meanwhile comes to the front: it stands once, as it was met last. */
async function listAll(): Promise<PlanEntry[]> {
  const found = new Map<string, PlanEntry>()
  for (let after: string | null = ''; after !== null;) {
    const page: PlanPage = await request<PlanPage>('GET', after ? `/api/plans?after=${encodeURIComponent(after)}` : '/api/plans')
    for (const entry of page.plans) found.set(entry.id, entry)
    after = page.next
  }
  return [...found.values()]
}

export const planApi = {
  list: listAll,
  /** the plan that was saved last; null when there is none */
  latest: () => request<PlanPage>('GET', '/api/plans?limit=1').then(({ plans }) => plans[0] ?? null),
  get: (id: string) => request<StoredPlan>('GET', `/api/plans/${id}`),
  create: (plan: PlanInput | Plan) => request<StoredPlan>('POST', '/api/plans', plan),
  save: (id: string, version: number, plan: Plan) => request<StoredPlan>('PUT', `/api/plans/${id}`, { version, plan }),
  remove: (id: string) => request<undefined>('DELETE', `/api/plans/${id}`),
  archive: (id: string, archived: boolean) => request<undefined>('POST', `/api/plans/${id}/archive`, { archived }),
  restore: (id: string) => request<StoredPlan>('POST', `/api/plans/${id}/restore`, {}),
}

export type PlanApi = typeof planApi
