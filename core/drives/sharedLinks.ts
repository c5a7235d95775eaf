/** A link between data drives and the processor that may be narrower than what hangs on it. */
export interface SharedLink {
  /** an enclosure, a controller card, or the lanes of an M.2 place */
  readonly what: 'enclosure' | 'controller' | 'place'
  /** MB/s that it carries */
  readonly MBps: number
  /** data drives that hang on it, >= 1 */
  readonly drives: number
}

/** Drives of one group, by what they can hang on. */
export interface HangingDrives {
  /** in bays, on data ports */
  readonly onPorts: number
  readonly nvme: number
  /** drives that a rebuild reads or writes at once */
  readonly atOnce: number
}

/** The link that leaves each drive the least while a group is rebuilt. */
export interface NarrowestLink {
  readonly link: SharedLink
  /** drives of the group that use it at once */
  readonly sharedBy: number
  /** MB/s for each of them */
  readonly MBps: number
}

/**
 * The narrowest of the links that the drives of a group may share: its rate over the drives that
 * are read or written through it at once. Which of the pool's drives hang on it is not known, so as
 * many of the group count as hang there.
 * @returns null where nothing is shared
 * @example narrowestLink([{ what: 'enclosure', MBps: 430, drives: 4 }],
 *   { onPorts: 4, nvme: 0, atOnce: 4 }) // 107.5 MB/s each
 */
export function narrowestLink(
  links: readonly SharedLink[],
  { onPorts, nvme, atOnce }: HangingDrives,
): NarrowestLink | null {
  return links.reduce<NarrowestLink | null>((narrowest, link) => {
    const sharedBy = Math.min(atOnce, link.drives, link.what === 'place' ? nvme : onPorts)
    if (sharedBy === 0) return narrowest
    const MBps = link.MBps / sharedBy
    return narrowest && narrowest.MBps <= MBps ? narrowest : { link, sharedBy, MBps }
  }, null)
}
