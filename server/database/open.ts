import { QueryTypes, Sequelize, type QueryInterface } from 'sequelize'
import sqlite3 from 'sqlite3'
import { Umzug, SequelizeStorage } from 'umzug'
import { migrations } from '../migrations/migrations'
import { DatabaseProblem, databaseProblem } from './databaseProblem'
import { preparePlace } from './place'

const pragmas = [
  'busy_timeout = 5000',
  'journal_mode = WAL',
  'synchronous = FULL',
  'foreign_keys = ON',
]

/**
 * Opens a database file, looks whether it is whole, and brings its tables up to date.
 * Write-ahead log with full synchronisation: what was acknowledged is on the disk.
 * @param prepare what else is done before anybody else may write, such as putting the demo plan
 *   into an empty one
 * @throws {DatabaseProblem} with what to do
 */
export async function openDatabase(
  file: string,
  prepare: (sequelize: Sequelize) => Promise<unknown> = () => Promise.resolve(),
): Promise<Sequelize> {
  preparePlace(file)
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    logging: false,
  })
  try {
    // One connection serves the whole file, so that these hold for every query; the driver runs no
    // connection hooks.
    for (const pragma of pragmas) await sequelize.query(`PRAGMA ${pragma}`)
    await checkWhole(sequelize, file)
    await alone(sequelize, async () => {
      await checkAge(sequelize, file)
      await migrator(sequelize).up()
      await prepare(sequelize)
    })
    return sequelize
  } catch (error) {
    await sequelize.close().catch(() => undefined)
    throw databaseProblem(error, file)
  }
}

/** Brings the write-ahead log into the file and closes it: a copy of the one file is whole then. */
export async function closeDatabase(sequelize: Sequelize): Promise<void> {
  await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)')
  await sequelize.close()
}

/**
 * Writes a whole copy of an open database into a file that does not exist yet, while others read
 * and write.
 */
export async function copyDatabase(sequelize: Sequelize, file: string): Promise<void> {
  await sequelize.query('VACUUM INTO $file', { bind: { file } })
}

/**
 * Does something while no other process may write: of two servers that start on one new file, the
 * second finds it made.
 */
async function alone(sequelize: Sequelize, work: () => Promise<void>): Promise<void> {
  await sequelize.query('BEGIN IMMEDIATE')
  try {
    await work()
    await sequelize.query('COMMIT')
  } catch (error) {
    await sequelize.query('ROLLBACK').catch(() => undefined)
    throw error
  }
}

async function checkWhole(sequelize: Sequelize, file: string): Promise<void> {
  const [answer] = await sequelize.query<{ quick_check: string }>('PRAGMA quick_check(1)', {
    type: QueryTypes.SELECT,
  })
  if (answer?.quick_check !== 'ok')
    throw new DatabaseProblem(
      `The database ${file} is damaged. Restore a backup: npm run restore -- BACKUP. The ` +
        'damaged file is kept.',
    )
}

/** A file that a later version has changed already is left alone. */
async function checkAge(sequelize: Sequelize, file: string): Promise<void> {
  const known = new Set(migrations.map(({ name }) => name))
  const executed = await new SequelizeStorage({ sequelize }).executed()
  if (executed.some(name => !known.has(name)))
    throw new DatabaseProblem(
      `The database ${file} was written by a newer Numeron. Update Numeron, or set ` +
        'NUMERON_DB to another file.',
    )
}

/**
 * Runs the migrations, given as a list: a search for files would find nothing in the bundled
 * server.
 */
export function migrator(sequelize: Sequelize) {
  return new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: ({ context }: { context: QueryInterface }) => up(context),
      down: ({ context }: { context: QueryInterface }) => down(context),
    })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  })
}
