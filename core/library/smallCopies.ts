import { smallCopyRates } from '../catalogue/sentQualities'
import type { Holding } from '../plan/library'

/** Mean rate of a kind of second copy, Mb/s; 0 when none is kept. */
export function smallCopyMbps(kind: Holding['smallCopies']): number {
  return kind === 'none' ? 0 : smallCopyRates[kind]
}
