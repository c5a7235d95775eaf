import { type Layout, readsPerDrive } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** All drives end to end as one; usable Σ. */
export const span: Layout = {
  id: 'span',
  label: 'Span',
  description: 'All drives end to end as one big disk.',
  minimumDrives: 1,
  survives: () => 0,
  loss: 'everything',
  runsOn: false,
  growsBy: 'one drive',
  grows: 'added',
  takesAtATime: 1,
  mixesSizes: true,
  tellsParityApart: false,
  emptiesOneByOne: false,
  leavesCopies: false,
  reads: readsPerDrive,
  systems: [],
  takesInShort: 'all drives as one',
  readableAlone: 'yes',
  tiedTo: 'nothing',
  rebuilds: 'byFileSystem',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    return {
      usableTB: sumTB(sizesTB),
      redundancyTB: 0,
      mismatchTB: 0,
      parts: drives.map(({ sizeTB }) => partsOf(sizeTB, { dataTB: sizeTB })),
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
