import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import type { PlanPage } from '~~/core/plan/storedPlan'
import { databaseFile } from '../../server/database/databasePath.mjs'
import { DatabaseProblem, databaseProblem } from '../../server/database/databaseProblem'
import { closeDatabase, migrator, openDatabase } from '../../server/database/open'
import { allowedHosts, isAllowedHost, isLoopback } from '../../server/http/allowedHost'
import { refusalOf } from '../../server/http/gate'
import { problemDocument } from '../../server/http/problem'
import { clearLeftovers, passingFolder } from '../../server/lifetime/leftovers'
import { listenProblem, settingsOf } from '../../server/lifetime/settings'
import { migrations } from '../../server/migrations/migrations'
import { planRepository } from '../../server/repositories/planRepository'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'numeron-storage-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

describe('the database', () => {
  it('writes ahead, synchronises fully and keeps foreign keys', async () => {
    const database = await openDatabase(join(folder, 'a.sqlite'))
    const pragma = async (name: string) =>
      Object.values(
        (
          await database.query<Record<string, unknown>>(`PRAGMA ${name}`, {
            type: QueryTypes.SELECT,
          })
        )[0]!,
      )[0]
    expect([
      await pragma('journal_mode'),
      await pragma('synchronous'),
      await pragma('foreign_keys'),
    ]).toEqual(['wal', 2, 1])
    await database.close()
  })
  it('goes through every migration up and down again', async () => {
    const database = await openDatabase(join(folder, 'b.sqlite'))
    const umzug = migrator(database)
    expect((await umzug.executed()).map(entry => entry.name)).toEqual(
      migrations.map(entry => entry.name),
    )
    await umzug.down({ to: 0 })
    expect(await database.getQueryInterface().tableExists('plans')).toBe(false)
    await umzug.up()
    expect(await database.getQueryInterface().tableExists('plans')).toBe(true)
    await database.close()
  })
  it('still has what was saved when it is opened again', async () => {
    const file = join(folder, 'c.sqlite')
    const first = await openDatabase(file)
    const { id } = await planRepository(first).create(newPlan('Kept'))
    await first.close()
    const second = await openDatabase(file)
    expect(await planRepository(second).get(id)).toMatchObject({ id, plan: { name: 'Kept' } })
    await second.close()
  })
  it('lists ten thousand plans, a page in little time, and a row that was spoiled among them', async () => {
    const database = await openDatabase(join(folder, 'e.sqlite'))
    const repository = planRepository(database)
    const { id } = await repository.create(newPlan('One'))
    const spoiled = await repository.create(newPlan('Spoiled'))
    await database.query(
      `UPDATE plans SET document = '{"name":', createdAt = 'yesterday', updatedAt = ` +
        `'rubbish' WHERE id = '${spoiled.id}'`,
    )
    await database.query(`WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 9998)
      INSERT INTO plans (id, name, document, version, createdAt, updatedAt) SELECT 'p' || i, 'Plan ' || i, '{"name":"x"}', 1, '2026-01-01 00:00:00.000 +00:00', '2026-01-01 00:00:00.000 +00:00' FROM n`)
    const times: number[] = []
    const seen = new Set<string>()
    for (let after: string | null = ''; after !== null;) {
      const since = performance.now()
      const page: PlanPage = await repository.list({ limit: 500, after })
      times.push(performance.now() - since)
      for (const entry of page.plans) seen.add(entry.id)
      after = page.next
    }
    expect(seen.size).toBe(10_000)
    expect(times.sort((a, b) => a - b)[Math.floor(times.length / 2)]).toBeLessThan(100)
    expect(seen.has(id)).toBe(true)
    expect(await repository.get(spoiled.id)).toMatchObject({
      name: 'Spoiled',
      raw: '{"name":',
      issues: [{ code: 'NOT_JSON' }],
    })
    await database.close()
  })
  it('ends plans deleted long ago, and only those', async () => {
    const database = await openDatabase(join(folder, 'd.sqlite'))
    const repository = planRepository(database)
    const [gone, kept] = [
      await repository.create(newPlan('Gone')),
      await repository.create(newPlan('Kept')),
    ]
    await repository.remove(gone.id)
    expect(await repository.purgeDeletedBefore(new Date(Date.now() - 60_000))).toBe(0)
    expect(await repository.purgeDeletedBefore(new Date(Date.now() + 60_000))).toBe(1)
    expect(await repository.restore(gone.id)).toBeNull()
    expect((await repository.list()).plans.map(entry => entry.id)).toEqual([kept.id])
    await database.close()
  })
  it("lies where it is told, else in the user's data directory, and its folder is made", async () => {
    const file = join(folder, 'deep/er/x.sqlite')
    expect(databaseFile({ NUMERON_DB: file })).toBe(file)
    await (await openDatabase(file)).close()
    expect(existsSync(file)).toBe(true)
    expect(databaseFile({ XDG_DATA_HOME: folder })).toBe(join(folder, 'numeron', 'numeron.sqlite'))
  })
})

