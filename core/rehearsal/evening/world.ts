/**
 * What can run out while people watch, in the order of the table of handbook 10: of several that
 * bind at once the first one is named.
 */
export const resourceKinds = [
  'processor',
  'decode',
  'toneMap',
  'encode',
  'upload',
  'placeLine',
  'deviceLine',
  'airtime',
  'deviceCable',
  'port',
  'router',
  'drives',
] as const
export type ResourceKind = (typeof resourceKinds)[number]

/** One thing that sessions share by time; its unit is whatever its users take of it. */
export interface Resource {
  readonly kind: ResourceKind
  /** which of its kind: an engine, a place, a device, a drive; 0 where there is one */
  readonly at: number
  readonly capacity: number
}

/** What is held whole from a session's start to its end. */
export interface Place {
  readonly kind: 'driverSessions' | 'engineMemory'
  readonly engine: number
  readonly capacity: number
}

/** One rate at which a session can be sent, and what speed 1 takes at it. */
export interface Rung {
  readonly mbps: number
  /** lines of the picture; 0 of sound alone */
  readonly lines: number
  /** the most that can be produced in a second, seconds */
  readonly limit: number
  /** places in the list of resources, and what each of them gives at speed 1 */
  readonly uses: readonly number[]
  readonly needs: readonly number[]
}

/** A way by which a session can be served. */
export interface Route {
  /** an engine; null in software, or where no picture is converted */
  readonly engine: number | null
  readonly converts: boolean
  /** places in the list of resources of the engine's own units */
  readonly units: readonly number[]
  /** places in the list of places, and how much of each is held */
  readonly holds: readonly (readonly [place: number, amount: number])[]
  /** the first is what it begins at */
  readonly rungs: readonly Rung[]
}

/** Why a session cannot be at all, whoever else is on. */
export type Never =
  | { readonly by: 'machine'; readonly reason: string }
  | { readonly by: 'line' | 'device'; readonly reason: string }

/** One session as it was drawn, in seconds of its evening. */
export interface SessionPlan {
  readonly viewer: number
  /** of equal starts the order of the plan */
  readonly order: number
  readonly start: number
  readonly end: number
  /** rising moments */
  readonly seeks: readonly number[]
  readonly never: Never | null
  /** engines in their order, then software; none where it is never possible */
  readonly routes: readonly Route[]
}

/** A flow with an amount, seconds of work, and no viewer: a copy, or an archive that is encoded. */
export interface CopyPlan {
  readonly order: number
  readonly start: number
  readonly amount: number
  readonly rung: Rung
}

/** A capacity that is another from a moment on; null is the hang of the whole machine. */
export interface CapacityChange {
  readonly at: number
  readonly resource: number | null
  readonly capacity: number
}

/** One evening to play. */
export interface Evening {
  readonly resources: readonly Resource[]
  readonly places: readonly Place[]
  /** in order of start, of equals by their order */
  readonly sessions: readonly SessionPlan[]
  readonly copies?: readonly CopyPlan[]
  /** in order of time */
  readonly changes: readonly CapacityChange[]
}

/** What bound a speed: a resource by its place in the list, the session's own limit, the hang. */
export const ownLimit = -1
export const hang = -2
