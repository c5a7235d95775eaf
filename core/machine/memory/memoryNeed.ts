import { requireWithin } from '../../errors'
import type { Estimate } from '../../figure'
import type { Service } from '../../plan/system'

/** GB that a guest takes besides its services. */
export const guestGB: Estimate = { low: 1, likely: 1.5, high: 2 }
/** GB of each use, floors. */
export const memoryUses = {
  makersSystem: 1,
  plainSystem: 2,
  copyOnWritePool: 6,
  mediaSoftware: 1.5,
  conversion: 0.3,
  container: 0.05,
  guest: guestGB.likely,
} as const
/** What is wanted, as a factor on the sum of the floors. */
export const wantedFactor = 1.5
/** GB that the old rule gives for each raw terabyte. */
export const gbPerRawTB = 1

export interface MemoryQuestion {
  /** the appliance maker's own system */
  readonly makersSystem: boolean
  readonly copyOnWrite: boolean
  /** conversions needed at once */
  readonly conversions: number
  readonly services: readonly Pick<Service, 'on' | 'memoryGB'>[]
  /** GB that the sessions of a built-in engine take at that many conversions */
  readonly engineGB: number
  readonly rawTB: number
}

export interface MemoryNeed {
  readonly uses: readonly {
    readonly id: 'system' | 'mediaSoftware' | 'conversions' | 'services' | 'guests' | 'engine'
    readonly gb: number
  }[]
  readonly sumGB: number
  /** the least, and what is wanted: sizes that are sold */
  readonly floorGB: number
  readonly wantedGB: number
  /** what the rule of a gigabyte for each raw terabyte would take */
  readonly byRawTB: number
}

/**
 * GB of the system before media software and sessions: what a built-in engine has to leave alone.
 */
export function systemMemoryGB({
  makersSystem,
  copyOnWrite,
}: Pick<MemoryQuestion, 'makersSystem' | 'copyOnWrite'>): number {
  if (makersSystem) return memoryUses.makersSystem
  return copyOnWrite ? memoryUses.copyOnWritePool : memoryUses.plainSystem
}

/**
 * The next size that memory is sold in: 1, 2, 4 … GB.
 * @throws {CoreRangeError} MEMORY_GB
 */
export function soldGB(gb: number): number {
  requireWithin('MEMORY_GB', gb, { min: 0 })
  return 2 ** Math.max(0, Math.ceil(Math.log2(Math.max(1, gb)) - 1e-9))
}

/**
 * Memory by use: system + media software + 0.3 a conversion + services + guests + a built-in
 * engine's sessions, as a floor, rounded up
 * to a size that is sold; wanted is 1.5 times the sum.
 * @example copy-on-write, 3 conversions, nothing else: 6 + 1.5 + 0.9 = 8.4, floor 16, wanted 12.6,
 *   so 16
 */
export function memoryNeed(question: MemoryQuestion): MemoryNeed {
  const { conversions, services, engineGB, rawTB } = question
  const guests = services.filter(({ on }) => on === 'guest').length * memoryUses.guest
  const own = services.reduce(
    (sum, { on, memoryGB }) => sum + memoryGB + (on === 'container' ? memoryUses.container : 0),
    0,
  )
  const uses: MemoryNeed['uses'] = [
    { id: 'system', gb: systemMemoryGB(question) },
    { id: 'mediaSoftware', gb: memoryUses.mediaSoftware },
    { id: 'conversions', gb: memoryUses.conversion * conversions },
    { id: 'services', gb: own },
    { id: 'guests', gb: guests },
    { id: 'engine', gb: engineGB },
  ]
  const sumGB = uses.reduce((sum, { gb }) => sum + gb, 0)
  return {
    uses,
    sumGB,
    floorGB: soldGB(sumGB),
    wantedGB: soldGB(wantedFactor * sumGB),
    byRawTB: gbPerRawTB * rawTB,
  }
}
