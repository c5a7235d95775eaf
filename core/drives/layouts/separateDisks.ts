import type { Layout } from './layout'
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
  growsBy: 'one drive',
  readableAlone: 'yes',
  tiedTo: 'nothing',
  fileAware: true,
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    return {
      usableTB: sumTB(sizesTB), redundancyTB: 0, mismatchTB: 0,
      parts: drives.map(({ sizeTB }) => partsOf(sizeTB, { dataTB: sizeTB })),
      groups: [{ members: placesDescending(drives), sizesTB, survives: 0, rebuiltTB: sizesTB[0]!, readsTB: [] }],
    }
  },
}
