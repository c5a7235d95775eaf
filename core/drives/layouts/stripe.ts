import type { Layout } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** Every file over all drives; usable n·min. */
export const stripe: Layout = {
  id: 'stripe',
  label: 'Stripe (RAID 0)',
  description: 'Every file is spread over all drives: fast, but one failed drive loses everything.',
  minimumDrives: 2,
  survives: () => 0,
  loss: 'everything',
  runsOn: false,
  growsBy: 'starting over',
  grows: 'startOver',
  takesAtATime: 1,
  mixesSizes: false,
  tellsParityApart: false,
  emptiesOneByOne: false,
  leavesCopies: false,
  reads: ({ members }) => ({ together: members, sideBySide: 1, isPerDrive: false }),
  systems: [],
  takesInShort: 'a stripe',
  readableAlone: 'no',
  tiedTo: 'the program or controller that made it',
  rebuilds: 'byFileSystem',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const smallest = sizesTB.at(-1)!
    const usableTB = sizesTB.length * smallest
    return {
      usableTB,
      redundancyTB: 0,
      mismatchTB: sumTB(sizesTB) - usableTB,
      parts: drives.map(({ sizeTB }) => partsOf(sizeTB, { dataTB: smallest })),
      groups: [
        {
          members: placesDescending(drives),
          sizesTB,
          survives: 0,
          rebuiltTB: sizesTB[0]!,
          readsTB: [],
        },
      ],
    }
  },
}
