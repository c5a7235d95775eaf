import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import { DatabaseProblem } from './databaseProblem'

/**
 * Makes a folder and those above it, one after the other: asked for all at once, some file systems
 * never answer.
 */
function makeFolder(folder: string): void {
  if (existsSync(folder)) {
    if (!statSync(folder).isDirectory())
      throw Object.assign(new Error(`${folder} is a file`), { code: 'ENOTDIR' })
    return
  }
  makeFolder(dirname(folder))
  mkdirSync(folder)
}

function mayWrite(path: string): boolean {
  try {
    accessSync(path, constants.W_OK)
    return true
  } catch {
    return false
  }
}

/**
 * Makes the folder of a database file when it is missing, and looks whether both can be used.
 * @throws {DatabaseProblem} with what to do
 */
export function preparePlace(file: string): void {
  const folder = dirname(file)
  try {
    makeFolder(folder)
  } catch (error) {
    throw new DatabaseProblem(
      `The folder ${folder} cannot be made ` +
        `(${(error as NodeJS.ErrnoException).code ?? 'unknown'}). Set NUMERON_DB to a file ` +
        'in a folder that this user may write to.',
      { cause: error },
    )
  }
  if (existsSync(file) && !statSync(file).isFile())
    throw new DatabaseProblem(`${file} is a folder. Set NUMERON_DB to a file.`)
  if (existsSync(file) && !mayWrite(file))
    throw new DatabaseProblem(
      `The database ${file} is read-only. Give this user the right to write to it, or set ` +
        'NUMERON_DB to another file.',
    )
  if (!mayWrite(folder))
    throw new DatabaseProblem(
      `The folder ${folder} is read-only. Give this user the right to write to it, or set ` +
        'NUMERON_DB to a file elsewhere.',
    )
}
