/** Why a database cannot be used, in a sentence for its owner that says what to do. */
export class DatabaseProblem extends Error {
  constructor(message: string, options?: ErrorOptions) {
    super(message, options)
    this.name = 'DatabaseProblem'
  }
}

/** The code of SQLite in an error of the driver or of the mapper; '' when there is none. */
export function sqliteCode(error: unknown): string {
  for (
    let at: unknown = error, depth = 0;
    typeof at === 'object' && at !== null && depth < 5;
    depth++
  ) {
    if ('code' in at && typeof at.code === 'string' && at.code.startsWith('SQLITE_')) return at.code
    at =
      'original' in at ? at.original : 'parent' in at ? at.parent : 'cause' in at ? at.cause : null
  }
  return ''
}

const sentences: Readonly<Record<string, (file: string) => string>> = {
  SQLITE_CANTOPEN: file =>
    `The database ${file} cannot be opened. Check that its folder exists and may be ` +
    'written, or set NUMERON_DB to another file.',
  SQLITE_READONLY: file =>
    `The database ${file} is read-only. Give this user the right to write to the file and ` +
    'its folder, or set NUMERON_DB to another file.',
  SQLITE_PERM: file =>
    `The database ${file} may not be used by this user. Change its owner or its rights, or ` +
    'set NUMERON_DB to another file.',
  SQLITE_NOTADB: file =>
    `The file ${file} is not a database. Set NUMERON_DB to another file, or restore a ` +
    'backup over it: npm run restore -- BACKUP.',
  SQLITE_CORRUPT: file =>
    `The database ${file} is damaged. Restore a backup: npm run restore -- BACKUP. The ` +
    'damaged file is kept.',
  SQLITE_FULL: file =>
    `The disk that holds ${file} is full. Free some space, then start Numeron again.`,
  SQLITE_IOERR: file =>
    `The disk that holds ${file} cannot be read or written. Check the disk, then start ` +
    'Numeron again.',
  SQLITE_BUSY: file =>
    `The database ${file} is locked by another program. End that program, then start ` +
    'Numeron again.',
}

/** The problem behind an error that came up while a database was opened. */
export function databaseProblem(error: unknown, file: string): DatabaseProblem {
  if (error instanceof DatabaseProblem) return error
  const sentence = sentences[sqliteCode(error)]
  return new DatabaseProblem(
    sentence
      ? sentence(file)
      : `The database ${file} cannot be used: ` +
          `${error instanceof Error ? error.message : 'unknown error'}.`,
    { cause: error },
  )
}
