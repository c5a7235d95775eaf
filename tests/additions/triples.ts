import type { DriveParts, Layout, RiskGroup } from '../../core/drives/layouts/layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from '../../core/drives/layouts/sizes'

/** Sorted drives mirrored three by three; usable Σ of the least of each three. */
export const triples: Layout = {
  id: 'triples',
  label: 'Three-way mirrors, pooled',
  description: 'Drives mirrored three by three, the triples joined into one pool.',
  minimumDrives: 6,
  survives: () => 2,
  loss: 'everything',
  runsOn: true,
  growsBy: 'three drives',
  grows: 'added',
  takesAtATime: 3,
  mixesSizes: false,
  tellsParityApart: false,
  emptiesOneByOne: false,
  leavesCopies: true,
  reads: ({ members }) => ({
    together: Math.max(1, Math.floor(members / 3)),
    sideBySide: 3,
    isPerDrive: false,
  }),
  searched: { from: 6, fileSystem: 'copyOnWrite' },
  systems: ['storage'],
  takesInShort: 'three-way mirrors',
  readableAlone: 'no',
  tiedTo: 'the program that made it',
  rebuilds: 'byFileSystem',
  parity: false,
  arrange(drives) {
    const sizesTB = sizesDescending(drives)
    const places = placesDescending(drives)
    const groups: RiskGroup[] = []
    const parts: DriveParts[] = drives.map(({ sizeTB }) => partsOf(sizeTB, {}))
    for (let i = 0; i + 2 < places.length; i += 3) {
      const members = places.slice(i, i + 3)
      const sizes = sizesTB.slice(i, i + 3)
      const least = sizes[2]!
      groups.push({
        members,
        sizesTB: sizes,
        survives: 2,
        rebuiltTB: sizes[0]!,
        readsTB: [least],
      })
      members.forEach((place, at) => {
        parts[place] = partsOf(sizes[at]!, at === 0 ? { dataTB: least } : { copyTB: least })
      })
    }
    const usableTB = sumTB(groups.map(group => group.sizesTB[2]!))
    return {
      usableTB,
      redundancyTB: 2 * usableTB,
      mismatchTB: sumTB(sizesTB) - 3 * usableTB,
      groups,
      parts,
    }
  },
}
