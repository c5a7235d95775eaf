import { readlinkSync } from 'node:fs'
import { setPriority } from 'node:os'

/** How much a thread that assesses gives way to the one that answers requests (nice, 0 to 19). */
export const niceness = 10

/**
 * Lets other threads go before this one, so that requests are answered at once while plans are
 * assessed on all cores.
 * Linux knows threads as it knows processes; elsewhere nothing is changed.
 */
export function lowerPriority(): void {
  try {
    const thread = Number(/\d+$/.exec(readlinkSync('/proc/thread-self'))?.[0])
    if (thread > 0) setPriority(thread, niceness)
  } catch {
    /* only slower to answer */
  }
}
