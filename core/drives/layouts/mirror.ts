import type { Layout } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** The same on every drive; usable min, redundancy (n−1)·min. */
export const mirror: Layout = {
  id: 'mirror',
  label: 'Mirror (RAID 1)',
  description: 'Every drive holds the same data; the smallest sets the space.',
  minimumDrives: 2,
  survives: drives => drives - 1,
  loss: 'everything',
  runsOn: true,
  growsBy: 'replacing every drive with a bigger one',
  grows: 'replaceAll',
  takesAtATime: 1,
  mixesSizes: false,
  tellsParityApart: false,
  emptiesOneByOne: true,
  onPlainDisks: { aside: 'all but one', as: 'half' },
  leavesCopies: true,
  reads: ({ members }) => ({ together: 1, sideBySide: members, isPerDrive: false }),
  isUsual: ({ drives, survives }) => drives <= survives + 1,
  searched: { from: 2, to: 2, fileSystem: 'journalled' },
  systems: ['desktop', 'maker', 'stick', 'storage'],
  takesInShort: 'a mirror',
  becomes: {
    pairs: 'Add a pair, where the system joins mirrors into one pool.',
    separate: 'Split the mirror; one drive keeps the data, the others are empty.',
  },
  readableAlone: 'on a plain file system',
  tiedTo: 'nothing on a plain file system',
  rebuilds: 'byFileSystem',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const smallest = sizesTB.at(-1)!
    const members = placesDescending(drives)
    const redundancyTB = (sizesTB.length - 1) * smallest
    return {
      usableTB: smallest,
      redundancyTB,
      mismatchTB: sumTB(sizesTB) - smallest - redundancyTB,
      parts: drives.map(({ sizeTB }, place) =>
        partsOf(sizeTB, place === members[0] ? { dataTB: smallest } : { copyTB: smallest }),
      ),
      groups: [
        {
          members,
          sizesTB,
          survives: sizesTB.length - 1,
          rebuiltTB: sizesTB[0]!,
          readsTB: [sizesTB[1]!],
        },
      ],
    }
  },
}
