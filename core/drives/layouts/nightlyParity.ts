import { type Layout, parityInWords, readsPerDrive } from './layout'
import { parityBesideDisks } from './parityBesideDisks'

/** Parity on drives of its own, computed once a night. */
export function nightlyParity(parityDrives: 1 | 2): Layout {
  return {
    id: `snapshot-${parityDrives}`,
    label: `Nightly parity, ${parityDrives === 1 ? 'one drive' : 'two drives'}`,
    description: 'Separate disks of any size; parity is computed every night.',
    minimumDrives: parityDrives + 1,
    ...(parityDrives > 1 ? { single: 'snapshot-1' } : {}),
    survives: () => parityDrives,
    loss: 'failedDrivesOnly',
    runsOn: false,
    growsBy: 'one drive',
    grows: 'added',
    takesAtATime: 1,
    mixesSizes: true,
    tellsParityApart: true,
    emptiesOneByOne: true,
    onPlainDisks: { aside: parityDrives, as: 'nightlyParity' },
    leavesCopies: false,
    reads: readsPerDrive,
    systems: ['desktop'],
    takesInShort: `${parityInWords[parityDrives]} worth, each night`,
    becomes: {
      ...(parityDrives === 1
        ? { 'snapshot-2': 'Add a second parity drive; the next nightly run computes it.' }
        : {}),
      [`dedicated-${parityDrives}`]:
        'Switch the parity to the moment of writing; it is computed anew.',
      separate: 'Take the parity out of use; the data drives stay as they are.',
    },
    readableAlone: 'yes',
    tiedTo: 'a program, for the parity only',
    rebuilds: 'blocks',
    parity: true,
    caveat: 'What was changed or deleted since the last nightly run is not covered.',
    arrange: drives => parityBesideDisks(drives, parityDrives),
  }
}
