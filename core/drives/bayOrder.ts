import type { DriveLot } from '../plan/drives'
import { ownEntry } from '../plan/constants'
import { sameValue } from '../sameValue'

/** Lots as single drives, bay by bay. */
export function singles<Lot extends { readonly count: number }>(lots: readonly Lot[]): Lot[] {
  return lots.flatMap(lot => Array.from({ length: lot.count }, () => ({ ...lot, count: 1 })))
}

/** Single drives as lots: neighbours that are alike are one. */
export function asLots(drives: readonly DriveLot[]): DriveLot[] {
  const lots: DriveLot[] = []
  for (const drive of drives) {
    const last = lots.at(-1)
    if (last && sameValue({ ...last, count: 1 }, drive))
      lots[lots.length - 1] = { ...last, count: last.count + 1 }
    else lots.push(drive)
  }
  return lots
}

/** A drive to be put in: a model of the catalogue, or a size alone. */
export interface NewDrive {
  readonly sizeTB: number
  readonly model?: string
  readonly condition?: DriveLot['condition']
}

/**
 * Puts a drive into a bay; the drives behind it move on by one. One like a drive that is there
 * already is bought like that one.
 */
export function putDrive(
  lots: readonly DriveLot[],
  { sizeTB, model = ownEntry, condition = 'new' }: NewDrive,
  bay: number,
): DriveLot[] {
  const drives = singles(lots)
  const like = drives.find(drive => drive.sizeTB === sizeTB && drive.model === model) ?? {
    sizeTB,
    model,
    condition,
    priceEach: null,
    warrantyMonths: null,
    goesInLast: false,
  }
  return asLots(
    drives.toSpliced(bay, 0, {
      ...like,
      role: 'any',
      group: drives[bay - 1]?.group ?? 1,
      count: 1,
    }),
  )
}

/**
 * Drives of some bays become a group of their own; with the last of a group it is gone, and the
 * groups behind it move up.
 */
export function groupDrives(
  lots: readonly DriveLot[],
  bays: ReadonlySet<number>,
  group: number,
): DriveLot[] {
  const drives = singles(lots).map((drive, bay) => (bays.has(bay) ? { ...drive, group } : drive))
  const used = [...new Set(drives.map(drive => drive.group))].toSorted((a, b) => a - b)
  return asLots(drives.map(drive => ({ ...drive, group: used.indexOf(drive.group) + 1 })))
}

/** Takes the drive out of a bay. */
export function takeDrive(lots: readonly DriveLot[], bay: number): DriveLot[] {
  return asLots(singles(lots).toSpliced(bay, 1))
}

/** Two drives change their bays; a bay beyond the last drive is the last one. */
export function swapDrives(lots: readonly DriveLot[], one: number, other: number): DriveLot[] {
  const drives = singles(lots)
  const [from, to] = [one, other].map(bay => Math.min(Math.max(0, bay), drives.length - 1)) as [
    number,
    number,
  ]
  return asLots(drives.with(from, drives[to]!).with(to, drives[from]!))
}
