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
  'release' | 'make' | 'grow' | 'move' | 'consolidate' | 'toBorrowed' | 'fromBorrowed' | 'giveBack'

export interface WayStep {
  readonly kind: WayStepKind
  /** places of the drives that it is about; borrowed ones have none */
  readonly places: readonly number[]
  readonly sizeTB: number
  readonly hours: number
  /** TB of which there is one copy alone, without redundancy, while and after it is done */
  readonly unprotectedTB: number
}

export interface WayOut {
  /** drives that have to be borrowed, each of the largest size there is */
  readonly borrowed: number
  readonly borrowedTB: number
  readonly steps: readonly WayStep[]
  readonly hours: number
}

/** More than so many borrowed drives are no way. */
export const maxBorrowed = 60
const epsilon = 1e-9

/** Whether a pool of this layout can be begun with some drives and take the others later. */
export function growsByDrives({ grows }: Pick<Layout, 'grows'>, expandsParity: boolean): boolean {
  return grows === 'added' || (grows === 'parityGroup' && expandsParity)
}

/**
 * The steps from one layout to another over the same drives, with the fewest borrowed drives:
 * redundancy is given up, the new
 * pool is begun with the drives that are free, data are moved into it, and every drive that is
 * empty then joins it. Where the
 * old drives cannot be emptied one by one, or the new pool cannot be begun small, all data lie on
 * borrowed drives meanwhile.
 * @returns null where the new layout has no room for the data, or cannot be made of these drives at
 *   all
 */
export function wayOut(question: WayOutQuestion): WayOut | null {
  const { drives, to, fillShare } = question
  const largest = Math.max(0, ...drives.map(({ sizeTB }) => sizeTB))
  const contentTB = drives.reduce((sum, drive) => sum + drive.contentTB, 0)
  const whole = usableOf(
    to,
    drives.map(({ sizeTB }) => sizeTB),
  )
  if (whole === null || whole * fillShare < contentTB - epsilon) return null
  for (let borrowed = 0; borrowed <= maxBorrowed; borrowed++) {
    const steps = tryWith(question, borrowed * largest)
    if (steps)
      return {
        borrowed,
        borrowedTB: borrowed * largest,
        steps,
        hours: steps.reduce((sum, step) => sum + step.hours, 0),
      }
  }
  return null
}

function usableOf(layout: Layout, sizesTB: readonly number[]): number | null {
  if (sizesTB.length === 0) return null
  const arranged = arrangeDrives(
    layout,
    sizesTB.map((sizeTB): LayoutDrive => ({ sizeTB, role: 'any' })),
  )
  return isRefusal(arranged) ? null : arranged.usableTB
}

