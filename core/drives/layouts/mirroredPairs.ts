import type { Layout, RiskGroup } from './layout'
import { sizesDescending, sumTB } from './sizes'

/** Sorted drives mirrored two by two; usable Σ of the smaller of each pair; with an odd count the smallest is unused. */
export const mirroredPairs: Layout = {
  id: 'pairs',
  label: 'Mirrored pairs (RAID 10)',
  description: 'Drives mirrored two by two, the pairs joined into one pool.',
  minimumDrives: 4,
  survives: () => 1,
  loss: 'everything',
  growsBy: 'a pair',
  readableAlone: 'no',
  tiedTo: 'the program or controller that made it',
  fileAware: false,
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const groups: RiskGroup[] = []
    for (let i = 0; i + 1 < sizesTB.length; i += 2) {
      const pair = [sizesTB[i]!, sizesTB[i + 1]!]
      groups.push({ sizesTB: pair, survives: 1, rebuiltTB: pair[0]!, readsTB: [pair[1]!] })
    }
    const usableTB = sumTB(groups.map(group => group.sizesTB[1]!))
    return { usableTB, redundancyTB: usableTB, mismatchTB: sumTB(sizesTB) - 2 * usableTB, groups }
  },
}
