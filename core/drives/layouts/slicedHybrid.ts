import { type Layout, parityInWords } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/**
 * Drives cut into slices at each other's sizes, each slice a parity group of its own:
 * usable Σ over slices max(0, m−p)·thickness, where m drives reach into the slice; slices with m ≤
 * p stay unused.
 */
export function slicedHybrid(parityDrives: 1 | 2): Layout {
  return {
    id: `sliced-${parityDrives}`,
    label: `Sliced hybrid, ${parityDrives === 1 ? 'one drive' : 'two drives'}`,
    description: 'Mixed drives cut into equal slices, each slice with its own parity.',
    minimumDrives: parityDrives + 1,
    ...(parityDrives > 1 ? { single: 'sliced-1' } : {}),
    survives: () => parityDrives,
    loss: 'everything',
    runsOn: true,
    growsBy: 'one drive',
    grows: 'added',
    takesAtATime: 1,
    mixesSizes: true,
    tellsParityApart: false,
    emptiesOneByOne: false,
    leavesCopies: false,
    reads: ({ members, survives }) => ({
      together: Math.max(1, members - survives),
      sideBySide: 1,
      isPerDrive: false,
    }),
    systems: ['maker'],
    takesInShort: `${parityInWords[parityDrives]} worth`,
    ...(parityDrives === 1
      ? {
          becomes: {
            'sliced-2':
              'Add a drive for the second parity, where the system can reshape its slices.',
          },
        }
      : {}),
    readableAlone: 'no',
    tiedTo: 'the program that made it',
    rebuilds: 'blocks',
    parity: true,
    arrange(drives) {
      const sizesTB = sizesDescending(drives)
      let usableTB = 0
      let redundancyTB = 0
      const members = placesDescending(drives)
      /** by member: what its slices hold so far */
      const data = members.map(() => 0)
      const parity = members.map(() => 0)
      sizesTB.forEach((size, index) => {
        const reaching = index + 1
        const thickness = size - (sizesTB[index + 1] ?? 0)
        if (reaching <= parityDrives) return
        usableTB += (reaching - parityDrives) * thickness
        redundancyTB += parityDrives * thickness
        for (let at = 0; at < reaching; at++) {
          data[at]! += ((reaching - parityDrives) * thickness) / reaching
          parity[at]! += (parityDrives * thickness) / reaching
        }
      })
      return {
        usableTB,
        redundancyTB,
        mismatchTB: sumTB(sizesTB) - usableTB - redundancyTB,
        parts: drives.map(({ sizeTB }, place) =>
          partsOf(sizeTB, {
            dataTB: data[members.indexOf(place)]!,
            parityTB: parity[members.indexOf(place)]!,
          }),
        ),
        groups: [
          {
            members,
            sizesTB,
            survives: parityDrives,
            rebuiltTB: sizesTB[0]!,
            readsTB: sizesTB.slice(parityDrives),
          },
        ],
      }
    },
  }
}
