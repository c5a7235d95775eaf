import type { PlanningValues } from '../planningValues'
import { chooseRoute } from './chooseRoute'
import { FairShares } from './fairShares'
import { LiveSession, phases, type Due } from './liveSession'
import { hang, type CopyPlan, type Evening, type SessionPlan } from './world'

/** What may happen to a session. */
export type EventKind =
  | 'begins'
  | 'refused'
  | 'plays'
  | 'full'
  | 'notFull'
  | 'stall'
  | 'seek'
  | 'step'
  | 'gaveUp'
  | 'ends'

/** Something that happened, and what bound then. */
export interface EveningEvent {
  readonly at: number
  readonly kind: EventKind
  /** place in the evening's list of sessions */
  readonly session: number
  /** a resource by its place, the own limit, or the hang */
  readonly binds: number
}

/** What a session came to. */
export interface SessionResult {
  readonly plan: SessionPlan
  readonly outcome: 'watched' | 'gaveUp' | 'never' | 'noPlace'
  /** what was missing where it found no place */
  readonly missing: 'driverSessions' | 'engineMemory' | 'software' | null
  /** null in a session that was refused */
  readonly live: LiveSession | null
  /** when it was over, seconds */
  readonly over: number
  /** seconds of the evening's overload while it was on */
  readonly overload: number
}

/** Looks on while an evening is played; everything is called after shares are worked out. */
export interface EveningWatcher {
  readonly event?: (event: EveningEvent) => void
  /** shares are worked out anew: speeds and buffers are those of the moment */
  readonly shares?: (now: number, live: readonly LiveSession[], capacities: Float64Array) => void
}

/**
 * Plays one evening from event to event: between two of them all speeds are constant, so the next
 * is computed and never ticked.
 * @see handbook 10, Events
 */
export class EveningRun {
  now = 0
  /** by place in the list of resources */
  readonly capacities: Float64Array
  readonly used: Float64Array
  readonly offered: Float64Array
  readonly fullS: Float64Array
  /** seconds in which some resource is asked for more than it has, or the machine hangs */
  overload = 0
  readonly results: (SessionResult | null)[]
  readonly copiesDone: { readonly plan: CopyPlan; readonly at: number }[] = []
  /** seconds in which anybody is on, and by resource how many of them are counted as offered */
  private onTime = 0
  private readonly offeredUntil: Float64Array
  private readonly live: LiveSession[] = []
  private readonly places: number[]
  private readonly held: Float64Array
  private readonly shares: FairShares
  private nextSession = 0
  private nextCopy = 0
  private nextChange = 0
  private hangs = false
  private overloaded = false
  private countedUntil = 0
  /** what is wanted is another than when shares were worked out last */
  private asksAnew = true
  /** resources that bind somebody now */
  private readonly full: Int32Array
  private fullCount = 0

  constructor(
    readonly evening: Evening,
    private readonly values: PlanningValues,
    private readonly watcher: EveningWatcher = {},
  ) {
    const { resources, places, sessions } = evening
    this.capacities = Float64Array.from(resources, ({ capacity }) => capacity)
    this.used = new Float64Array(resources.length)
    this.offered = new Float64Array(resources.length)
    this.fullS = new Float64Array(resources.length)
    this.offeredUntil = new Float64Array(resources.length)
    this.full = new Int32Array(resources.length)
    this.held = new Float64Array(places.length)
    this.shares = new FairShares(resources.length)
    this.results = sessions.map(() => null)
    this.places = []
  }

  /** Everything that happens at the next moment at which anything does; false when all is over. */
  advance(): boolean {
    const next = this.nextMoment()
    if (next === Infinity) return false
    this.count(next)
    this.now = next
    while (this.settleOne()) {
      if (this.asksAnew) this.workShares()
      this.watcher.shares?.(this.now, this.live, this.capacities)
    }
    return true
  }
  play(): this {
    while (this.advance());
    for (let at = 0; at < this.capacities.length; at++) this.offer(at)
    return this
  }

  /** What there was of a resource since its capacity was another. */
  private offer(resource: number): void {
    this.offered[resource]! +=
      this.capacities[resource]! * (this.onTime - this.offeredUntil[resource]!)
    this.offeredUntil[resource] = this.onTime
  }

  private nextMoment(): number {
    const { sessions, copies, changes } = this.evening
    let next = Math.min(
      sessions[this.nextSession]?.start ?? Infinity,
      copies?.[this.nextCopy]?.start ?? Infinity,
    )
    for (const session of this.live) if (session.next < next) next = session.next
    // Capacities that change once everybody has gone change nothing.
    if (next === Infinity) return Infinity
    return Math.min(next, changes[this.nextChange]?.at ?? Infinity)
  }

  /** Adds up what is offered, full and overloaded until a moment. */
  private count(until: number): void {
    const passed = until - this.countedUntil
    this.countedUntil = until
    if (this.live.length === 0 || passed <= 0) return
    this.onTime += passed
    if (this.overloaded || this.hangs) this.overload += passed
    for (let at = 0; at < this.fullCount; at++) this.fullS[this.full[at]!]! += passed
  }

