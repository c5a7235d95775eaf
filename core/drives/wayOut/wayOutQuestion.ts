import { arrangeDrives } from '../arrangeDrives'
import { isRefusal, type Layout, type LayoutDrive } from '../layouts/layout'

/** A drive of the old pool, with what of the library lies on it. */
export interface OldDrive {
  readonly place: number
  readonly sizeTB: number
  /** own data; nothing on copies, parity and spares */
  readonly contentTB: number
  /** it holds redundancy alone, or nothing: it can be taken before any data are moved */
  readonly isSpare: boolean
}

export interface WayOutQuestion {
  readonly from: Layout
  readonly to: Layout
  readonly drives: readonly OldDrive[]
  /** drives with data lie on their own and can be emptied one by one */
  readonly emptiesOneByOne: boolean
  /** the old pool has redundancy, which is given up with the spare drives */
  readonly hadRedundancy: boolean
  /** a group with rotating parity takes further drives one by one */
  readonly expandsParity: boolean
  /** of a drive and of the usable space, what may be filled while moving */
  readonly fillShare: number
  /** MB/s at which data move inside the machine */
  readonly rateMBps: number
}

export type WayStepKind =
  | 'release'
  | 'setAside'
  | 'make'
  | 'grow'
  | 'move'
  | 'consolidate'
  | 'toBorrowed'
  | 'fromBorrowed'
  | 'giveBack'

export interface WayStep {
  readonly kind: WayStepKind
  /** places of the drives that it is about; borrowed ones have none */
  readonly places: readonly number[]
  readonly sizeTB: number
  readonly hours: number
  /** TB that stand on one drive only at its beginning or its end, whichever are more */
  readonly unprotectedTB: number
}

export interface WayOut {
  /** drives that have to be borrowed, each of the largest size there is */
  readonly borrowed: number
  readonly borrowedTB: number
  readonly steps: readonly WayStep[]
  readonly hours: number
  /** the data stay on the drives that they are on, but for those that are set aside */
  readonly inPlace: boolean
}

/** TB that count as nothing. */
export const epsilon = 1e-9

/** Whether a pool of this layout can be begun with some drives and take the others later. */
export function growsByDrives({ grows }: Pick<Layout, 'grows'>, expandsParity: boolean): boolean {
  return grows === 'added' || (grows === 'parityGroup' && expandsParity)
}

/** Usable space of drives under a layout; null where they cannot make it. */
export function usableOf(layout: Layout, sizesTB: readonly number[]): number | null {
  if (sizesTB.length === 0) return null
  const arranged = arrangeDrives(
    layout,
    sizesTB.map((sizeTB): LayoutDrive => ({ sizeTB, role: 'any' })),
  )
  return isRefusal(arranged) ? null : arranged.usableTB
}

/** Hours to copy so many TB. */
export function hoursFor(sizeTB: number, { rateMBps }: Pick<WayOutQuestion, 'rateMBps'>): number {
  return (sizeTB * 1e6) / rateMBps / 3600
}
