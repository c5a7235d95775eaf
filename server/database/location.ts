import { mkdirSync } from 'node:fs'
import { homedir } from 'node:os'
import { dirname, isAbsolute, join, resolve } from 'node:path'

/** The database file: NUMERON_DB, or numeron.sqlite in the user's data directory. Its folder is made when missing. */
export function databaseFile(environment: NodeJS.ProcessEnv = process.env): string {
  const dataDirectory = environment.XDG_DATA_HOME && isAbsolute(environment.XDG_DATA_HOME)
    ? environment.XDG_DATA_HOME
    : join(homedir(), '.local', 'share')
  const file = resolve(environment.NUMERON_DB || join(dataDirectory, 'numeron', 'numeron.sqlite'))
  mkdirSync(dirname(file), { recursive: true })
  return file
}
