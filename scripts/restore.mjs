// npm run restore -- FILE: puts a copy in the place of the database, while the server runs or not.
// The old one is kept.
import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { databaseFile } from '../server/database/databasePath.mjs'
import { problemOf, SqliteFile } from './sqliteFile.mjs'

function giveUp(sentence) {
  console.error(sentence)
  process.exit(1)
}

const [given] = process.argv.slice(2)
if (!given) giveUp('Say which copy is restored: npm run restore -- FILE.')
const copy = resolve(given)
const target = databaseFile()
if (!existsSync(copy)) giveUp(`There is no file ${copy}. Nothing was changed.`)
if (copy === target) giveUp('The copy is the database itself. Nothing was changed.')
const wrong = await problemOf(copy)
if (wrong) giveUp(`${copy} cannot be restored, because ${wrong}. Nothing was changed.`)

const stamp = new Date().toISOString().replace(/[:.]/g, '-')
const kept = `${target}.before-${stamp}`
try {
  if (existsSync(target) && (await problemOf(target)) === null) {
    const database = await SqliteFile.open(target, 'write')
    await database.all('VACUUM INTO ?', [kept])
    await database.copyFrom(copy)
    await database.close()
  } else {
    // Nothing to write over, or nothing that could be: the damaged files are put aside as they are.
    mkdirSync(dirname(target), { recursive: true })
    for (const end of ['', '-wal', '-shm'])
      if (existsSync(target + end)) renameSync(target + end, kept + end)
    const unfinished = `${target}.part`
    rmSync(unfinished, { force: true })
    copyFileSync(copy, unfinished)
    renameSync(unfinished, target)
  }
} catch (error) {
  giveUp(
    `The copy could not be restored (${error.message}). ` +
      `${existsSync(kept) ? `What was there is in ${kept}.` : 'Nothing was changed.'}`,
  )
}
const database = await SqliteFile.open(target, 'read')
const [{ plans }] = await database.all(
  'SELECT count(*) AS plans FROM plans WHERE deletedAt IS NULL',
)
await database.close()
console.log(
  `Restored ${plans} ${plans === 1 ? 'plan' : 'plans'} from ` +
    `${copy}.${existsSync(kept) ? ` What was there before is in ${kept}.` : ''}`,
)
