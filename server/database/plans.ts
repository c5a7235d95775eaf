import { planSchema } from '~~/core/plan/planSchema'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { planRepository, type PlanRepository } from '../repositories/planRepository'
import { databaseFile } from './location'
import { openDatabase } from './open'

const daysDeletedPlansAreKept = 30

/** Ends what was deleted long ago, and puts the demo plan into an empty database when asked to. */
async function prepare(repository: PlanRepository): Promise<PlanRepository> {
  await repository.purgeDeletedBefore(new Date(Date.now() - daysDeletedPlansAreKept * 86_400_000))
  if (process.env.NUMERON_DEMO === '1' && await repository.count() === 0) await repository.create(planSchema.parse(tideMillHouse))
  return repository
}

let opening: Promise<PlanRepository> | null = null

/** The plans of this server; the database is opened once, at the first call. A failed opening is tried again. */
export function plans(): Promise<PlanRepository> {
  opening ??= openDatabase(databaseFile()).then(planRepository).then(prepare).catch((error: unknown) => {
    opening = null
    throw error
  })
  return opening
}
