import type { DriveParts, Layout, RiskGroup } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/**
 * Sorted drives mirrored two by two; usable Σ of the smaller of each pair; with an odd count the
 * smallest is unused.
 */
export const mirroredPairs: Layout = {
  id: 'pairs',
  label: 'Mirrored pairs (RAID 10)',
  description: 'Drives mirrored two by two, the pairs joined into one pool.',
  minimumDrives: 4,
  survives: () => 1,
  loss: 'everything',
  runsOn: true,
  growsBy: 'a pair',
  grows: 'added',
  takesAtATime: 2,
  mixesSizes: false,
  tellsParityApart: false,
  emptiesOneByOne: false,
  leavesCopies: true,
  reads: ({ members }) => ({
    together: Math.max(1, Math.floor(members / 2)),
    sideBySide: 2,
    isPerDrive: false,
  }),
  secondLoss: 'everything is lost if it is the other half of the pair.',
  searched: { from: 4, fileSystem: 'copyOnWrite' },
  systems: ['desktop', 'maker', 'stick', 'storage'],
  takesInShort: 'mirrored pairs',
  readableAlone: 'no',
  tiedTo: 'the program or controller that made it',
  rebuilds: 'byFileSystem',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const places = placesDescending(drives)
    const groups: RiskGroup[] = []
    const parts: DriveParts[] = drives.map(({ sizeTB }) => partsOf(sizeTB, {}))
    for (let i = 0; i + 1 < places.length; i += 2) {
      const members = [places[i]!, places[i + 1]!]
      const [larger, smaller] = [sizesTB[i]!, sizesTB[i + 1]!]
      groups.push({
        members,
        sizesTB: [larger, smaller],
        survives: 1,
        rebuiltTB: larger,
        readsTB: [smaller],
      })
      parts[members[0]!] = partsOf(larger, { dataTB: smaller })
      parts[members[1]!] = partsOf(smaller, { copyTB: smaller })
    }
    const usableTB = sumTB(groups.map(group => group.sizesTB[1]!))
    return {
      usableTB,
      redundancyTB: usableTB,
      mismatchTB: sumTB(sizesTB) - 2 * usableTB,
      groups,
      parts,
    }
  },
}
