import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { demoLog } from './demoLog'
import { momentTime, readEntry } from './entry'
import { entryLine } from './entryWords'
import { entryKinds, type EntryKind } from './kinds'
import { understoodFile } from './reports/understoodFile'
import { sameAs } from './sameAs'

const now = Date.UTC(2026, 11, 1, 12)
const read = (parts: object) =>
  readEntry({ id: 'a', at: '2026-11-20', kind: 'watts', values: { watts: 61 }, ...parts }, now)
const message = (parts: object) => {
  const found = read(parts)
  return found.ok ? '' : `${found.problems[0]!.path}: ${found.problems[0]!.message}`
}

describe('an entry', () => {
  it('takes its kind first, then what that asks for', () => {
    const found = read({})
    expect(found.ok && found.entry).toMatchObject({
      kind: 'watts',
      values: { state: 'idle', watts: 61, minutes: 10 },
      origin: { how: 'entered' },
      corrects: '',
    })
  })
  it.each([
    [{ kind: 'noise' }, 'kind: Kind must be one of'],
    [{ values: { watts: -1 } }, 'values.watts: Power must be a number from 0 to 10,000 W.'],
    [{ at: '2026-13-01' }, 'at: When must be a day'],
    [{ at: '2026-02-30' }, 'at: When must be a day'],
    [{ at: '2026-11-20T25:00Z' }, 'at: When must be a day'],
    [{ at: '2026-12-03' }, 'at: When lies in the future'],
    [{ id: '../x' }, 'id: An id has 1 to 40'],
    [{ note: 'x'.repeat(501) }, 'note: Note: at most 500 characters.'],
  ])('with %j is refused', (parts, expected) => {
    expect(message(parts)).toContain(expected)
  })
  it('of tomorrow may come from another time zone', () => {
    expect(read({ at: '2026-12-02' }).ok).toBe(true)
  })
  it('is known again by its values, or by its place in its file', () => {
    const entry = (parts: object) => {
      const found = read(parts)
      if (!found.ok) throw new Error('refused')
      return found.entry
    }
    expect(sameAs(entry({ id: 'b' }))).toBe(sameAs(entry({})))
    expect(sameAs(entry({ values: { watts: 62 } }))).not.toBe(sameAs(entry({})))
    expect(sameAs(entry({ corrects: 'x' }))).not.toBe(sameAs(entry({})))
    const inFile = (place: string, watts: number) =>
      sameAs(
        entry({ values: { watts }, origin: { how: 'imported', sha256: 'f'.repeat(64), place } }),
      )
    expect(inFile('line 1', 61)).toBe(inFile('line 1', 62))
    expect(inFile('line 1', 61)).not.toBe(inFile('line 2', 61))
  })
  it('is told in a line, whatever its kind', () => {
    for (const kind of Object.keys(entryKinds) as EntryKind[]) {
      const values = kind === 'driveReport' ? { serial: 'A1' } : {}
      const found = read({ kind, values, note: 'A note' })
      if (!found.ok) throw new Error(kind)
      expect(entryLine(found.entry, plainFormat)).not.toContain('undefined')
    }
  })
  it('at a moment knows its time; a day is its noon', () => {
    expect(momentTime('2026-11-24')).toBe(Date.UTC(2026, 10, 24, 12))
    expect(momentTime('2026-11-24T23:39:08+01:00')).toBe(Date.UTC(2026, 10, 24, 22, 39, 8))
  })
})

const demo = planSchema.parse(tideMillHouse)

describe('the log of the demo household', () => {
  const log = demoLog(demo, assess(demo, catalogue))
  it('is one that the log takes', () => {
    for (const entry of log) expect(readEntry(entry, now), entry.id).toMatchObject({ ok: true })
    expect(new Set(log.map(sameAs)).size).toBe(log.length)
  })
  it('goes out as JSON lines and joins again as it was', () => {
    const text = log.map(entry => `${JSON.stringify(entry)}\n`).join('')
    const { logged, notes } = understoodFile('log.jsonl', text, now)
    expect(logged).toEqual(log)
    expect(notes).toEqual([])
    const cut = understoodFile('log.jsonl', text.slice(0, -20), now)
    expect(cut.logged).toHaveLength(log.length - 1)
    expect(cut.notes).toEqual([{ line: log.length, text: 'It is not valid JSON.' }])
  })
  it('is told from a table and from reports', () => {
    expect(
      understoodFile('x.csv', 'at,kind,value,unit\n2026-11-01,watts,9,W', now).entries,
    ).toHaveLength(1)
    expect(understoodFile('x.txt', 'hello', now)).toMatchObject({ entries: [], logged: [] })
    expect(understoodFile('x.txt', 'hello', now).notes).toHaveLength(1)
  })
})
