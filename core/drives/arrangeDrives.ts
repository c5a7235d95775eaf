import { CoreRangeError } from '../errors'
import { isRefusal, type Layout, type LayoutDrive, type LayoutRefusal, type LayoutSpace } from './layouts/layout'
import { placesDescending, sumTB } from './layouts/sizes'

/** The space of a set of drives under a layout, with hot spares set apart. */
export interface Arrangement extends LayoutSpace {
  readonly rawTB: number
  readonly sparesTB: readonly number[]
  /** places of the drives among those of the machine: `parts` and the groups' members count along these */
  readonly memberPlaces: readonly number[]
  readonly sparePlaces: readonly number[]
  /** drives outside the spares */
  readonly members: number
}

/** Places of the drives that the layout gets; hot spares, the largest ones, are set aside first. */
function setSparesAside(drives: readonly LayoutDrive[], hotSpares: number): { members: number[], spares: number[] } {
  const places = placesDescending(drives)
  return { members: places.slice(hotSpares), spares: places.slice(0, hotSpares) }
}

/**
 * Arranges drives under a layout.
 * @param drives every drive in the box, in any order; sizes in TB, > 0
 * @param hotSpares drives kept outside the layout, whole, >= 0; the largest are taken, so a spare can replace any member
 * @returns the space and its risk groups, or why the layout refuses these drives.
 *   usable + redundancy + mismatch + spares = raw
 * @throws {CoreRangeError} DRIVE_SIZE
 * @example arrangeDrives(rotatingParity(1), five drives of 8 TB).usableTB // 32
 */
export function arrangeDrives(layout: Layout, drives: readonly LayoutDrive[], hotSpares = 0): Arrangement | LayoutRefusal {
  if (drives.some(drive => !(drive.sizeTB > 0 && Number.isFinite(drive.sizeTB)))) throw new CoreRangeError('DRIVE_SIZE')
  const { members, spares } = setSparesAside(drives, hotSpares)
  const wrong = members.length < layout.minimumDrives ? 'TOO_FEW_DRIVES' : members.length > (layout.maximumDrives ?? Infinity) ? 'TOO_MANY_DRIVES' : null
  if (wrong) return { refused: wrong, takes: wrong === 'TOO_FEW_DRIVES' ? layout.minimumDrives : layout.maximumDrives!, have: members.length, besideSpares: hotSpares > 0 }
  const space = layout.arrange(members.map(place => drives[place]!))
  if (isRefusal(space)) return space
  return {
    ...space,
    mismatchTB: Math.max(0, space.mismatchTB),
    rawTB: sumTB(drives.map(drive => drive.sizeTB)),
    sparesTB: spares.map(place => drives[place]!.sizeTB),
    memberPlaces: members,
    sparePlaces: spares,
    members: members.length,
  }
}
