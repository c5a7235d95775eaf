import { type Layout, readsPerDrive } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/** Every file on two drives; usable min(Σ/2, Σ − max). */
export const duplication: Layout = {
  id: 'duplication',
  label: 'Two copies of every file',
  description: 'Each file lies on two of the drives, whatever their sizes.',
  minimumDrives: 2,
  survives: () => 1,
  loss: 'shareOfFiles',
  runsOn: true,
  growsBy: 'one drive',
  grows: 'added',
  takesAtATime: 1,
  mixesSizes: true,
  tellsParityApart: false,
  emptiesOneByOne: true,
  onPlainDisks: { aside: 0, as: 'secondCopies' },
  leavesCopies: false,
  reads: readsPerDrive,
  systems: ['desktop', 'maker', 'stick', 'storage'],
  takesInShort: 'two copies of every file',
  becomes: { separate: 'Switch the second copies off; their space is freed.' },
  readableAlone: 'yes',
  tiedTo: 'nothing',
  rebuilds: 'files',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const rawTB = sumTB(sizesTB)
    const usableTB = Math.min(rawTB / 2, rawTB - sizesTB[0]!)
    return {
      usableTB,
      redundancyTB: usableTB,
      mismatchTB: rawTB - 2 * usableTB,
      // The largest drive is filled only as far as the others hold the second copies.
      parts: drives.map(({ sizeTB }) => {
        const filledTB = Math.min(sizeTB, rawTB - sizeTB)
        return partsOf(sizeTB, { dataTB: filledTB / 2, copyTB: filledTB / 2 })
      }),
      groups: [
        {
          members: placesDescending(drives),
          sizesTB,
          survives: 1,
          rebuiltTB: sizesTB[0]!,
          readsTB: sizesTB.slice(1),
        },
      ],
    }
  },
}
