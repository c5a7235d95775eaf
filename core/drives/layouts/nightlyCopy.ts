import { type Layout, readsPerDrive } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** A second drive written every night by a scheduled job; usable min. */
export const nightlyCopy: Layout = {
  id: 'nightly-copy',
  label: 'Nightly copy',
  description: 'A scheduled job copies the first drive to the second every night.',
  minimumDrives: 2,
  maximumDrives: 2,
  survives: () => 1,
  loss: 'everything',
  runsOn: false,
  standsAlone: true,
  growsBy: 'replacing both drives',
  grows: 'replaceAll',
  takesAtATime: 1,
  mixesSizes: true,
  tellsParityApart: false,
  emptiesOneByOne: true,
  onPlainDisks: { aside: 1, as: 'copy' },
  leavesCopies: true,
  reads: readsPerDrive,
  systems: ['desktop', 'maker', 'stick'],
  takesInShort: 'a copy each night',
  becomes: { separate: 'End the nightly job; the copy becomes an empty drive.' },
  readableAlone: 'yes',
  tiedTo: 'nothing',
  rebuilds: 'byFileSystem',
  parity: false,
  caveat: 'Up to a day of changes is not on the copy yet.',
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const smallest = sizesTB.at(-1)!
    const members = placesDescending(drives)
    return {
      usableTB: smallest,
      redundancyTB: smallest,
      mismatchTB: sumTB(sizesTB) - 2 * smallest,
      parts: drives.map(({ sizeTB }, place) =>
        partsOf(sizeTB, place === members[0] ? { dataTB: smallest } : { copyTB: smallest }),
      ),
      groups: [{ members, sizesTB, survives: 1, rebuiltTB: sizesTB[0]!, readsTB: [sizesTB[1]!] }],
    }
  },
}
