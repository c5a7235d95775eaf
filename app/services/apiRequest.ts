import type { StoredPlan } from '~~/core/plan/storedPlan'
import { goToSignIn } from './signInAddress'

/** A refusal by the server; status 0 when it did not answer at all. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: readonly { path: string; message: string }[] = [],
    /** with 409: what is stored now */
    readonly current: StoredPlan | null = null,
    /** with 409, of a plan that this version cannot read: its text as it is stored */
    readonly raw: string | null = null,
  ) {
    super(message)
    this.name = 'ApiProblem'
  }
}

/**
 * Asks the server. Whoever reads something while signed out is sent to the page that signs in; what
 * would change something is
 * refused instead, so that nothing which was entered is left behind.
 * @throws {ApiProblem}
 */
export async function request<Answer>(
  method: string,
  path: string,
  body?: unknown,
): Promise<Answer> {
  let response: Response
  try {
    response = await fetch(path, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
  } catch {
    throw new ApiProblem(0, 'The server does not answer.')
  }
  if (response.status === 204) return undefined as Answer
  let answer: unknown
  try {
    answer = await response.json()
  } catch {
    throw new ApiProblem(response.ok ? 0 : response.status, "The server's answer was cut off.")
  }
  if (response.ok) return answer as Answer
  if (response.status === 401 && method === 'GET') goToSignIn()
  const problem = answer as {
    detail?: string
    errors?: { path: string; message: string }[]
    current?: StoredPlan
    raw?: string
  }
  throw new ApiProblem(
    response.status,
    problem.detail ?? 'The server refused.',
    problem.errors,
    problem.current ?? null,
    problem.raw ?? null,
  )
}
