import {
  benchLimitS,
  benchResult,
  benchRound,
  nextCopies,
  type BenchRound,
  type BenchState,
} from '~~/core/streams/bench'
import { Problem } from '../http/problem'
import { encoderOfThisMachine, type Encoder } from './encoder'

const idle: BenchState = {
  state: 'idle',
  copies: 0,
  rounds: [],
  encoder: '',
  isSimulated: false,
  result: null,
  message: '',
}

/** The one bench of this server: started, watched and cancelled; never two at once. */
export class BenchJob {
  private current: BenchState = idle
  private abort: AbortController | null = null
  private readonly watchers = new Set<(state: BenchState) => void>()

  constructor(
    private readonly encoderOf: () => Encoder = encoderOfThisMachine,
    private readonly limitMs = benchLimitS * 1000,
  ) {}

  get state(): BenchState {
    return this.current
  }

  /** Tells every change from now on, and the present state at once. Answers how to stop. */
  watch(watcher: (state: BenchState) => void): () => void {
    this.watchers.add(watcher)
    watcher(this.current)
    return () => this.watchers.delete(watcher)
  }

  /** @throws {Problem} 409 while one is under way */
  start(): BenchState {
    if (this.abort)
      throw new Problem(
        409,
        'A measurement is running',
        'Only one can run at a time. Cancel it, or wait until it ends.',
      )
    const abort = new AbortController()
    this.abort = abort
    const encoder = this.encoderOf()
    this.tell({
      ...idle,
      state: 'preparing',
      encoder: encoder.name,
      isSimulated: encoder.isSimulated,
    })
    void this.run(encoder, abort)
    return this.current
  }

  /** Ends a bench that is under way, and its programs with it. */
  cancel(): BenchState {
    this.abort?.abort()
    return this.current
  }

  private async run(encoder: Encoder, abort: AbortController): Promise<void> {
    let late = false
    const timer = setTimeout(() => {
      late = true
      abort.abort()
    }, this.limitMs)
    const rounds: BenchRound[] = []
    try {
      await encoder.prepare(abort.signal)
      for (let copies = nextCopies(rounds); copies !== null; copies = nextCopies(rounds)) {
        this.tell({ ...this.current, state: 'running', copies, rounds: [...rounds] })
        rounds.push(benchRound(await encoder.run(copies, abort.signal)))
      }
      this.tell({ ...this.current, state: 'done', copies: 0, rounds, result: benchResult(rounds) })
    } catch (error) {
      const reason = error instanceof Error ? error.message : 'unknown'
      if (late)
        this.tell({
          ...this.current,
          state: 'failed',
          copies: 0,
          rounds,
          message: 'It passed its time limit and was stopped. Nothing was stored.',
        })
      else if (abort.signal.aborted)
        this.tell({
          ...this.current,
          state: 'cancelled',
          copies: 0,
          rounds,
          message: 'Cancelled; nothing was stored.',
        })
      else this.tell({ ...this.current, state: 'failed', copies: 0, rounds, message: reason })
    } finally {
      clearTimeout(timer)
      abort.abort()
      encoder.dispose()
      this.abort = null
    }
  }

  private tell(state: BenchState): void {
    this.current = state
    for (const watcher of this.watchers) watcher(state)
  }
}

/** The bench of this server. */
export const bench = new BenchJob()
