import { CoreRangeError } from '../errors'
import {
  isRefusal,
  type DriveParts,
  type Layout,
  type LayoutDrive,
  type LayoutRefusal,
  type LayoutSpace,
  type RiskGroup,
} from './layouts/layout'
import { placesDescending, sumTB } from './layouts/sizes'

/** The space of a set of drives under a layout, with hot spares set apart. */
export interface Arrangement extends LayoutSpace {
  readonly rawTB: number
  readonly sparesTB: readonly number[]
  /**
   * places of the drives among those of the machine: `parts` and the groups' members count along
   * these
   */
  readonly memberPlaces: readonly number[]
  readonly sparePlaces: readonly number[]
  /** drives outside the spares */
  readonly members: number
  /** failures that any drives are sure to survive: the least of any group */
  readonly survives: number
}

/** Places with the largest drives first; of one size those that fail most often. */
function largestFirst(drives: readonly LayoutDrive[]): number[] {
  return placesDescending(drives).sort(
    (a, b) =>
      drives[b]!.sizeTB - drives[a]!.sizeTB ||
      (drives[b]!.failuresPerYear ?? 0) - (drives[a]!.failuresPerYear ?? 0),
  )
}

/** Whether a spare can stand in for every drive of some group. */
function coversAGroup(
  drives: readonly LayoutDrive[],
  members: readonly number[],
  spare: number,
): boolean {
  return drawnGroups(drives, members).some(group =>
    group.every(place => drives[place]!.sizeTB <= drives[spare]!.sizeTB),
  )
}

/**
 * Which drives are hot spares: the smallest that can stand in for every drive of a group each; of
 * equals those that leave most space usable, then those that leave the drives that fail least. The
 * order of the drives decides nothing. Handbook 05.
 */
function setSparesAside(
  layout: Layout,
  drives: readonly LayoutDrive[],
  hotSpares: number,
): { members: readonly number[]; spares: readonly number[] } {
  const all = largestFirst(drives)
  const isPlain = drives.every(
    ({ role, group }) => role === 'any' && (group ?? 1) === (drives[0]!.group ?? 1),
  )
  if (hotSpares === 0 || isPlain)
    return { members: all.slice(hotSpares), spares: all.slice(0, hotSpares) }
  let members: readonly number[] = all
  const spares: number[] = []
  while (spares.length < hotSpares && members.length > 0) {
    let best: { readonly place: number; readonly usableTB: number } | null = null
    for (const place of members) {
      const rest = members.filter(other => other !== place)
      if (rest.length > 0 && !coversAGroup(drives, rest, place)) continue
      const left = arrangeMembers(layout, drives, { members: rest, besideSpares: true })
      const usableTB = isRefusal(left) ? -1 : left.usableTB
      const found = best && drives[best.place]!
      const drive = drives[place]!
      // What leaves no layout at all is no spare while another one would.
      if (
        !found ||
        (best!.usableTB < 0 && usableTB >= 0) ||
        (best!.usableTB >= 0 === usableTB >= 0 &&
          (drive.sizeTB < found.sizeTB ||
            (drive.sizeTB === found.sizeTB && usableTB > best!.usableTB + 1e-9)))
      )
        best = { place, usableTB }
    }
    const { place } = best!
    spares.push(place)
    members = members.filter(other => other !== place)
  }
  return { members, spares }
}

/**
 * The members by the groups that they were drawn together in, each in the members' order. No drives
 * at all are one group of none.
 */
function drawnGroups(drives: readonly LayoutDrive[], members: readonly number[]): number[][] {
  const groups = [...new Set(members.map(place => drives[place]!.group ?? 1))].sort((a, b) => a - b)
  return groups.length > 1
    ? groups.map(group => members.filter(place => (drives[place]!.group ?? 1) === group))
    : [[...members]]
}

