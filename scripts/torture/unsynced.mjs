import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const kinds = { write: 1, resize: 2, synced: 3 }
const headBytes = 32
/** What a disk writes whole or not at all, bytes. */
const sectorBytes = 512

/** Builds the layer into a folder; null where there is no C compiler. */
export function buildLayer(folder) {
  const layer = join(folder, 'unsynced.so')
  const { status } = spawnSync(
    'cc',
    ['-shared', '-fPIC', '-O1', '-o', layer, join(import.meta.dirname, 'unsynced.c'), '-ldl'],
    { stdio: 'ignore' },
  )
  return status === 0 ? layer : null
}

/** By file: what was changed since it was synchronised last, in order. */
export function readLog(bytes) {
  const pending = new Map()
  for (let at = 0; at + headBytes <= bytes.length;) {
    const [kind, pathLength] = [bytes.readUInt32LE(at), bytes.readUInt32LE(at + 4)]
    const [offset, length, oldSize] = [8, 16, 24].map(place =>
      Number(bytes.readBigUInt64LE(at + place)),
    )
    const end = at + headBytes + pathLength + length
    // The last record may have been cut off; what it tells of was not written yet.
    if (end > bytes.length) break
    const path = bytes.toString('utf8', at + headBytes, at + headBytes + pathLength)
    if (kind === kinds.synced) pending.set(path, [])
    else
      pending.set(path, [
        ...(pending.get(path) ?? []),
        { kind, offset, old: bytes.subarray(at + headBytes + pathLength, end), oldSize },
      ])
    at = end
  }
  return pending
}

/** A file as it was when it was synchronised last. */
export function takenBack(now, changes) {
  let content = Buffer.from(now)
  for (const { offset, old, oldSize } of [...changes].reverse()) {
    const before = Buffer.alloc(oldSize)
    content.copy(before, 0, 0, Math.min(content.length, oldSize))
    old.copy(before, offset)
    content = before
  }
  return content
}

/**
 * A file after a power cut: as it was synchronised last, with any of the sectors written since.
 * @param keeps whether a sector reached the disk all the same
 */
export function afterCut(now, changes, keeps) {
  const durable = takenBack(now, changes)
  const touched = new Set()
  for (let at = 0; at * sectorBytes < Math.max(now.length, durable.length); at++) {
    const [one, other] = [now, durable].map(content =>
      content.subarray(at * sectorBytes, (at + 1) * sectorBytes),
    )
    if (!one.equals(other)) touched.add(at)
  }
  let content = durable
  for (const sector of touched) {
    if (!keeps()) continue
    const written = now.subarray(sector * sectorBytes, (sector + 1) * sectorBytes)
    const size = Math.max(content.length, sector * sectorBytes + written.length)
    if (size > content.length)
      content = Buffer.concat([content, Buffer.alloc(size - content.length)])
    written.copy(content, sector * sectorBytes)
  }
  return { content, lost: touched.size }
}

/**
 * Cuts the power: of the files that the log tells of, what was not synchronised is lost, sector by
 * sector. Answers how many sectors were at stake.
 */
export function cutPower(log, keeps) {
  if (!existsSync(log)) return 0
  let atStake = 0
  for (const [path, changes] of readLog(readFileSync(log))) {
    // The shared index of the write-ahead log is memory only; SQLite makes it anew.
    if (changes.length === 0 || !existsSync(path) || path.endsWith('-shm')) continue
    const { content, lost } = afterCut(readFileSync(path), changes, keeps)
    atStake += lost
    writeFileSync(path, content)
  }
  rmSync(log)
  return atStake
}
