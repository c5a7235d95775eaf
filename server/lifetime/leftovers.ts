import { mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const kinds = ['bench', 'work'] as const

/** A folder for passing files, named after the process that made it. */
export function passingFolder(kind: (typeof kinds)[number]): string {
  return mkdtempSync(join(tmpdir(), `numeron-${kind}-${process.pid}-`))
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

/** Removes the passing folders of processes that ended without doing so. Answers how many. */
export function clearLeftovers(): number {
  const left = readdirSync(tmpdir()).filter(name => {
    const [, kind, pid] = /^numeron-([a-z]+)-(\d+)-/.exec(name) ?? []
    return kinds.some(known => known === kind) && !isRunning(Number(pid))
  })
  for (const name of left) rmSync(join(tmpdir(), name), { recursive: true, force: true })
  return left.length
}