describe('a database that cannot be used says why, and what to do', () => {
  const reasonOf = (file: string) =>
    openDatabase(file).then(
      () => 'opened',
      (error: unknown) =>
        error instanceof DatabaseProblem ? error.message : `another error: ${String(error)}`,
    )
  it('a folder', async () => {
    expect(await reasonOf(folder)).toBe(`${folder} is a folder. Set NUMERON_DB to a file.`)
  })
  it('a path that cannot be made', async () => {
    writeFileSync(join(folder, 'file'), '')
    expect(await reasonOf(join(folder, 'file/deeper/x.sqlite'))).toMatch(
      /cannot be made \(E\w+\)\. Set NUMERON_DB to a file in a folder/,
    )
  })
  it('a file that is no database', async () => {
    const file = join(folder, 'notes.txt')
    writeFileSync(file, 'These are notes, and no database at all. '.repeat(100))
    expect(await reasonOf(file)).toContain('is not a database')
    expect(readFileSync(file, 'utf8')).toContain('These are notes')
  })
  it('one that is damaged', async () => {
    const file = join(folder, 'damaged.sqlite')
    const database = await openDatabase(file)
    const repository = planRepository(database)
    for (let at = 0; at < 60; at++) await repository.create(newPlan(`Plan ${at}`))
    await closeDatabase(database)
    const bytes = readFileSync(file)
    bytes.fill(0x5a, 8192, Math.min(bytes.length, 60_000))
    writeFileSync(file, bytes)
    expect(await reasonOf(file)).toMatch(/is damaged.*npm run restore/)
  })
  it('one of a later version, which is left as it is', async () => {
    const file = join(folder, 'later.sqlite')
    const database = await openDatabase(file)
    await database.query("INSERT INTO SequelizeMeta (name) VALUES ('29990101A-tomorrow')")
    await closeDatabase(database)
    const before = readFileSync(file)
    expect(await reasonOf(file)).toContain('was written by a newer Numeron')
    expect(readFileSync(file).equals(before)).toBe(true)
  })
  it.each([
    ['SQLITE_FULL', 'is full'],
    ['SQLITE_READONLY', 'is read-only'],
    ['SQLITE_BUSY', 'locked by another program'],
    ['SQLITE_CANTOPEN', 'cannot be opened'],
    ['SQLITE_IOERR', 'cannot be read or written'],
    ['SQLITE_PERM', 'may not be used'],
  ])('%s', (code, text) => {
    expect(
      databaseProblem(
        Object.assign(new Error('inner'), { original: Object.assign(new Error('x'), { code }) }),
        '/data/x.sqlite',
      ).message,
    ).toContain(text)
  })
  it.each([
    ['SQLITE_FULL', 507, 'full'],
    ['SQLITE_READONLY', 503, 'cannot be read or written'],
    ['SQLITE_BUSY', 503, 'Another program'],
    ['', 500, 'try again'],
  ])('while it is used: %s', (code, status, detail) => {
    expect(problemDocument(Object.assign(new Error('inner'), { parent: { code } }))).toMatchObject({
      status,
      detail: expect.stringContaining(detail),
    })
  })
  it(
    'of two openings of one new file at once both are well, and what is prepared is prepared ' +
      'once',
    async () => {
      const file = join(folder, 'both.sqlite')
      const prepare = async (database: Sequelize) => {
        const repository = planRepository(database)
        if ((await repository.count()) === 0) await repository.create(newPlan('Demo'))
      }
      const opened = await Promise.all([1, 2, 3].map(() => openDatabase(file, prepare)))
      expect(await planRepository(opened[0]!).count()).toBe(1)
      for (const database of opened) await closeDatabase(database)
      expect(existsSync(`${file}-wal`)).toBe(false)
    },
  )
})

