import { plans } from './plans'

/** What was found out so long ago is found out anew, ms; until it is, the answer stays the same. */
export const healthFreshMs = 1000
/** What was found out so long ago is not told any more, ms. */
export const healthKeptMs = 10_000

export interface Health {
  readonly status: 'ok'
  readonly plans: number
}

let last: { readonly health: Health; readonly at: number } | null = null
let asking: Promise<Health> | null = null

function ask(): Promise<Health> {
  asking ??= plans()
    .then(repository => repository.count())
    .then(
      count => {
        last = { health: { status: 'ok', plans: count }, at: Date.now() }
        return last.health
      },
      (error: unknown) => {
        last = null
        throw error
      },
    )
    .finally(() => {
      asking = null
    })
  return asking
}

/**
 * Whether the database can be used, and how many plans it holds. Asked often, or while many save,
 * it does not wait for the
 * database: what was found out lately is told at once, and found out anew meanwhile.
 * @throws {DatabaseProblem} with what to do
 */
export async function health(now = Date.now()): Promise<Health> {
  const age = last ? now - last.at : Infinity
  if (last && age < healthFreshMs) return last.health
  const anew = ask()
  if (!last || age >= healthKeptMs) return anew
  anew.catch(() => {
    /* told from the next time on */
  })
  return last.health
}
