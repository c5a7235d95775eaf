import type { Plan, PlanInput } from '~~/core/plan/planSchema'
import type { PlanEntry, StoredPlan } from '~~/core/plan/storedPlan'

/** A refusal by the server; status 0 when it did not answer at all. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: readonly { path: string, message: string }[] = [],
    /** with 409: what is stored now */
    readonly current: StoredPlan | null = null,
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
  const problem = answer as { detail?: string, errors?: { path: string, message: string }[], current?: StoredPlan }
  throw new ApiProblem(response.status, problem.detail ?? 'The server refused.', problem.errors, problem.current ?? null)
}

export const planApi = {
  list: () => request<{ plans: PlanEntry[] }>('GET', '/api/plans').then(answer => answer.plans),
  get: (id: string) => request<StoredPlan>('GET', `/api/plans/${id}`),
  create: (plan: PlanInput | Plan) => request<StoredPlan>('POST', '/api/plans', plan),
  save: (id: string, version: number, plan: Plan) => request<StoredPlan>('PUT', `/api/plans/${id}`, { version, plan }),
  remove: (id: string) => request<undefined>('DELETE', `/api/plans/${id}`),
  archive: (id: string, archived: boolean) => request<undefined>('POST', `/api/plans/${id}/archive`, { archived }),
  restore: (id: string) => request<StoredPlan>('POST', `/api/plans/${id}/restore`, {}),
}

export type PlanApi = typeof planApi
