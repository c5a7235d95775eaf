import { arrangeDrives } from '../drives/arrangeDrives'
import { isRefusal, type Layout } from '../drives/layouts/layout'
import { layouts } from '../drives/layouts/layouts'
import { drivesOf, roomTB } from '../drives/poolOf'
import type { Drives } from '../plan/drives'

/** Why drives cannot go in last; null where they can, or where none are marked. */
export type LastRefusal =
  | { readonly refused: 'noCopy' }
  | { readonly refused: 'notTaken'; readonly layout: string }
  | { readonly refused: 'noRoom'; readonly roomTB: number }

/** Whether a layout takes so many drives more once it holds data. */
function takesLater({ grows, takesAtATime, minimumDrives }: Layout, count: number): boolean {
  if (grows === 'added') return count % takesAtATime === 0
  return grows === 'parityGroup' && count >= minimumDrives
}

/**
 * Whether drives that hold the library can be added at the end: the layout takes them then, the
 * rest has room for the whole library, and there is a copy that can be restored first.
 * @param contentTB the whole library today
 */
export function lastRefusal(
  drives: Drives,
  {
    layoutId,
    contentTB,
    copies,
  }: { readonly layoutId: string; readonly contentTB: number; readonly copies: number },
): LastRefusal | null {
  const marked = drives.lots.filter(({ goesInLast }) => goesInLast)
  if (marked.length === 0) return null
  const layout = layouts.find(({ id }) => id === layoutId)
  const count = marked.reduce((sum, lot) => sum + lot.count, 0)
  if (!layout || !takesLater(layout, count))
    return { refused: 'notTaken', layout: layout?.label ?? layoutId }
  const rest = drives.lots.filter(({ goesInLast }) => !goesInLast)
  const arranged = arrangeDrives(layout, drivesOf({ lots: rest }), drives.hotSpares)
  const room = isRefusal(arranged) ? 0 : roomTB(arranged.usableTB, drives)
  if (room < contentTB - 1e-9) return { refused: 'noRoom', roomTB: room }
  return copies === 0 ? { refused: 'noCopy' } : null
}
