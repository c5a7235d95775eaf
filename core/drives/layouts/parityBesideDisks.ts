import type { LayoutDrive, LayoutRefusal, LayoutSpace } from './layout'
import { partsOf, placesDescending, sizesDescending, sumTB } from './sizes'

/**
 * Splits drives into parity and data, by their places: the ones marked so, or else the largest hold
 * the parity. Largest first.
 */
function splitByRole(
  drives: readonly LayoutDrive[],
  parityDrives: number,
): { parity: number[]; data: number[] } | LayoutRefusal {
  const places = placesDescending(drives)
  const withRole = (...roles: LayoutDrive['role'][]) =>
    places.filter(place => roles.includes(drives[place]!.role))
  const marked = withRole('parity')
  if (marked.length && marked.length !== parityDrives)
    return { refused: 'PARITY_MARKED', takes: parityDrives, marked: marked.length }
  if (marked.length) return { parity: marked, data: withRole('any', 'data') }
  const free = withRole('any')
  if (free.length < parityDrives) return { refused: 'PARITY_NOT_LEFT', takes: parityDrives }
  const parity = free.slice(0, parityDrives)
  return { parity, data: places.filter(place => !parity.includes(place)) }
}

/**
 * Parity kept on drives of its own beside plain data disks, as dedicated and nightly parity do:
 * usable Σ of the data drives; redundancy p · the largest data drive, the rest of a parity drive is
 * unused.
 */
export function parityBesideDisks(
  drives: readonly LayoutDrive[],
  parityDrives: number,
): LayoutSpace | LayoutRefusal {
  const split = splitByRole(drives, parityDrives)
  if ('refused' in split) return split
  const dataTB = split.data.map(place => drives[place]!.sizeTB)
  const largestData = dataTB[0]!
  const smallestParity = drives[split.parity.at(-1)!]!.sizeTB
  if (smallestParity < largestData) {
    return { refused: 'PARITY_TOO_SMALL', parityTB: smallestParity, dataTB: largestData }
  }
  const sizesTB = sizesDescending(drives)
  const usableTB = sumTB(dataTB)
  const redundancyTB = parityDrives * largestData
  return {
    usableTB,
    redundancyTB,
    mismatchTB: sumTB(sizesTB) - usableTB - redundancyTB,
    parts: drives.map(({ sizeTB }, place) =>
      partsOf(
        sizeTB,
        split.parity.includes(place) ? { parityTB: largestData } : { dataTB: sizeTB },
      ),
    ),
    groups: [
      {
        members: placesDescending(drives),
        sizesTB,
        survives: parityDrives,
        rebuiltTB: sizesTB[0]!,
        readsTB: sizesTB.slice(parityDrives),
      },
    ],
  }
}
