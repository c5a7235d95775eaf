import { Sequelize, type QueryInterface } from 'sequelize'
import sqlite3 from 'sqlite3'
import { Umzug, SequelizeStorage } from 'umzug'
import { migrations } from '../migrations/migrations'

const pragmas = ['busy_timeout = 5000', 'journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON']

/**
 * Opens a database file and brings its tables up to date.
 * Write-ahead log with full synchronisation: what was acknowledged is on the disk.
 */
export async function openDatabase(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false })
  // One connection serves the whole file, so that these hold for every query; the driver runs no connection hooks.
  for (const pragma of pragmas) await sequelize.query(`PRAGMA ${pragma}`)
  await migrator(sequelize).up()
  return sequelize
}

/** Runs the migrations, given as a list: a search for files would find nothing in the bundled server. */
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
