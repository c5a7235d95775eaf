/** A headroom that was paid for: what is possible beyond what is needed at the horizon. */
export interface PaidHeadroom {
  readonly id: 'conversions' | 'room' | 'bays'
  readonly possible: number
  readonly needed: number
  /** of the parts that give it, and their watts at rest, DC */
  readonly price: number
  readonly watts: number
}
export interface Unused extends PaidHeadroom {
  readonly share: number
  readonly unusedPrice: number
  readonly unusedWatts: number
}

/**
 * Paid for and never used: (possible − needed) ÷ possible of the price, and of the watts, of what
 * gives it. Nothing where all is needed.
 * @example neverUsed([{ id: 'room', possible: 40, needed: 30, price: 800, watts: 20 }]) // a
 *   quarter: 200, 5 W
 */
export function neverUsed(headrooms: readonly PaidHeadroom[]): Unused[] {
  return headrooms.map(headroom => {
    const share =
      headroom.possible > 0
        ? Math.max(0, headroom.possible - headroom.needed) / headroom.possible
        : 0
    return {
      ...headroom,
      share,
      unusedPrice: share * headroom.price,
      unusedWatts: share * headroom.watts,
    }
  })
}

/**
 * The month in which monthly payments have come to the price of buying once; 0 where buying costs
 * nothing, null where nothing is paid by the month.
 */
export function licenceCrossing(once: number, perMonth: number): number | null {
  if (once <= 0) return 0
  return perMonth > 0 ? Math.ceil(once / perMonth - 1e-9) : null
}