/** One try with so much borrowed space; null where it comes to a stop. */
function tryWith(
  {
    drives,
    to,
    emptiesOneByOne,
    hadRedundancy,
    expandsParity,
    fillShare,
    rateMBps,
  }: WayOutQuestion,
  borrowedTB: number,
): WayStep[] | null {
  const hoursFor = (sizeTB: number) => (sizeTB * 1e6) / rateMBps / 3600
  const steps: WayStep[] = []
  const old = drives.filter(drive => !drive.isSpare).map(drive => ({ ...drive }))
  let free = drives.filter(drive => drive.isSpare).map(({ place, sizeTB }) => ({ place, sizeTB }))
  const made: { place: number; sizeTB: number }[] = []
  let [movedTB, onBorrowedTB] = [0, 0]
  const isSafe = () => to.survives(Math.max(to.minimumDrives, made.length)) > 0
  const inOld = () => old.reduce((sum, drive) => sum + drive.contentTB, 0)
  const unprotected = () => inOld() + onBorrowedTB + (isSafe() ? 0 : movedTB)
  const note = (
    kind: WayStepKind,
    {
      places,
      sizeTB,
      moves = sizeTB,
    }: { readonly places: readonly number[]; readonly sizeTB: number; readonly moves?: number },
  ): void => {
    steps.push({ kind, places, sizeTB, hours: hoursFor(moves), unprotectedTB: unprotected() })
  }
  const total = inOld()
  if (free.length > 0)
    steps.push({
      kind: 'release',
      places: free.map(({ place }) => place),
      sizeTB: free.reduce((sum, { sizeTB }) => sum + sizeTB, 0),
      hours: 0,
      unprotectedTB: hadRedundancy ? total : 0,
    })
  const begunSmall = growsByDrives(to, expandsParity)

  const emptied = (): void => {
    // A pool that is read as a whole holds its drives until all is out of it.
    if (!emptiesOneByOne) return
    for (let at = old.length - 1; at >= 0; at--) {
      if (old[at]!.contentTB > epsilon) continue
      free.push({ place: old[at]!.place, sizeTB: old[at]!.sizeTB })
      old.splice(at, 1)
    }
  }
  /** Moves from the drives with the least on them, so that whole drives become free. */
  const take = (roomTB: number): { places: number[]; sizeTB: number } => {
    let left = roomTB
    const places: number[] = []
    for (const drive of old.toSorted((a, b) => a.contentTB - b.contentTB)) {
      if (left <= epsilon || drive.contentTB <= epsilon) continue
      const moved = Math.min(left, drive.contentTB)
      drive.contentTB -= moved
      left -= moved
      places.push(drive.place)
    }
    return { places, sizeTB: roomTB - left }
  }
  /** Drives join the new pool, as many as its layout takes at a time. */
  const join = (): boolean => {
    if (free.length === 0) return false
    const isBegun = made.length > 0
    const all = [...made, ...free]
    const each = to.takesAtATime
    const whole = (drives: number) => drives - (drives % each)
    const count = isBegun || all.length >= to.minimumDrives ? whole(free.length) : 0
    if (count === 0) return false
    const joining = free.slice(0, count)
    const usable = usableOf(
      to,
      [...made, ...joining].map(({ sizeTB }) => sizeTB),
    )
    if (usable === null || (!isBegun && !begunSmall && old.length > 0)) return false
    const before = isBegun
      ? (usableOf(
          to,
          made.map(({ sizeTB }) => sizeTB),
        ) ?? 0)
      : 0
    if (isBegun && usable < before - epsilon) return false
    free = free.slice(count)
    made.push(...joining)
    // Parity is computed over what is there: as long as the largest drive takes to read.
    note(isBegun ? 'grow' : 'make', {
      places: joining.map(({ place }) => place),
      sizeTB: usable,
      moves: to.parity ? Math.max(...made.map(({ sizeTB }) => sizeTB)) : 0,
    })
    return true
  }
  for (;;) {
    emptied()
    if (inOld() <= epsilon) {
      // Drives that were left until everything was out.
      for (const drive of old.splice(0)) free.push({ place: drive.place, sizeTB: drive.sizeTB })
    }
    const joined = join()
    const room =
      made.length > 0
        ? Math.max(
            0,
            (usableOf(
              to,
              made.map(({ sizeTB }) => sizeTB),
            ) ?? 0) *
              fillShare -
              movedTB,
          )
        : 0
    if (onBorrowedTB > epsilon && room > epsilon && inOld() <= epsilon) {
      const back = Math.min(room, onBorrowedTB)
      onBorrowedTB -= back
      movedTB += back
      note('fromBorrowed', { places: [], sizeTB: back })
      continue
    }
    if (inOld() <= epsilon && onBorrowedTB <= epsilon && (joined || free.length === 0)) {
      if (free.length > 0) continue
      break
    }
    if (inOld() <= epsilon && onBorrowedTB <= epsilon) break
    if (emptiesOneByOne && room > epsilon && inOld() > epsilon) {
      const { places, sizeTB } = take(room)
      movedTB += sizeTB
      note('move', { places, sizeTB })
      continue
    }
    if (!emptiesOneByOne && inOld() > epsilon && room >= inOld() - epsilon) {
      const { places, sizeTB } = take(room)
      movedTB += sizeTB
      note('move', { places, sizeTB })
      continue
    }
    if (joined) continue
    if (
      emptiesOneByOne &&
      consolidate(old, fillShare, (places, sizeTB) => note('consolidate', { places, sizeTB }))
    )
      continue
    const space = borrowedTB * fillShare - onBorrowedTB
    if (
      emptiesOneByOne
        ? space > epsilon && inOld() > epsilon
        : space >= inOld() - epsilon && inOld() > epsilon
    ) {
      const { places, sizeTB } = take(space)
      onBorrowedTB += sizeTB
      note('toBorrowed', { places, sizeTB })
      if (!emptiesOneByOne)
        for (const drive of old.splice(0)) free.push({ place: drive.place, sizeTB: drive.sizeTB })
      continue
    }
    return null
  }
  if (borrowedTB > 0) note('giveBack', { places: [], sizeTB: 0 })
  return steps
}

/** Empties the drive with the least on it into the others, where they have room for all of it. */
function consolidate(
  old: { readonly place: number; readonly sizeTB: number; contentTB: number }[],
  fillShare: number,
  done: (places: readonly number[], sizeTB: number) => void,
): boolean {
  const filled = old
    .filter(drive => drive.contentTB > epsilon)
    .sort((a, b) => a.contentTB - b.contentTB)
  const [least, ...others] = filled
  if (!least || others.length === 0) return false
  const spaceTB = others.reduce(
    (sum, drive) => sum + Math.max(0, drive.sizeTB * fillShare - drive.contentTB),
    0,
  )
  if (spaceTB < least.contentTB - epsilon) return false
  const moved = least.contentTB
  for (const drive of others) {
    const part = Math.min(least.contentTB, Math.max(0, drive.sizeTB * fillShare - drive.contentTB))
    drive.contentTB += part
    least.contentTB -= part
  }
  done([least.place], moved)
  return true
}
