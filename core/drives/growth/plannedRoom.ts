import { arrangeDrives } from '../arrangeDrives'
import { isRefusal, type Layout, type LayoutDrive } from '../layouts/layout'
import { drivesAfter, type Purchase } from './purchases'

/** How the room of drives is worked out. */
export interface RoomRule {
  readonly layout: Layout
  readonly hotSpares: number
  /** room of a usable space, TB */
  readonly roomOf: (usableTB: number) => number
}

/** The room that drives give; nothing while they do not make the layout. */
export function roomOfDrives(
  { layout, hotSpares, roomOf }: RoomRule,
  drives: readonly LayoutDrive[],
): number {
  const arrangement = arrangeDrives(layout, drives, hotSpares)
  return isRefusal(arrangement) ? 0 : roomOf(arrangement.usableTB)
}

/**
 * The room in each month as purchases come in, TB.
 * @param months how many from today on, today with them
 */
export function plannedRoom(
  rule: RoomRule,
  drives: readonly LayoutDrive[],
  { purchases, months }: { readonly purchases: readonly Purchase[]; readonly months: number },
): number[] {
  let present = drives
  let room = roomOfDrives(rule, drives)
  const rooms: number[] = []
  for (const purchase of [...purchases].sort((a, b) => a.month - b.month)) {
    while (rooms.length < Math.min(purchase.month, months)) rooms.push(room)
    present = drivesAfter(present, purchase).drives
    room = roomOfDrives(rule, present)
  }
  while (rooms.length < months) rooms.push(room)
  return rooms
}
