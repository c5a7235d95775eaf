import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import { keptBackups, keptCopies } from '../../server/backup/keptBackups'
import { backUpToday } from '../../server/backup/nightlyBackups'
import { closeDatabase, copyDatabase, openDatabase } from '../../server/database/open'
import { planRepository } from '../../server/repositories/planRepository'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'numeron-backup-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const file = (name: string) => join(folder, name)
function run(script: 'backup' | 'restore', ...given: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [`scripts/${script}.mjs`, ...given],
    { env: { ...process.env, NUMERON_DB: file('plans.sqlite') }, encoding: 'utf8' },
  )
  return { status, said: (stdout + stderr).trim() }
}
async function namesIn(name: string): Promise<string[]> {
  const database = await openDatabase(file(name))
  const names = (await planRepository(database).list()).plans.map(plan => plan.name).sort()
  await closeDatabase(database)
  return names
}
async function store(...names: string[]) {
  const database = await openDatabase(file('plans.sqlite'))
  for (const name of names) await planRepository(database).create(newPlan(name))
  return database
}

describe('a backup', () => {
  it('is whole while the server writes, and comes back with the old one kept', async () => {
    const database = await store('One', 'Two')
    expect(run('backup', file('copy.sqlite'))).toEqual({
      status: 0,
      said: expect.stringContaining('Copied 2 plans'),
    })
    await planRepository(database).create(newPlan('Three'))
    // The server goes on with what was restored, without being started again.
    expect(run('restore', file('copy.sqlite'))).toEqual({
      status: 0,
      said: expect.stringContaining('Restored 2 plans'),
    })
    expect((await planRepository(database).list()).plans.map(plan => plan.name).sort()).toEqual([
      'One',
      'Two',
    ])
    await planRepository(database).create(newPlan('Four'))
    await closeDatabase(database)
    expect(await namesIn('plans.sqlite')).toEqual(['Four', 'One', 'Two'])
    const kept = readdirSync(folder).find(name => name.startsWith('plans.sqlite.before-'))!
    expect(await namesIn(kept)).toEqual(['One', 'Three', 'Two'])
  })
  it('comes back over a database that is damaged, or none, and the damaged one is kept', async () => {
    await closeDatabase(await store('One'))
    run('backup', file('copy.sqlite'))
    writeFileSync(file('plans.sqlite'), 'rubbish '.repeat(2000))
    expect(run('restore', file('copy.sqlite')).status).toBe(0)
    expect(await namesIn('plans.sqlite')).toEqual(['One'])
    expect(
      readFileSync(file(readdirSync(folder).find(name => name.includes('.before-'))!), 'utf8'),
    ).toContain('rubbish')
    for (const name of readdirSync(folder)) if (name.startsWith('plans.sqlite')) rmSync(file(name))
    expect(run('restore', file('copy.sqlite')).status).toBe(0)
    expect(await namesIn('plans.sqlite')).toEqual(['One'])
  })
  it('refuses what would lose something or cannot work, and changes nothing', async () => {
    await closeDatabase(await store('One'))
    writeFileSync(file('there.sqlite'), 'mine')
    writeFileSync(file('notes.txt'), 'notes '.repeat(1000))
    const before = readFileSync(file('plans.sqlite'))
    expect(run('backup')).toEqual({
      status: 1,
      said: 'Say where the copy goes: npm run backup -- FILE.',
    })
    expect(run('backup', file('there.sqlite'))).toEqual({
      status: 1,
      said: expect.stringContaining('exists already'),
    })
    expect(run('backup', file('missing/copy.sqlite'))).toEqual({
      status: 1,
      said: expect.stringContaining('could not be written'),
    })
    expect(run('restore', file('none.sqlite')).said).toContain('There is no file')
    expect(run('restore', file('notes.txt')).said).toContain(
      'because it is no database. Nothing was changed.',
    )
    expect(run('restore', file('plans.sqlite')).said).toContain('is the database itself')
    expect(readFileSync(file('there.sqlite'), 'utf8')).toBe('mine')
    expect(readFileSync(file('plans.sqlite')).equals(before)).toBe(true)
    expect(readdirSync(folder).filter(name => name.endsWith('.part'))).toEqual([])
  })
})

describe('nightly copies', () => {
  it('are one a day, whole, and the old ones go by days, weeks and months', async () => {
    const database = await store('One')
    const copies = file('copies')
    for (let day = 0; day < 400; day++) {
      // The first is a real copy; of the others only the names count here.
      const copyTo = (target: string) =>
        day === 0 ? copyDatabase(database, target) : Promise.resolve(writeFileSync(target, ''))
      await backUpToday(copies, copyTo, new Date(Date.UTC(2026, 0, 1 + day, 3)))
      if (day === 0) expect(await namesIn('copies/numeron-2026-01-01.sqlite')).toEqual(['One'])
    }
    await closeDatabase(database)
    const days = readdirSync(copies)
      .filter(name => name.endsWith('.sqlite'))
      .map(name => name.slice(8, 18))
    expect(days.slice(-7)).toEqual([
      '2027-01-29',
      '2027-01-30',
      '2027-01-31',
      '2027-02-01',
      '2027-02-02',
      '2027-02-03',
      '2027-02-04',
    ])
    // The newest of twelve months, of four weeks (their Sundays), and seven days; some are the
    // same.
    expect(days).toEqual([
      '2026-03-31',
      '2026-04-30',
      '2026-05-31',
      '2026-06-30',
      '2026-07-31',
      '2026-08-31',
      '2026-09-30',
      '2026-10-31',
      '2026-11-30',
      '2026-12-31',
      '2027-01-17',
      '2027-01-24',
      ...days.slice(-7),
    ])
  })
  it('keep 7, 4 and 12', () => {
    expect(keptCopies).toEqual({ days: 7, weeks: 4, months: 12 })
    expect(keptBackups([])).toEqual(new Set())
    expect(keptBackups(['2026-11-26'])).toEqual(new Set(['2026-11-26']))
  })
  it('are not made twice a day, and one that broke off is made anew', async () => {
    const copies = file('copies')
    let made = 0
    const copyTo = (target: string) => Promise.resolve(writeFileSync(target, String(++made)))
    const today = new Date(Date.UTC(2026, 10, 26))
    await expect(
      backUpToday(copies, () => Promise.reject(new Error('full')), today),
    ).rejects.toThrow('full')
    writeFileSync(join(copies, 'numeron-2026-11-26.sqlite.part'), 'half')
    await backUpToday(copies, copyTo, today)
    await backUpToday(copies, copyTo, today)
    expect(made).toBe(1)
    expect(readFileSync(join(copies, 'numeron-2026-11-26.sqlite'), 'utf8')).toBe('1')
    expect(existsSync(join(copies, 'numeron-2026-11-26.sqlite.part'))).toBe(false)
  })
})
