import type { Sequelize } from 'sequelize'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { demoLog } from '~~/core/logbook/demoLog'
import { planSchema } from '~~/core/plan/planSchema'
import { hashPassphrase, isPassphrase } from '../access/passphrase'
import { readPassphraseFile } from '../access/passphraseFile'
import { accessRepository, type AccessRepository } from '../repositories/accessRepository'
import { logRepository, type LogRepository } from '../repositories/logRepository'
import { planRepository, type PlanRepository } from '../repositories/planRepository'
import { databaseFile } from './databasePath.mjs'
import { closeDatabase, copyDatabase, openDatabase } from './open'

const daysDeletedPlansAreKept = 30

/**
 * Ends what was deleted long ago, puts the demo plan into an empty database when asked to, and
 * takes over a passphrase from a file.
 */
async function prepare(sequelize: Sequelize): Promise<void> {
  const repository = planRepository(sequelize)
  await repository.purgeDeletedBefore(new Date(Date.now() - daysDeletedPlansAreKept * 86_400_000))
  if (process.env.NUMERON_DEMO === '1' && (await repository.count()) === 0) {
    const { id, plan } = await repository.create(planSchema.parse(tideMillHouse))
    await logRepository(sequelize).add(id, demoLog(plan, assess(plan, catalogue)))
  }
  await takePassphrase(accessRepository(sequelize))
}

/** The passphrase of the file goes before the one that is stored; another one ends all sessions. */
async function takePassphrase(repository: AccessRepository): Promise<void> {
  const read = readPassphraseFile(process.env)
  // What is wrong with the file has been told when the server began to start.
  if ('problem' in read || read.passphrase === null) return
  const stored = await repository.passphrase()
  if (stored !== null && (await isPassphrase(read.passphrase, stored))) return
  const hash = await hashPassphrase(read.passphrase)
  if (hash) await repository.setPassphrase(hash)
}

interface Opened {
  readonly database: Sequelize
  readonly repository: PlanRepository
  readonly access: AccessRepository
  readonly log: LogRepository
}

let opening: Promise<Opened> | null = null

function open(): Promise<Opened> {
  opening ??= openDatabase(databaseFile(), prepare)
    .then(database => ({
      database,
      repository: planRepository(database),
      access: accessRepository(database),
      log: logRepository(database),
    }))
    .catch((error: unknown) => {
      opening = null
      throw error
    })
  return opening
}

/**
 * The plans of this server; the database is opened once, at the first call. A failed opening is
 * tried again.
 * @throws {DatabaseProblem} with what to do
 */
export async function plans(): Promise<PlanRepository> {
  return (await open()).repository
}

/**
 * Who may come in, from the same database.
 * @throws {DatabaseProblem} with what to do
 */
export async function access(): Promise<AccessRepository> {
  return (await open()).access
}

/**
 * The logs of the plans, from the same database.
 * @throws {DatabaseProblem} with what to do
 */
export async function logs(): Promise<LogRepository> {
  return (await open()).log
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
