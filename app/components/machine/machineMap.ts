import type { PlaceState } from '~~/core/machine/assembly/placement'

export interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** A mark of the map that can be picked. */
export interface MapMark extends Box {
  readonly id: string
  readonly kind: 'socket' | 'memory' | 'slot' | 'm2' | 'data' | 'supply' | 'bay' | 'rear' | 'case'
  readonly label: string
  /** what sits there; null while it is free */
  readonly holds: string | null
  /** what switches it off */
  readonly offBy: string | null
  readonly state?: PlaceState
}
/** Why a place takes nothing: 'switched off by Slot 1', 'covered by Slot 1'; '' where it does. */
export const offText = ({ offBy, state }: Pick<MapMark, 'offBy' | 'state'>): string =>
  offBy === null ? '' : `${state?.covered ? 'covered by' : 'switched off by'} ${offBy}`

/** Lanes from a place to where they come from, as thick as there are many. */
export interface Track {
  readonly id: string
  readonly points: string
  readonly width: number
  readonly isDead: boolean
  readonly isNarrowed: boolean
  readonly isUsed: boolean
}
export interface MachineMap {
  readonly width: number
  readonly height: number
  readonly board: Box | null
  readonly chipset: { readonly x: number; readonly y: number; readonly side: number } | null
  readonly marks: readonly MapMark[]
  readonly tracks: readonly Track[]
  readonly housing: Box
  /** the enclosures beside it */
  readonly outside: (Box & { readonly label: string }) | null
}

/** A text as long as its room takes. */
export const fitText = (text: string, room: number) =>
  text.length * 6.6 <= room ? text : `${text.slice(0, Math.max(3, Math.floor(room / 6.6) - 1))}…`
