import sqlite3 from 'sqlite3'

const modes = { read: sqlite3.OPEN_READONLY, write: sqlite3.OPEN_READWRITE }

/** An open SQLite file with promises. */
export class SqliteFile {
  /** @param {sqlite3.Database} database */
  constructor(database) {
    this.database = database
  }

  /**
   * @param {string} file
   * @param {'read' | 'write'} mode the file must exist
   * @returns {Promise<SqliteFile>}
   */
  static open(file, mode) {
    return new Promise((done, fail) => {
      const database = new sqlite3.Database(file, modes[mode], error =>
        error ? fail(error) : done(new SqliteFile(database)),
      )
      database.configure('busyTimeout', 5000)
    })
  }

  /** @param {string} sql @param {unknown[]} values @returns {Promise<any[]>} */
  all(sql, values = []) {
    return new Promise((done, fail) =>
      this.database.all(sql, values, (error, rows) => (error ? fail(error) : done(rows))),
    )
  }

  /**
   * Writes everything of another file over this one, as one step: who reads meanwhile sees the one
   * or the other.
   */
  copyFrom(file) {
    return new Promise((done, fail) => {
      const backup = this.database.backup(file, 'main', 'main', false, opened => {
        if (opened) return fail(opened)
        backup.step(-1, error => {
          backup.finish(() => (error ? fail(error) : done(undefined)))
        })
      })
    })
  }

  close() {
    return new Promise(done => this.database.close(() => done(undefined)))
  }
}

/**
 * What is wrong with a file as Numeron's database, in words; null when it is whole.
 * @param {string} file
 * @returns {Promise<string | null>}
 */
export async function problemOf(file) {
  let opened
  try {
    opened = await SqliteFile.open(file, 'read')
    const [{ quick_check: answer }] = await opened.all('PRAGMA quick_check(1)')
    if (answer !== 'ok') return 'it is damaged'
    const tables = new Set(
      (await opened.all("SELECT name FROM sqlite_master WHERE type = 'table'")).map(
        ({ name }) => name,
      ),
    )
    return tables.has('plans') && tables.has('SequelizeMeta')
      ? null
      : 'it holds no plans of Numeron'
  } catch (error) {
    return error.code === 'SQLITE_NOTADB'
      ? 'it is no database'
      : error.code === 'SQLITE_CANTOPEN'
        ? 'it cannot be opened'
        : `it cannot be read (${error.code ?? error.message})`
  } finally {
    await opened?.close()
  }
}