describe('where the server listens', () => {
  it('is loopback, or an address that was set on purpose with the names it answers to', () => {
    expect(settingsOf({})).toEqual({ host: '127.0.0.1', port: null })
    expect(settingsOf({ NUMERON_PORT: '4780', NUMERON_HOST: '::1' })).toEqual({
      host: '::1',
      port: '4780',
    })
    expect(settingsOf({ NUMERON_HOST: '0.0.0.0', NUMERON_ALLOWED_HOSTS: 'mill.example' })).toEqual({
      host: '0.0.0.0',
      port: null,
    })
  })
  it.each([
    [{ NUMERON_PORT: '99999' }, 'from 0 to 65535'],
    [{ NUMERON_PORT: 'http' }, 'from 0 to 65535'],
    [{ NUMERON_PORT: '-1' }, 'from 0 to 65535'],
    [{ NUMERON_HOST: 'not a host' }, 'must be an address'],
    [{ NUMERON_HOST: '0.0.0.0' }, 'NUMERON_ALLOWED_HOSTS must name'],
  ])('%j is refused with what to do', (environment, text) => {
    expect(settingsOf(environment)).toEqual({ problem: expect.stringContaining(text) })
  })
  it.each([
    ['EADDRINUSE', 'Port 80 is in use'],
    ['EACCES', 'from 1024 on'],
    ['EADDRNOTAVAIL', 'is no address of this computer'],
    ['EWHATEVER', 'cannot listen on'],
  ])('%s is told', (code, text) => {
    expect(
      listenProblem(Object.assign(new Error('x'), { code, syscall: 'listen' }), {
        host: '127.0.0.1',
        port: '80',
      }),
    ).toContain(text)
    expect(
      listenProblem(Object.assign(new Error('x'), { code, syscall: 'read' }), {
        host: '127.0.0.1',
        port: '80',
      }),
    ).toBeNull()
  })
})

describe('passing folders', () => {
  it('of processes that ended are cleared; those of running ones stay', () => {
    const mine = passingFolder('work')
    const ended = spawnSync(process.execPath, ['-e', '0']).pid
    const dead = join(tmpdir(), `numeron-bench-${ended}-abc`)
    const other = join(tmpdir(), `numeron-other-${ended}-abc`)
    mkdirSync(dead)
    mkdirSync(other)
    expect(clearLeftovers()).toBeGreaterThan(0)
    expect([mine, dead, other].map(path => existsSync(path))).toEqual([true, false, true])
    for (const path of [mine, other]) rmSync(path, { recursive: true })
  })
})

describe('who may ask', () => {
  it('a server on loopback answers to loopback names only', () => {
    expect(
      ['localhost:3000', '127.0.0.1:3000', '[::1]:3000', 'LOCALHOST'].every(host =>
        isAllowedHost(host, '127.0.0.1', []),
      ),
    ).toBe(true)
    expect(
      ['evil.example:3000', '127.0.0.1.evil.example', ''].some(host =>
        isAllowedHost(host, '127.0.0.1', ['evil.example']),
      ),
    ).toBe(false)
  })
  it('a server that is open to a network answers to the names it was given, and to loopback', () => {
    const named = allowedHosts({ NUMERON_ALLOWED_HOSTS: 'mill.example, 192.0.2.7:4780' })
    expect(
      ['mill.example:3000', 'MILL.example', '192.0.2.7:4780', '127.0.0.1:3000'].every(host =>
        isAllowedHost(host, '0.0.0.0', named),
      ),
    ).toBe(true)
    expect(
      ['evil.example', '192.0.2.7:80', 'mill.example.evil.example', ''].some(host =>
        isAllowedHost(host, '0.0.0.0', named),
      ),
    ).toBe(false)
    expect(allowedHosts({})).toEqual([])
  })
  it(
    'a request is judged by its host first, then by where it comes from; reading needs the ' +
      'host alone',
    () => {
      const asked = {
        method: 'POST',
        host: 'localhost:3000',
        origin: undefined,
        fetchSite: undefined,
      }
      expect(refusalOf(asked, {})).toBeNull()
      expect(refusalOf({ ...asked, host: 'evil.example' }, {})?.status).toBe(421)
      expect(
        refusalOf({ ...asked, fetchSite: 'none', origin: 'http://localhost:3000' }, {}),
      ).toBeNull()
      expect(refusalOf({ ...asked, origin: 'https://localhost:3000' }, {})).toBeNull()
      expect(refusalOf({ ...asked, origin: 'http://localhost:3001' }, {})?.status).toBe(403)
      expect(refusalOf({ ...asked, origin: 'not an address' }, {})?.status).toBe(403)
      expect(
        refusalOf(
          { ...asked, method: 'GET', origin: 'http://evil.example', fetchSite: 'cross-site' },
          {},
        ),
      ).toBeNull()
    },
  )
  it('knows what loopback is', () => {
    expect(['localhost', '::1', '127.0.0.1', '127.8.9.1'].every(isLoopback)).toBe(true)
    expect(['0.0.0.0', '192.0.2.1', '127.0.0.1.example'].some(isLoopback)).toBe(false)
  })
})
