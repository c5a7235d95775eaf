/** The bench: how many copies of one reference conversion a machine runs at once in real time. */

/**
 * One round: so many copies at once, and how fast the slowest and all together ran, in times real
 * time.
 */
export interface BenchRound {
  readonly copies: number
  readonly slowest: number
  readonly total: number
}

export interface BenchResult {
  /** reference streams the machine did at its best, whole or not */
  readonly streams: number
  /** most copies of which every one kept up with real time; 0 when not even one did */
  readonly whole: number
  readonly rounds: readonly BenchRound[]
}

/** The bench as the server tells it. */
export interface BenchState {
  readonly state: 'idle' | 'preparing' | 'running' | 'done' | 'cancelled' | 'failed'
  /** copies that run at this moment */
  readonly copies: number
  readonly rounds: readonly BenchRound[]
  readonly encoder: string
  readonly isSimulated: boolean
  readonly result: BenchResult | null
  readonly message: string
}

/** Seconds of the clip that is converted. */
export const benchClipS = 8
/** More copies than this are not tried. */
export const maxCopies = 24
/** A whole bench may take so long. */
export const benchLimitS = 240

/** A round from the speeds of its copies. */
export function benchRound(speeds: readonly number[]): BenchRound {
  return {
    copies: speeds.length,
    slowest: Math.min(...speeds),
    total: speeds.reduce((sum, speed) => sum + speed, 0),
  }
}

/**
 * How many copies to try next: one first, then what the best total promises, then one more at a
 * time while all keep up.
 * Null when the largest count is found.
 * @param rounds in the order they were run
 */
export function nextCopies(rounds: readonly BenchRound[]): number | null {
  const last = rounds.at(-1)
  if (!last) return 1
  const kept = Math.max(0, ...rounds.filter(round => round.slowest >= 1).map(round => round.copies))
  const failed = Math.min(
    Infinity,
    ...rounds.filter(round => round.slowest < 1).map(round => round.copies),
  )
  if (failed === 1 || kept >= maxCopies) return null
  if (failed === Infinity) return Math.min(maxCopies, Math.max(kept + 1, Math.floor(last.total)))
  const next = kept + 1
  if (next >= failed) return null
  // Between the largest that kept up and the smallest that did not: halve it.
  return Math.max(next, Math.floor((kept + failed) / 2))
}

/**
 * What the rounds come to: the best total of any round, for copies that fall behind still share the
 * whole machine.
 * @throws nothing; no rounds are no streams
 */
export function benchResult(rounds: readonly BenchRound[]): BenchResult {
  return {
    streams: Math.max(0, ...rounds.map(round => round.total)),
    whole: Math.max(0, ...rounds.filter(round => round.slowest >= 1).map(round => round.copies)),
    rounds,
  }
}
