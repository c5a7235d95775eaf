import { type Layout, parityInWords } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

const names = {
  1: 'Rotating parity, one drive (RAID 5)',
  2: 'Rotating parity, two drives (RAID 6)',
  3: 'Rotating parity, three drives',
} as const

/** Parity spread over all drives; usable (n−p)·min. */
export function rotatingParity(parityDrives: 1 | 2 | 3): Layout {
  return {
    id: `rotating-${parityDrives}`,
    label: names[parityDrives],
    description:
      `The space of ${parityDrives === 1 ? 'one drive' : `${parityDrives} drives`} holds ` +
      'parity, spread over all of them; the smallest drive counts for each.',
    minimumDrives: parityDrives + 2,
    ...(parityDrives > 1 ? { single: 'rotating-1' } : {}),
    survives: () => parityDrives,
    loss: 'everything',
    runsOn: true,
    growsBy: 'one drive where the system can expand, otherwise a whole new group',
    grows: 'parityGroup',
    takesAtATime: 1,
    mixesSizes: false,
    tellsParityApart: false,
    emptiesOneByOne: false,
    leavesCopies: false,
    reads: ({ members, survives }) => ({
      together: Math.max(1, members - survives),
      sideBySide: 1,
      isPerDrive: false,
    }),
    isUsual: ({ survives, isMixed }) => survives === parityDrives && !(isMixed && survives < 3),
    ...(parityDrives < 3
      ? {
          searched: {
            from: parityDrives + 2,
            fileSystem: 'copyOnWrite',
          } as const,
        }
      : {}),
    systems: parityDrives < 3 ? ['maker', 'storage'] : ['storage'],
    takesInShort: `${parityInWords[parityDrives]} worth`,
    ...(parityDrives < 3
      ? {
          becomes: {
            [`rotating-${parityDrives + 1}`]:
              'Add a drive for the further parity, where the system can reshape the group; ' +
              'it takes days.',
          },
        }
      : {}),
    readableAlone: 'no',
    tiedTo: 'the program or controller that made it',
    rebuilds: 'byFileSystem',
    parity: true,
    arrange(drives) {
      const sizesTB = sizesDescending(drives)
      const smallest = sizesTB.at(-1)!
      const dataDrives = sizesTB.length - parityDrives
      const usableTB = dataDrives * smallest
      const redundancyTB = parityDrives * smallest
      return {
        usableTB,
        redundancyTB,
        mismatchTB: sumTB(sizesTB) - usableTB - redundancyTB,
        parts: drives.map(({ sizeTB }) =>
          partsOf(sizeTB, {
            dataTB: usableTB / drives.length,
            parityTB: redundancyTB / drives.length,
          }),
        ),
        groups: [
          {
            members: placesDescending(drives),
            sizesTB,
            survives: parityDrives,
            rebuiltTB: smallest,
            readsTB: Array<number>(dataDrives).fill(smallest),
          },
        ],
      }
    },
  }
}
