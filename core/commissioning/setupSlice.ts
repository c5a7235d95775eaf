import type { Catalogue } from '../catalogue/catalogue'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { LibraryFacts } from '../library/libraryFacts'
import type { FitFacts } from '../machine/fit/fitFacts'
import type { MachineFacts } from '../machine/machineFacts'
import type { NetworkFacts } from '../network/networkFacts'
import type { WiringFacts } from '../network/wiring'
import type { PlaybackFacts } from '../playback/playbackFacts'
import type { StreamsFacts } from '../streams/streamsFacts'
import type { Plan } from '../plan/planSchema'

/** What a run-book is made from: a plan, what is sold, and the facts of its assessment. */
export interface SetupSlice {
  readonly plan: Plan
  /** with the plan's own entries */
  readonly catalogue: Catalogue
  readonly facts: {
    readonly library: LibraryFacts
    readonly drives: DrivesFacts
    readonly machine: MachineFacts
    readonly fitting: FitFacts
    readonly playback: PlaybackFacts
    readonly streams: StreamsFacts
    readonly network: NetworkFacts
    readonly wiring: WiringFacts
  }
}

/** Where the plan's drives hang, and how many are reached from the front. */
export function hungDrives({ fitting, drives }: SetupSlice['facts']) {
  const { bays, housing } = fitting.context
  const inside = bays.turningInside + bays.flashInside
  const inTrays = Math.min(inside, housing?.hotSwap ?? 0)
  return {
    all: drives.count,
    inside,
    inTrays,
    outside: bays.turningOutside + bays.flashOutside + drives.inOwnCase,
  }
}

/** SSDs and cards that are put in. */
export function addedParts({ machine: { build } }: SetupSlice['facts']) {
  const kinds: readonly string[] = ['ssd', 'controller', 'networkCard', 'card']
  return build.parts.filter(({ kind }) => kinds.includes(kind))
}

/** Devices from which photos arrive, and those that people work on. */
export const phoneClasses: readonly string[] = ['phone', 'phoneMobile', 'tablet']
export const computerClasses: readonly string[] = ['browser']

export const photosArrive = ({ library }: Plan): boolean =>
  library.holdings.some(({ kind, addedPerMonth }) => kind === 'photos' && addedPerMonth > 0)

/** Parity on drives of its own, which may be built before or after copying. */
export const buildsParityApart = ({ drives: { pool } }: SetupSlice['facts']): boolean =>
  pool !== null && pool.parity && pool.loss !== 'everything'
