import type { LayoutDrive, LayoutRefusal, LayoutSpace } from './layout'
import { sizesDescending, sumTB } from './sizes'

/** Splits drives into parity and data: the ones marked so, or else the largest hold the parity. */
function splitByRole(drives: readonly LayoutDrive[], parityDrives: number): { parityTB: number[], dataTB: number[] } | LayoutRefusal {
  const marked = drives.filter(drive => drive.role === 'parity')
  if (marked.length && marked.length !== parityDrives) {
    return { refused: 'PARITY_MARKED', takes: parityDrives, marked: marked.length }
  }
  if (marked.length) {
    return { parityTB: sizesDescending(marked), dataTB: sizesDescending(drives.filter(drive => drive.role !== 'parity')) }
  }
  const free = sizesDescending(drives.filter(drive => drive.role === 'any'))
  if (free.length < parityDrives) return { refused: 'PARITY_NOT_LEFT', takes: parityDrives }
  const dataTB = [...free.slice(parityDrives), ...drives.filter(drive => drive.role === 'data').map(drive => drive.sizeTB)]
  return { parityTB: free.slice(0, parityDrives), dataTB: dataTB.sort((a, b) => b - a) }
}

/**
 * Parity kept on drives of its own beside plain data disks, as dedicated and nightly parity do:
 * usable Σ of the data drives; redundancy p · the largest data drive, the rest of a parity drive is unused.
 */
export function parityBesideDisks(drives: readonly LayoutDrive[], parityDrives: number): LayoutSpace | LayoutRefusal {
  const split = splitByRole(drives, parityDrives)
  if ('refused' in split) return split
  const { parityTB, dataTB } = split
  const largestData = dataTB[0]!
  const smallestParity = parityTB.at(-1)!
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
    groups: [{ sizesTB, survives: parityDrives, rebuiltTB: sizesTB[0]!, readsTB: sizesTB.slice(parityDrives) }],
  }
}
