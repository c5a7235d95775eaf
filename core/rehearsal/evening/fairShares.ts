import type { LiveSession } from './liveSession'
import { ownLimit } from './world'

/** A resource that is asked for more than this share above what there is, is overfull. */
const slack = 1e-12

/**
 * Max–min fair shares in speed: all speeds rise together from 0; a session stops at its limit, or
 * when a resource it uses is full. Only resources that are overfull at the wanted speeds can bind,
 * so the others are left out. Arrays are kept from one moment to the next.
 * @see handbook 10, Shares
 */
export class FairShares {
  /** by resource: what all take at the wanted speeds, and at speed 1 */
  private readonly wanted: Float64Array
  private readonly atOne: Float64Array
  private readonly used: Float64Array
  private readonly rising: Float64Array
  private readonly overfull: Int32Array
  private overfullCount = 0
  /** speeds, and what binds them, by place in the list of sessions */
  speeds = new Float64Array(64)
  binds = new Int32Array(64)
  private open = new Int32Array(64)
  private openCount = 0
  /** some resource keeps somebody back */
  get binding(): boolean {
    return this.overfullCount > 0
  }
  /** some resource is asked for more than it has when everybody is at speed 1 */
  isOverloaded = false

  constructor(count: number) {
    this.wanted = new Float64Array(count)
    this.atOne = new Float64Array(count)
    this.used = new Float64Array(count)
    this.rising = new Float64Array(count)
    this.overfull = new Int32Array(count)
  }

  /** Works out the speeds of sessions, of what there is by resource. */
  work(sessions: readonly LiveSession[], capacities: Float64Array): void {
    if (sessions.length > this.speeds.length) {
      this.speeds = new Float64Array(2 * sessions.length)
      this.binds = new Int32Array(2 * sessions.length)
      this.open = new Int32Array(2 * sessions.length)
    }
    const { wanted, atOne, overfull } = this
    this.overfullCount = 0
    wanted.fill(0)
    atOne.fill(0)
    for (let at = 0; at < sessions.length; at++) {
      const session = sessions[at]!
      const { uses, needs } = session.rungNow
      const speed = session.wanted
      this.speeds[at] = speed
      this.binds[at] = ownLimit
      for (let use = 0; use < uses.length; use++) {
        wanted[uses[use]!]! += speed * needs[use]!
        atOne[uses[use]!]! += needs[use]!
      }
    }
    this.isOverloaded = false
    for (let resource = 0; resource < wanted.length; resource++) {
      const most = capacities[resource]! * (1 + slack)
      if (wanted[resource]! > most) overfull[this.overfullCount++] = resource
      if (atOne[resource]! > most) this.isOverloaded = true
    }
    if (this.overfullCount > 0) this.raise(sessions, capacities)
  }

  private raise(sessions: readonly LiveSession[], capacities: Float64Array): void {
    const { open, overfull, overfullCount, used, rising, speeds, binds } = this
    this.openCount = 0
    for (let at = 0; at < sessions.length; at++)
      if (this.usesOverfull(sessions[at]!)) open[this.openCount++] = at
    for (let of = 0; of < overfullCount; of++) used[overfull[of]!] = 0
    while (this.openCount > 0) {
      for (let of = 0; of < overfullCount; of++) rising[overfull[of]!] = 0
      for (let place = 0; place < this.openCount; place++) {
        const { uses, needs } = sessions[open[place]!]!.rungNow
        for (let use = 0; use < uses.length; use++) rising[uses[use]!]! += needs[use]!
      }
      let level = Infinity
      for (let of = 0; of < overfullCount; of++) {
        const resource = overfull[of]!
        if (rising[resource]! > 0)
          level = Math.min(
            level,
            Math.max(0, capacities[resource]! - used[resource]!) / rising[resource]!,
          )
      }
      // Whoever wants less than this level stays below every later one, which is higher.
      if (this.closeBelow(sessions, level * (1 - slack))) continue
      // Whoever uses what is full at this level stops at it.
      for (let place = 0; place < this.openCount; place++) {
        const at = open[place]!
        const bound = this.fullAt(sessions[at]!, level, capacities)
        if (bound < 0) continue
        speeds[at] = level
        binds[at] = bound
      }
      if (!this.closeBound(sessions)) this.closeBelow(sessions, Infinity)
    }
  }
  /** The first resource that a session uses and that is full at a level; -1 where none is. */
  private fullAt(
    { rungNow: { uses } }: LiveSession,
    level: number,
    capacities: Float64Array,
  ): number {
    for (let of = 0; of < this.overfullCount; of++) {
      const resource = this.overfull[of]!
      const left = capacities[resource]! - this.used[resource]!
      if (left <= level * this.rising[resource]! * (1 + 1e-11) && uses.includes(resource))
        return resource
    }
    return -1
  }
  private usesOverfull({ rungNow: { uses } }: LiveSession): boolean {
    for (let of = 0; of < this.overfullCount; of++)
      if (uses.includes(this.overfull[of]!)) return true
    return false
  }
  /** Those who want less than a speed have it; false where there is none. */
  private closeBelow(sessions: readonly LiveSession[], speed: number): boolean {
    const { open, speeds } = this
    let kept = 0
    for (let place = 0; place < this.openCount; place++) {
      const at = open[place]!
      if (speeds[at]! < speed) this.take(sessions[at]!, speeds[at]!)
      else open[kept++] = at
    }
    return this.keep(kept)
  }
  /** Those whom something binds stay at their speed; false where there is none. */
  private closeBound(sessions: readonly LiveSession[]): boolean {
    const { open, speeds, binds } = this
    let kept = 0
    for (let place = 0; place < this.openCount; place++) {
      const at = open[place]!
      if (binds[at] !== ownLimit) this.take(sessions[at]!, speeds[at]!)
      else open[kept++] = at
    }
    return this.keep(kept)
  }
  private keep(kept: number): boolean {
    const closed = kept < this.openCount
    this.openCount = kept
    return closed
  }
  private take(session: LiveSession, speed: number): void {
    const { uses, needs } = session.rungNow
    for (let use = 0; use < uses.length; use++) this.used[uses[use]!]! += speed * needs[use]!
  }
}
