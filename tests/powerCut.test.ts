import { expect, it } from 'vitest'
import { afterCut, readLog, takenBack } from '../scripts/torture/unsynced.mjs'

interface Change {
  kind: number
  offset: number
  old: Buffer
  oldSize: number
}
function record(
  { kind, offset = 0, old = Buffer.alloc(0), oldSize = 0 }: Partial<Change>,
  path: string,
): Buffer {
  const head = Buffer.alloc(32)
  head.writeUInt32LE(kind!, 0)
  head.writeUInt32LE(path.length, 4)
  ;[offset, old.length, oldSize].forEach((value, at) =>
    head.writeBigUInt64LE(BigInt(value), 8 + 8 * at),
  )
  return Buffer.concat([head, Buffer.from(path), old])
}
const text = (length: number, letter: string) => Buffer.from(letter.repeat(length))

it('takes back what was written, made longer and cut off since the last synchronisation', () => {
  const log = Buffer.concat([
    record({ kind: 1, old: text(4, 'x'), oldSize: 4 }, '/a'),
    record({ kind: 3, oldSize: 4 }, '/a'),
    record({ kind: 1, offset: 2, old: text(2, 'a'), oldSize: 4 }, '/a'),
    record({ kind: 2, offset: 3, old: text(3, 'q'), oldSize: 6 }, '/a'),
    record({ kind: 1, offset: 0, oldSize: 0 }, '/b'),
    record({ kind: 3 }, '/a').subarray(0, 20),
  ])
  const pending = readLog(log)
  expect([...pending.keys()]).toEqual(['/a', '/b'])
  expect(pending.get('/a')).toHaveLength(2)
  expect(takenBack(Buffer.from('aac'), pending.get('/a')).toString()).toBe('aaaa')
  expect(takenBack(Buffer.from('new'), pending.get('/b')).toString()).toBe('')
})

it('keeps or loses what was not synchronised sector by sector', () => {
  const before = text(1024, 'o')
  const changes: Change[] = [{ kind: 1, offset: 0, old: before, oldSize: 1024 }]
  const now = text(1536, 'n')
  let turn = 0
  const { content, lost } = afterCut(now, changes, () => turn++ % 2 === 1)
  expect(lost).toBe(3)
  expect(content).toHaveLength(1024)
  expect(content.subarray(0, 512).equals(text(512, 'o'))).toBe(true)
  expect(content.subarray(512).equals(text(512, 'n'))).toBe(true)
  expect(afterCut(now, changes, () => true).content.equals(now)).toBe(true)
  expect(afterCut(now, changes, () => false).content.equals(before)).toBe(true)
})