  /** The first thing that is due, in the order of the rows; false when nothing is. */
  private settleOne(): boolean {
    this.asksAnew = true
    return this.endOne() || this.changeOne() || this.beginOne() || this.doFirst()
  }
  private endOne(): boolean {
    for (const session of this.live)
      if (session.end <= this.now) {
        this.leave(session, 'watched')
        return true
      }
    return false
  }
  private changeOne(): boolean {
    const change = this.evening.changes[this.nextChange]
    if (!change || change.at > this.now) return false
    this.nextChange++
    if (change.resource === null) this.hangs = change.capacity === 0
    else {
      this.offer(change.resource)
      this.capacities[change.resource] = change.capacity
    }
    return true
  }
  private beginOne(): boolean {
    const copy = this.evening.copies?.[this.nextCopy]
    if (copy && copy.start <= this.now) {
      this.nextCopy++
      const { rung } = copy
      const route = { engine: null, converts: false, units: [], holds: [], rungs: [rung] }
      this.live.push(new LiveSession(copy, route, this.values))
      this.places.push(-1)
      return true
    }
    const plan = this.evening.sessions[this.nextSession]
    if (!plan || plan.start > this.now) return false
    const at = this.nextSession++
    const chosen = plan.never
      ? null
      : chooseRoute(plan, { evening: this.evening, held: this.held, live: this.live })
    if (!chosen || 'missing' in chosen) {
      this.results[at] = {
        plan,
        outcome: plan.never ? 'never' : 'noPlace',
        missing: chosen ? chosen.missing : null,
        live: null,
        over: plan.end,
        overload: 0,
      }
      this.tell('refused', at, 0)
      return true
    }
    for (const [place, amount] of chosen.holds) this.held[place]! += amount
    const session = new LiveSession(plan, chosen, this.values)
    session.overloadBefore = this.overload
    this.live.push(session)
    this.places.push(at)
    this.tell('begins', at, session.binds)
    return true
  }
  /** The first row in which something is due, and in it the session that began first. */
  private doFirst(): boolean {
    const { live, now } = this
    let first: Due | null = null
    let at = -1
    for (let place = 0; place < live.length; place++) {
      const session = live[place]!
      if (session.next > now) continue
      session.bringUp(now)
      const due = session.due()
      if (due === null || (first !== null && rows[due] >= rows[first])) continue
      first = due
      at = place
      if (rows[due] === 0) break
    }
    if (first === null) return false
    const session = live[at]!
    const { wanted, rungNow } = session
    this.carryOut(at, first)
    // Who begins to play, or stalls, wants as much as before: nobody's share is another.
    this.asksAnew = live[at] !== session || session.wanted !== wanted || session.rungNow !== rungNow
    if (!this.asksAnew) session.foresee()
    return true
  }
  private carryOut(place: number, due: Due): void {
    const session = this.live[place]!
    const at = this.places[place]!
    const { binds } = session
    switch (due) {
      case 'copied':
        this.copiesDone.push({ plan: session.plan as CopyPlan, at: this.now })
        this.remove(session)
        return
      case 'playing':
        session.play()
        this.tell('plays', at, binds)
        return
      case 'full':
        session.fill()
        this.tell('full', at, binds)
        return
      case 'notFull':
        session.phase = phases.plays
        this.tell('notFull', at, binds)
        return
      case 'stall':
        session.stall()
        this.tell('stall', at, binds)
        // A third stall leaves before the next one's stall is asked.
        if (session.stalls >= this.values.stallsBorne) this.leave(session, 'gaveUp')
        return
      case 'seek':
        if (session.seek()) this.tell('seek', at, binds)
        return
      case 'patience':
        this.leave(session, 'gaveUp')
        return
      case 'step':
        this.takeUp(session)
        session.stepDown()
        this.tell('step', at, binds)
    }
  }
  /** What it has taken at its present rung goes to the resources. */
  private takeUp(session: LiveSession): void {
    const { uses, needs } = session.rungNow
    for (let use = 0; use < uses.length; use++)
      this.used[uses[use]!]! += session.producedHere * needs[use]!
    session.producedHere = 0
  }
  private leave(session: LiveSession, outcome: 'watched' | 'gaveUp'): void {
    session.bringUp(this.now)
    const at = this.places[this.live.indexOf(session)]!
    this.results[at] = {
      plan: session.plan as SessionPlan,
      outcome,
      missing: null,
      live: session,
      over: this.now,
      overload: this.overload - session.overloadBefore,
    }
    this.tell(outcome === 'gaveUp' ? 'gaveUp' : 'ends', at, session.binds)
    this.remove(session)
  }
  private remove(session: LiveSession): void {
    this.takeUp(session)
    for (const [place, amount] of session.route.holds) this.held[place]! -= amount
    const at = this.live.indexOf(session)
    this.live.splice(at, 1)
    this.places.splice(at, 1)
  }

  private workShares(): void {
    const { live, shares, now } = this
    shares.work(live, this.capacities)
    for (let at = 0; at < live.length; at++) {
      const session = live[at]!
      const speed = this.hangs ? 0 : shares.speeds[at]!
      const binds = this.hangs ? hang : shares.binds[at]!
      // Nothing due, and the same speed for the same reason: it goes on as it is.
      if (speed === session.speed && binds === session.binds && session.next > now) continue
      session.bringUp(now)
      session.speed = speed
      session.binds = binds
      session.foresee()
    }
    this.overloaded = shares.isOverloaded
    this.fullCount = 0
    if (!shares.binding) return
    for (let at = 0; at < live.length; at++) {
      const { binds } = live[at]!
      if (binds >= 0 && !this.isFull(binds)) this.full[this.fullCount++] = binds
    }
  }
  private isFull(resource: number): boolean {
    for (let at = 0; at < this.fullCount; at++) if (this.full[at] === resource) return true
    return false
  }
  private tell(kind: EventKind, session: number, binds: number): void {
    this.watcher.event?.({ at: this.now, kind, session, binds })
  }
}

/** The order of what is due at one moment. */
const rows: Readonly<Record<Due, number>> = {
  playing: 0,
  full: 0,
  notFull: 0,
  stall: 0,
  copied: 0,
  seek: 1,
  patience: 2,
  step: 3,
}
