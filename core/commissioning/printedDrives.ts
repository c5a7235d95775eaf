import type { Plan } from '../plan/planSchema'

/** One drive as it is told on a label, and on the card inside the door. */
export interface PrintedDrive {
  readonly bay: number | null
  readonly size: string
  /** end of its serial; '' while nobody has entered it */
  readonly serialEnd: string
}

/** Letters of a serial that are printed: enough to tell one from the other, and read aloud. */
const serialLetters = 6

/**
 * The drives of a plan, one by one: as they stand in the register, and those that are not in it yet
 * with room for their serials.
 * @param sizeText a size in TB as people read it
 */
export function printedDrives(
  { drives }: Pick<Plan, 'drives'>,
  sizeText: (sizeTB: number) => string,
): PrintedDrive[] {
  const planned = drives.lots.flatMap(({ count, sizeTB }) =>
    Array.from({ length: count }, () => sizeText(sizeTB)),
  )
  const known = drives.register.map(({ bay, lot, serial }, at) => ({
    bay,
    size: lot || (planned[at] ?? ''),
    serialEnd: serial.slice(-serialLetters),
  }))
  const open = planned
    .slice(known.length)
    .map((size, at) => ({ bay: known.length + at + 1, size, serialEnd: '' }))
  return [...known, ...open].sort((a, b) => (a.bay ?? 1e9) - (b.bay ?? 1e9))
}
