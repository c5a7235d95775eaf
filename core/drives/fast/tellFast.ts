import type { Format } from '../../units/format'
import { rebuildShareOfOuter } from '../rebuildHours'
import type { FastStorage } from './fastStorage'
import { type FastTale, readsOf } from './fastRates'

/** How the SSD stands to what lies on it, in a sentence. */
export function fastSentence(
  fast: FastStorage,
  { plan: { drives } }: Pick<FastTale, 'plan'>,
  { quantity }: Pick<Format, 'quantity'>,
): string {
  if (drives.ssdTB === 0)
    return fast.ssdGB > 0
      ? `There is no SSD, but ${quantity(fast.ssdGB, 'GB')} are to lie on one: ` +
          `${quantity(fast.ssdNeededTB, 'TB')} of it are needed.`
      : 'There is no SSD, and nothing is to lie on one.'
  if (fast.ssdGB === 0) return `Nothing lies on the SSD of ${quantity(drives.ssdTB, 'TB')}.`
  return fast.ssdNeededTB <= drives.ssdTB
    ? `The SSD of ${quantity(drives.ssdTB, 'TB')} holds what lies on it; ` +
        `${quantity(fast.ssdNeededTB, 'TB')} would be enough.`
    : `The SSD of ${quantity(drives.ssdTB, 'TB')} is too small: ` +
        `${quantity(fast.ssdNeededTB, 'TB')} are needed for what lies on it.`
}

/** MB/s that a SATA SSD reads. */
export const ssdMBps = 530

/** What to know of a placement, in sentences. */
export function fastNotes(
  fast: FastStorage,
  {
    plan: { drives },
    pool,
    layoutId,
    linkMBps,
    format: { number: n, quantity },
  }: Pick<FastTale, 'plan' | 'pool' | 'layoutId' | 'format'> & {
    /** of the home network */ readonly linkMBps: number
  },
): string[] {
  const drivesMBps = pool
    ? rebuildShareOfOuter * pool.outerMBps * readsOf(layoutId, pool).together
    : 0
  const quick = fast.placed
    .filter(
      ({ id, pool, sizeGB }) =>
        (id.startsWith('holding-') || id === 'work') && pool === 'ssd' && sizeGB > 0,
    )
    .map(({ label }) => label)
  return [
    ...drives.arrivals
      .filter(({ projectGB }) => projectGB > 0)
      .map(
        ({ name, projectGB, projectMonths }) =>
          `Every ${quantity(projectMonths, 'months')} a project of ${quantity(projectGB, 'GB')}` +
          `${name ? ` of ${name}` : ''} moves from work in progress to the data drives.`,
      ),
    ...(drives.cacheOn !== 'spinning' && fast.cacheGB > 0
      ? [
          'What lies in the write cache has no second copy until it is moved, unless the ' +
            'SSD is mirrored.',
        ]
      : []),
    ...(drivesMBps > linkMBps
      ? [
          `What lies on the data drives is read at about ${n(drivesMBps, 3)} MB/s, faster ` +
            `than the ${n(linkMBps, 3)} MB/s of the home network: a faster network card ` +
            'shortens copies of it.',
        ]
      : []),
    ...(quick.length > 0 && ssdMBps > linkMBps
      ? [
          `A faster network card pays most for ${quick.join(', ')}, read at up to ` +
            `${ssdMBps} MB/s from the SSD.`,
        ]
      : []),
    ...(drivesMBps <= linkMBps && quick.length === 0
      ? [
          'A faster network card pays for nothing here: no pool with holdings is read ' +
            'faster than the home network carries.',
        ]
      : []),
    ...(drives.ssdTB > 0 ? ['Every SSD takes a port, an M.2 slot or lanes of the machine.'] : []),
  ]
}
