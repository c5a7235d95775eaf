import { mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { keptBackups } from './keptBackups'

const copyName = /^numeron-(\d{4}-\d\d-\d\d)\.sqlite$/

/**
 * Makes today's copy of the database in a folder unless it is there, and removes those that are no
 * longer kept.
 * @param copyTo writes a whole copy of the database into a file that does not exist yet
 * @returns the days whose copies are there now
 */
export async function backUpToday(
  folder: string,
  copyTo: (file: string) => Promise<unknown>,
  today = new Date(),
): Promise<string[]> {
  mkdirSync(folder, { recursive: true })
  const day = today.toISOString().slice(0, 10)
  const file = (of: string) => join(folder, `numeron-${of}.sqlite`)
  const daysThere = () => readdirSync(folder).flatMap(name => copyName.exec(name)?.[1] ?? [])
  if (!daysThere().includes(day)) {
    // Under another name until it is whole, so that a copy that was broken off is never taken for
    // one.
    const unfinished = `${file(day)}.part`
    rmSync(unfinished, { force: true })
    await copyTo(unfinished)
    renameSync(unfinished, file(day))
  }
  const kept = keptBackups(daysThere())
  for (const of of daysThere()) if (!kept.has(of)) rmSync(file(of))
  return [...kept].sort()
}

const hourMs = 3_600_000

/**
 * Looks every hour whether today's copy is there, as long as the server runs; the first time at
 * once.
 * @param folder NUMERON_BACKUPS; without one nothing is copied
 * @returns ends it
 */
export function startNightlyBackups(
  folder: string | undefined,
  copyTo: (file: string) => Promise<unknown>,
): () => void {
  if (!folder) return () => undefined
  const look = () =>
    backUpToday(resolve(folder), copyTo).catch((error: unknown) =>
      console.error(
        'The backup into NUMERON_BACKUPS failed: ' +
          `${error instanceof Error ? error.message : String(error)}. Check the folder; ` +
          'Numeron tries again in an hour.',
      ),
    )
  void look()
  const timer = setInterval(() => void look(), hourMs)
  timer.unref()
  return () => clearInterval(timer)
}
