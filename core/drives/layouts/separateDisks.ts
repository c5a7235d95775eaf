import { type Layout, readsPerDrive } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** Each drive on its own; usable Σ. */
export const separateDisks: Layout = {
  id: 'separate',
  label: 'Separate disks',
  description: 'Each drive on its own, with its own folders.',
  minimumDrives: 1,
  survives: () => 0,
  loss: 'failedDrivesOnly',
  runsOn: false,
  standsAlone: true,
  growsBy: 'one drive',
  grows: 'added',
  takesAtATime: 1,
  mixesSizes: true,
  tellsParityApart: false,
  emptiesOneByOne: true,
  onPlainDisks: { aside: 0, as: 'nothing' },
  leavesCopies: false,
  reads: readsPerDrive,
  isUsual: ({ drives, survives }) => survives === 0 || drives < 2,
  searched: { from: 1, fileSystem: 'journalled' },
  systems: ['desktop', 'maker', 'stick'],
  takesInShort: 'drives by themselves',
  becomes: {
    ...Object.fromEntries(
      [1, 2].flatMap(parities =>
        ['dedicated', 'snapshot'].map(kind => [
          `${kind}-${parities}`,
          `Add ${parities === 1 ? 'a drive' : 'two drives'} at least as large as the ` +
            'largest for parity.',
        ]),
      ),
    ),
    duplication:
      'Where half of the space is free, the second copies are made while everything plays.',
  },
  readableAlone: 'yes',
  tiedTo: 'nothing',
  rebuilds: 'files',
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