function arrangeGroup(
  layout: Layout,
  drives: readonly LayoutDrive[],
  besideSpares: boolean,
): LayoutSpace | LayoutRefusal {
  const wrong =
    drives.length < layout.minimumDrives
      ? 'TOO_FEW_DRIVES'
      : drives.length > (layout.maximumDrives ?? Infinity)
        ? 'TOO_MANY_DRIVES'
        : null
  if (wrong)
    return {
      refused: wrong,
      takes: wrong === 'TOO_FEW_DRIVES' ? layout.minimumDrives : layout.maximumDrives!,
      have: drives.length,
      besideSpares,
      ...groupOf(drives),
    }
  const space = layout.arrange(drives)
  return isRefusal(space) ? { ...space, ...groupOf(drives) } : space
}

const groupOf = ([first]: readonly LayoutDrive[]) =>
  first?.group === undefined ? {} : { group: first.group }

interface GroupSpace extends LayoutSpace {
  readonly places: readonly number[]
}

/** Groups as one pool: their spaces are added up, and their drives counted along all members. */
function pooled(spaces: readonly GroupSpace[], members: readonly number[]): LayoutSpace {
  const memberOf = new Map(members.map((place, member) => [place, member]))
  const parts: DriveParts[] = []
  const groups: RiskGroup[] = []
  for (const { places, parts: own, groups: ownGroups } of spaces) {
    own.forEach((part, at) => (parts[memberOf.get(places[at]!)!] = part))
    groups.push(
      ...ownGroups.map(group => ({
        ...group,
        members: group.members.map(at => memberOf.get(places[at]!)!),
      })),
    )
  }
  const sum = (of: (space: LayoutSpace) => number) => sumTB(spaces.map(of))
  return {
    usableTB: sum(space => space.usableTB),
    redundancyTB: sum(space => space.redundancyTB),
    mismatchTB: sum(space => Math.max(0, space.mismatchTB)),
    parts,
    groups,
  }
}

/**
 * Arranges drives under a layout, each group that was drawn together by itself; the pool spans all
 * of them.
 * @param drives every drive in the box, in any order; sizes in TB, > 0
 * @param hotSpares drives kept outside the layout, whole, >= 0; each can stand in for every drive
 *   of a group
 * @returns the space and its risk groups, or why the layout refuses these drives.
 *   usable + redundancy + mismatch + spares = raw
 * @throws {CoreRangeError} DRIVE_SIZE
 * @example arrangeDrives(rotatingParity(1), five drives of 8 TB).usableTB // 32
 */
export function arrangeDrives(
  layout: Layout,
  drives: readonly LayoutDrive[],
  hotSpares = 0,
): Arrangement | LayoutRefusal {
  if (drives.some(drive => !(drive.sizeTB > 0 && Number.isFinite(drive.sizeTB))))
    throw new CoreRangeError('DRIVE_SIZE')
  const { members, spares } = setSparesAside(layout, drives, hotSpares)
  const space = arrangeMembers(layout, drives, { members, besideSpares: hotSpares > 0 })
  return isRefusal(space)
    ? space
    : {
        ...space,
        rawTB: sumTB(drives.map(drive => drive.sizeTB)),
        sparesTB: spares.map(place => drives[place]!.sizeTB),
        memberPlaces: members,
        sparePlaces: spares,
        members: members.length,
      }
}

/** Drives outside the spares, each group by itself. */
function arrangeMembers(
  layout: Layout,
  drives: readonly LayoutDrive[],
  {
    members,
    besideSpares,
  }: { readonly members: readonly number[]; readonly besideSpares: boolean },
): (LayoutSpace & Pick<Arrangement, 'survives'>) | LayoutRefusal {
  const spaces: GroupSpace[] = []
  for (const places of drawnGroups(drives, members)) {
    const space = arrangeGroup(
      layout,
      places.map(place => drives[place]!),
      besideSpares,
    )
    if (isRefusal(space)) return space
    spaces.push({ ...space, places })
  }
  return {
    ...pooled(spaces, members),
    survives: Math.min(...spaces.map(({ places }) => layout.survives(places.length))),
  }
}
