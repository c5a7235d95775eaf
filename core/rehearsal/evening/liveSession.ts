import type { PlanningValues } from '../planningValues'
import { ownLimit, type CopyPlan, type Route, type Rung, type SessionPlan } from './world'

/** Phases of a session; a copy has one of its own. */
export const phases = {
  start: 0,
  plays: 1,
  full: 2,
  stall: 3,
  seek: 4,
  copy: 5,
} as const
export type Phase = (typeof phases)[keyof typeof phases]

/** Seconds, and speeds, are told apart down to this. */
export const tolerance = 1e-9
/** A speed below 1 by less is 1: shares are worked out in doubles. */
export const speedTolerance = 1e-12

/** What is due of a session at a moment, apart from its end. */
export type Due = 'playing' | 'full' | 'notFull' | 'stall' | 'seek' | 'patience' | 'step' | 'copied'

/**
 * A session that is on. What it has produced, played and lost is brought up only when its speed or
 * phase changes: between two changes all are straight lines.
 */
export class LiveSession {
  phase: Phase = phases.start
  rung = 0
  /** seconds ready to play; of a copy what is still to do */
  buffer = 0
  /** seconds produced in a second, and what keeps it from more */
  speed = 0
  binds: number = ownLimit
  /** until when it is brought up */
  now: number
  /** the next moment at which something is due of it */
  next = Infinity
  waitSince: number
  lastStep = -Infinity
  private seekAt = 0
  stalls = 0
  steps = 0
  produced = 0
  /** of it, at the present rung */
  producedHere = 0
  played = 0
  thrownAway = 0
  startWait = 0
  stalled = 0
  seekWait = 0
  lost = 0
  belowFirst = 0
  /** the whole evening's overload when it began */
  overloadBefore = 0
  hasPlayed = false

  constructor(
    readonly plan: SessionPlan | CopyPlan,
    readonly route: Route,
    private readonly values: PlanningValues,
  ) {
    this.now = plan.start
    this.waitSince = plan.start
    if ('amount' in plan) {
      this.phase = phases.copy
      this.buffer = plan.amount
    }
  }

  get end(): number {
    return 'end' in this.plan ? this.plan.end : Infinity
  }
  get rungNow(): Rung {
    return this.route.rungs[this.rung]!
  }
  get isWaiting(): boolean {
    const { phase } = this
    return phase === phases.start || phase === phases.stall || phase === phases.seek
  }
  /** The most speed it can use now. */
  get wanted(): number {
    const { limit } = this.route.rungs[this.rung]!
    return this.phase === phases.full && limit > 1 ? 1 : limit
  }

  /** Brings everything up to a moment. */
  bringUp(now: number): void {
    const passed = now - this.now
    if (passed <= 0) return
    this.now = now
    const made = this.speed * passed
    this.produced += made
    this.producedHere += made
    if (this.rung > 0) this.belowFirst += passed
    switch (this.phase) {
      case phases.copy:
        this.buffer -= made
        return
      case phases.start:
        this.startWait += passed
        this.buffer += made
        return
      case phases.seek:
        this.seekWait += passed
        this.buffer += made
        return
      case phases.stall:
        this.stalled += passed
        this.buffer += made
        this.lost += Math.max(0, 1 - this.speed) * passed
        return
      default:
        this.played += passed
        this.buffer += (this.speed - 1) * passed
        this.lost += Math.max(0, 1 - this.speed) * passed
    }
  }

  /** The next rung that asks less of what binds; -1 where there is none. */
  lowerRung(): number {
    const { rungs } = this.route
    const of = this.binds
    const here = rungs[this.rung]!
    for (let at = this.rung + 1; at < rungs.length; at++) {
      const rung = rungs[at]!
      if (of === ownLimit ? rung.limit > here.limit : needOf(rung, of) < needOf(here, of)) return at
    }
    return -1
  }

  /** What is due of it at the moment it is brought up to. */
  due(): Due | null {
    const { phase, buffer, speed, values } = this
    if (phase === phases.copy) return buffer <= tolerance ? 'copied' : null
    if (this.isWaiting) {
      if (buffer >= values.startS - tolerance) return 'playing'
    } else {
      if (phase === phases.full) {
        if (speed < 1 - speedTolerance) return 'notFull'
      } else if (speed > 1 + speedTolerance) {
        if (buffer >= values.bufferS - tolerance) return 'full'
      } else if (speed < 1 - speedTolerance && buffer <= tolerance) return 'stall'
    }
    if (this.now >= this.nextSeek()) return 'seek'
    if (this.isWaiting && this.now >= this.waitSince + values.waitBorneS) return 'patience'
    return this.isStepDue() ? 'step' : null
  }
  private isStepDue(): boolean {
    const { values } = this
    return (
      this.speed < 1 - speedTolerance &&
      this.buffer <= values.stepAtS + tolerance &&
      this.now >= this.lastStep + values.stepApartS &&
      this.binds >= ownLimit &&
      this.lowerRung() >= 0
    )
  }

  /** When something is due of it next, if its speed stays. */
  foresee(): void {
    this.next = Math.min(this.end, this.due() === null ? this.ahead() : this.now)
  }
  private ahead(): number {
    const { phase, buffer, speed, values, now } = this
    if (phase === phases.copy) return speed > 0 ? now + buffer / speed : Infinity
    let next = this.nextSeek()
    if (this.isWaiting) {
      next = Math.min(next, this.waitSince + values.waitBorneS)
      if (speed > 0) next = Math.min(next, now + (values.startS - buffer) / speed)
    } else if (phase === phases.plays) {
      if (speed > 1 + speedTolerance)
        next = Math.min(next, now + (values.bufferS - buffer) / (speed - 1))
      else if (speed < 1 - speedTolerance) next = Math.min(next, now + buffer / (1 - speed))
    }
    if (speed < 1 - speedTolerance && this.binds >= ownLimit && this.lowerRung() >= 0) {
      const reached =
        phase === phases.plays && buffer > values.stepAtS
          ? now + (buffer - values.stepAtS) / (1 - speed)
          : now
      next = Math.min(next, Math.max(reached, this.lastStep + values.stepApartS))
    }
    return next
  }
  private nextSeek(): number {
    return 'seeks' in this.plan ? (this.plan.seeks[this.seekAt] ?? Infinity) : Infinity
  }

  /** It plays from now on. */
  play(): void {
    const { startS } = this.values
    if (Math.abs(this.buffer - startS) <= tolerance) this.buffer = startS
    this.phase = phases.plays
    this.hasPlayed = true
  }
  fill(): void {
    this.buffer = this.values.bufferS
    this.phase = phases.full
  }
  stall(): void {
    this.buffer = 0
    this.phase = phases.stall
    this.waitSince = this.now
    this.stalls++
  }
  /** @returns false where it waits already, and the seek is dropped */
  seek(): boolean {
    this.seekAt++
    if (this.isWaiting) return false
    this.thrownAway += this.buffer
    this.buffer = 0
    this.phase = phases.seek
    this.waitSince = this.now
    return true
  }
  stepDown(): void {
    this.rung = this.lowerRung()
    this.lastStep = this.now
    this.steps++
  }
}

function needOf({ uses, needs }: Rung, resource: number): number {
  const at = uses.indexOf(resource)
  return at < 0 ? 0 : needs[at]!
}
