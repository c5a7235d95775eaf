import { Sequelize, type QueryInterface } from 'sequelize'
import sqlite3 from 'sqlite3'
import { Umzug, SequelizeStorage } from 'umzug'
import { migrations } from '../migrations/migrations'

interface RawConnection { run: (sql: string, done: (error: Error | null) => void) => void }

function pragma(connection: RawConnection, sql: string): Promise<void> {
  return new Promise((done, fail) => connection.run(sql, error => error ? fail(error) : done()))
}

/**
 * Opens a database file and brings its tables up to date.
 * Write-ahead log with full synchronisation: what was acknowledged is on the disk.
 */
export async function openDatabase(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false })
  sequelize.addHook('afterConnect', async (connection) => {
    const raw = connection as RawConnection
    await pragma(raw, 'PRAGMA busy_timeout = 5000')
    await pragma(raw, 'PRAGMA journal_mode = WAL')
    await pragma(raw, 'PRAGMA synchronous = FULL')
    await pragma(raw, 'PRAGMA foreign_keys = ON')
  })
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
