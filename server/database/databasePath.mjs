import { homedir } from 'node:os'
import { isAbsolute, join, resolve } from 'node:path'

/**
 * The database file: NUMERON_DB, or numeron.sqlite in the user's data directory. Plain JavaScript,
 * because the scripts that
 * back it up and restore it read it as well.
 * @param {NodeJS.ProcessEnv} environment
 * @returns {string}
 */
export function databaseFile(environment = process.env) {
  const dataDirectory =
    environment.XDG_DATA_HOME && isAbsolute(environment.XDG_DATA_HOME)
      ? environment.XDG_DATA_HOME
      : join(homedir(), '.local', 'share')
  return resolve(environment.NUMERON_DB || join(dataDirectory, 'numeron', 'numeron.sqlite'))
}
