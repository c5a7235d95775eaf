// npm run backup -- FILE: a whole copy of the database, while the server runs or not.
import { existsSync, renameSync, rmSync } from 'node:fs'
import { resolve } from 'node:path'
import { databaseFile } from '../server/database/databasePath.mjs'
import { problemOf, SqliteFile } from './sqliteFile.mjs'

function giveUp(sentence) {
  console.error(sentence)
  process.exit(1)
}

const [given] = process.argv.slice(2)
if (!given) giveUp('Say where the copy goes: npm run backup -- FILE.')
const target = resolve(given)
const source = databaseFile()
if (existsSync(target))
  giveUp(`${target} exists already. Choose another name; nothing was changed.`)
if (!existsSync(source))
  giveUp(`There is no database at ${source}. Set NUMERON_DB to the one that is to be copied.`)
const wrong = await problemOf(source)
if (wrong) giveUp(`The database ${source} cannot be copied, because ${wrong}.`)

const unfinished = `${target}.part`
try {
  rmSync(unfinished, { force: true })
  const database = await SqliteFile.open(source, 'read')
  await database.all('VACUUM INTO ?', [unfinished])
  await database.close()
  const wrongCopy = await problemOf(unfinished)
  if (wrongCopy) throw new Error(wrongCopy)
  renameSync(unfinished, target)
} catch (error) {
  rmSync(unfinished, { force: true })
  giveUp(`The copy could not be written to ${target} (${error.message}).`)
}
const copy = await SqliteFile.open(target, 'read')
const [{ plans }] = await copy.all('SELECT count(*) AS plans FROM plans WHERE deletedAt IS NULL')
await copy.close()
console.log(
  `Copied ${plans} ${plans === 1 ? 'plan' : 'plans'} to ${target}. Restore with: npm run ` +
    `restore -- ${given}`,
)
