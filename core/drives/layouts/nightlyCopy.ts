import type { Layout } from './layout'
import { sizesDescending, sumTB } from './sizes'

/** A second drive written every night by a scheduled job; usable min. */
export const nightlyCopy: Layout = {
  id: 'nightly-copy',
  label: 'Nightly copy',
  description: 'A scheduled job copies the first drive to the second every night.',
  minimumDrives: 2,
  maximumDrives: 2,
  survives: () => 1,
  loss: 'everything',
  growsBy: 'replacing both drives',
  readableAlone: 'yes',
  tiedTo: 'nothing',
  fileAware: false,
  parity: false,
  caveat: 'Up to a day of changes is not on the copy yet.',
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const smallest = sizesTB.at(-1)!
    return {
      usableTB: smallest,
      redundancyTB: smallest,
      mismatchTB: sumTB(sizesTB) - 2 * smallest,
      groups: [{ sizesTB, survives: 1, rebuiltTB: sizesTB[0]!, readsTB: [sizesTB[1]!] }],
    }
  },
}
