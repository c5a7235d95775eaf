import type { Sequelize } from 'sequelize'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { planSchema } from '~~/core/plan/planSchema'
import { planRepository, type PlanRepository } from '../repositories/planRepository'
import { databaseFile } from './databasePath.mjs'
import { closeDatabase, copyDatabase, openDatabase } from './open'

const daysDeletedPlansAreKept = 30

/** Ends what was deleted long ago, and puts the demo plan into an empty database when asked to. */
async function prepare(sequelize: Sequelize): Promise<void> {
  const repository = planRepository(sequelize)
  await repository.purgeDeletedBefore(new Date(Date.now() - daysDeletedPlansAreKept * 86_400_000))
  if (process.env.NUMERON_DEMO === '1' && await repository.count() === 0) await repository.create(planSchema.parse(tideMillHouse))
}

interface Opened { readonly database: Sequelize, readonly repository: PlanRepository }

let opening: Promise<Opened> | null = null

function open(): Promise<Opened> {
  opening ??= openDatabase(databaseFile(), prepare)
    .then(database => ({ database, repository: planRepository(database) }))
    .catch((error: unknown) => {
      opening = null
      throw error
    })
  return opening
}

/**
 * The plans of this server; the database is opened once, at the first call. A failed opening is tried again.
 * @throws {DatabaseProblem} with what to do
 */
export async function plans(): Promise<PlanRepository> {
  return (await open()).repository
}

/** Writes a whole copy of this server's database into a file that does not exist yet. */
export async function copyPlans(file: string): Promise<void> {
  await copyDatabase((await open()).database, file)
}

/** Closes the database, if it is open, so that a copy of its one file is whole. */
export async function closePlans(): Promise<void> {
  const opened = await opening?.catch(() => null)
  opening = null
  if (opened) await closeDatabase(opened.database)
}
