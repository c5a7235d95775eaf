// The pages read the types of the routes, and so of this file, but not the declarations beside it.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./assessWorkerCode.d.ts" />
import { rmSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import code from '#assess-worker'
import workerpool, { type Pool } from 'workerpool'
import { Problem } from '../http/problem'
import { passingFolder } from '../lifetime/leftovers'
import type { TextAnswer } from './assessText'

/**
 * Longest that one assessment may take once a thread has taken it up, ms. The largest plan takes
 * about 2 s by itself, and several times that on a small or busy machine.
 */
export const assessmentLimitMs = 30_000
/** Most that wait for a thread. */
export const maxWaiting = 32

function busy(detail: string): Problem {
  return new Problem(503, 'Too much at once', detail)
}

/** Threads that assess plans, so that no plan keeps the server from answering others. */
export class AssessmentPool {
  private pool: Pool | null = null
  private folder: string | null = null

  constructor(
    private readonly limitMs = assessmentLimitMs,
    private readonly script: string = code,
  ) {}

  /** @throws {Problem} 503 when it takes too long, or too many wait */
  async assess(text: string): Promise<TextAnswer> {
    try {
      return (await this.open().exec('assessText', [text]).timeout(this.limitMs)) as TextAnswer
    } catch (error) {
      if (error instanceof workerpool.Promise.TimeoutError)
        throw busy(
          `This plan takes longer to assess than ${this.limitMs / 1000} s, so it was stopped.`,
        )
      if (error instanceof Error && /queue/i.test(error.message))
        throw busy('Too many plans wait to be assessed. Try again in a moment.')
      throw error
    }
  }

  /** Ends the threads and removes their program. */
  async close(): Promise<void> {
    const { pool, folder } = this
    this.pool = null
    this.folder = null
    await pool?.terminate(true)
    if (folder) rmSync(folder, { recursive: true, force: true })
  }

  private open(): Pool {
    if (this.pool) return this.pool
    // A thread is started from a file; in the bundle its program is text.
    this.folder = passingFolder('work')
    const file = join(this.folder, 'assess.cjs')
    writeFileSync(file, this.script)
    this.pool = workerpool.pool(file, {
      workerType: 'thread',
      maxWorkers: Math.max(2, Math.min(4, availableParallelism() - 1)),
      maxQueueSize: maxWaiting,
    })
    return this.pool
  }
}

/** The threads of this server. */
export const assessmentPool = new AssessmentPool()
