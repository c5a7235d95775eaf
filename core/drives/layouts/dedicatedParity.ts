import { type Layout, parityInWords, readsPerDrive } from './layout'
import { parityBesideDisks } from './parityBesideDisks'

/** Parity on drives of its own, always up to date, over a pool of separate disks. */
export function dedicatedParity(parityDrives: 1 | 2): Layout {
  return {
    id: `dedicated-${parityDrives}`,
    label: `Dedicated parity, ${parityDrives === 1 ? 'one drive' : 'two drives'}`,
    description:
      'Separate disks of any size, with parity on drives of its own; each disk can be read alone.',
    minimumDrives: parityDrives + 1,
    ...(parityDrives > 1 ? { single: 'dedicated-1' } : {}),
    survives: () => parityDrives,
    loss: 'failedDrivesOnly',
    runsOn: true,
    growsBy: 'one drive',
    grows: 'added',
    takesAtATime: 1,
    mixesSizes: true,
    tellsParityApart: true,
    emptiesOneByOne: true,
    onPlainDisks: { aside: parityDrives, as: 'parity' },
    leavesCopies: false,
    reads: readsPerDrive,
    isUsual: ({ survives, isMixed }) => survives === parityDrives && isMixed,
    searched: { from: parityDrives + 2, fileSystem: 'journalled' },
    systems: ['stick'],
    takesInShort: `${parityInWords[parityDrives]} worth, apart`,
    becomes: {
      ...(parityDrives === 1
        ? { 'dedicated-2': 'Add a second parity drive; it is computed while everything plays.' }
        : {}),
      [`snapshot-${parityDrives}`]: 'Switch the parity to a nightly run; it is computed anew.',
      separate: 'Take the parity out of use; the data drives stay as they are.',
    },
    readableAlone: 'yes',
    tiedTo: 'a program, for the parity only',
    rebuilds: 'blocks',
    parity: true,
    arrange: drives => parityBesideDisks(drives, parityDrives),
  }
}
