import type { Holding } from '../plan/library'

/** Mean rate of each kind of small second copy, Mb/s: H.264 with plain sound. */
export const smallCopyRates = { hd720: 3, hd1080: 6 } as const

/** Mean rate of a kind of second copy, Mb/s; 0 when none is kept. */
export function smallCopyMbps(kind: Holding['smallCopies']): number {
  return kind === 'none' ? 0 : smallCopyRates[kind]
}
