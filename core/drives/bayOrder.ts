import type { DriveLot } from '../plan/drives'
import { sameValue } from '../sameValue'

/** Lots as single drives, bay by bay. */
function singles(lots: readonly DriveLot[]): DriveLot[] {
  return lots.flatMap(lot => Array.from({ length: lot.count }, () => ({ ...lot, count: 1 })))
}

/** Single drives as lots: neighbours that are alike are one. */
function asLots(drives: readonly DriveLot[]): DriveLot[] {
  const lots: DriveLot[] = []
  for (const drive of drives) {
    const last = lots.at(-1)
    if (last && sameValue({ ...last, count: 1 }, drive)) lots[lots.length - 1] = { ...last, count: last.count + 1 }
    else lots.push(drive)
  }
  return lots
}

/** Puts a drive into a bay; the drives behind it move on by one. One of a size that is there already is bought like that one. */
export function putDrive(lots: readonly DriveLot[], sizeTB: number, bay: number): DriveLot[] {
  const drives = singles(lots)
  const like = drives.find(drive => drive.sizeTB === sizeTB) ?? { sizeTB, condition: 'new', priceEach: null }
  return asLots(drives.toSpliced(bay, 0, { ...like, role: 'any', count: 1 }))
}

/** Takes the drive out of a bay. */
export function takeDrive(lots: readonly DriveLot[], bay: number): DriveLot[] {
  return asLots(singles(lots).toSpliced(bay, 1))
}

/** Two drives change their bays; a bay beyond the last drive is the last one. */
export function swapDrives(lots: readonly DriveLot[], one: number, other: number): DriveLot[] {
  const drives = singles(lots)
  const [from, to] = [one, other].map(bay => Math.min(Math.max(0, bay), drives.length - 1)) as [number, number]
  return asLots(drives.with(from, drives[to]!).with(to, drives[from]!))
}
