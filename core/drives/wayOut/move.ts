import {
  epsilon,
  growsByDrives,
  usableOf,
  type WayOutQuestion,
  type WayStep,
  type WayStepKind,
} from './wayOutQuestion'

interface Drive {
  readonly place: number
  readonly sizeTB: number
}
interface FilledDrive extends Drive {
  contentTB: number
}

const sizesOf = (drives: readonly Drive[]) => drives.map(({ sizeTB }) => sizeTB)
const bare = ({ place, sizeTB }: Drive): Drive => ({ place, sizeTB })

/** One try to move from the old layout to the new one with so much borrowed space. */
export class Move {
  private readonly taken: WayStep[] = []
  /** drives of the old pool with what is on them, drives of none, and those of the new pool */
  private readonly old: FilledDrive[]
  private free: Drive[]
  private readonly made: Drive[] = []
  private movedTB = 0
  private onBorrowedTB = 0
  private readonly totalTB: number

  constructor(
    private readonly question: WayOutQuestion,
    private readonly borrowedTB: number,
  ) {
    const { drives } = question
    this.old = drives.filter(drive => !drive.isSpare).map(drive => ({ ...drive }))
    this.free = drives.filter(drive => drive.isSpare).map(bare)
    this.totalTB = this.inOld()
  }

  /** @returns null where it comes to a stop */
  steps(): WayStep[] | null {
    if (this.free.length > 0) this.release()
    for (;;) {
      this.freeEmptied()
      const joined = this.join()
      if (this.isOut() && this.onBorrowedTB <= epsilon && (this.free.length === 0 || !joined)) break
      if (!this.isOut() || this.onBorrowedTB > epsilon) {
        if (!this.moveOn(joined)) return null
      }
    }
    if (this.borrowedTB > 0) this.note('giveBack', { places: [], sizeTB: 0 })
    return this.taken
  }

  /** Moves some of the data on; false where nothing can be moved. */
  private moveOn(joined: boolean): boolean {
    const { emptiesOneByOne } = this.question
    const roomTB = this.roomTB()
    if (this.isOut()) return (roomTB > epsilon && this.fromBorrowed(roomTB)) || joined
    // A pool that is read as a whole moves as a whole.
    const least = emptiesOneByOne ? epsilon : this.inOld() - epsilon
    if (roomTB > least) {
      this.move(roomTB)
      return true
    }
    if (joined || (emptiesOneByOne && this.consolidate())) return true
    const spaceTB = this.borrowedTB * this.question.fillShare - this.onBorrowedTB
    if (spaceTB <= least) return false
    this.toBorrowed(spaceTB)
    return true
  }

  private inOld(): number {
    return this.old.reduce((sum, drive) => sum + drive.contentTB, 0)
  }
  private isOut(): boolean {
    return this.inOld() <= epsilon
  }

  /** What the new pool takes yet. */
  private roomTB(): number {
    const { to, fillShare } = this.question
    if (this.made.length === 0) return 0
    return Math.max(0, (usableOf(to, sizesOf(this.made)) ?? 0) * fillShare - this.movedTB)
  }

  private note(
    kind: WayStepKind,
    {
      places,
      sizeTB,
      moves = sizeTB,
    }: { readonly places: readonly number[]; readonly sizeTB: number; readonly moves?: number },
  ): void {
    const { to, rateMBps } = this.question
    const isSafe = to.survives(Math.max(to.minimumDrives, this.made.length)) > 0
    this.taken.push({
      kind,
      places,
      sizeTB,
      hours: (moves * 1e6) / rateMBps / 3600,
      unprotectedTB: this.inOld() + this.onBorrowedTB + (isSafe ? 0 : this.movedTB),
    })
  }

  /** Gives the redundancy of the old pool up. */
  private release(): void {
    this.taken.push({
      kind: 'release',
      places: this.free.map(({ place }) => place),
      sizeTB: this.free.reduce((sum, { sizeTB }) => sum + sizeTB, 0),
      hours: 0,
      unprotectedTB: this.question.hadRedundancy ? this.totalTB : 0,
    })
  }

  /** Drives that are empty are free; in a pool that is read as a whole once all is out of it. */
  private freeEmptied(): void {
    if (this.question.emptiesOneByOne)
      for (let at = this.old.length - 1; at >= 0; at--)
        if (this.old[at]!.contentTB <= epsilon) this.free.push(...this.old.splice(at, 1).map(bare))
    if (this.isOut()) this.free.push(...this.old.splice(0).map(bare))
  }

  /** Takes data from the drives with the least on them, so that whole drives become free. */
  private take(roomTB: number): { readonly places: number[]; readonly sizeTB: number } {
    let left = roomTB
    const places: number[] = []
    for (const drive of this.old.toSorted((a, b) => a.contentTB - b.contentTB)) {
      if (left <= epsilon || drive.contentTB <= epsilon) continue
      const moved = Math.min(left, drive.contentTB)
      drive.contentTB -= moved
      left -= moved
      places.push(drive.place)
    }
    return { places, sizeTB: roomTB - left }
  }

  private move(roomTB: number): void {
    const part = this.take(roomTB)
    this.movedTB += part.sizeTB
    this.note('move', part)
  }

  private toBorrowed(spaceTB: number): void {
    const part = this.take(spaceTB)
    this.onBorrowedTB += part.sizeTB
    this.note('toBorrowed', part)
  }

  private fromBorrowed(roomTB: number): boolean {
    const back = Math.min(roomTB, this.onBorrowedTB)
    this.onBorrowedTB -= back
    this.movedTB += back
    this.note('fromBorrowed', { places: [], sizeTB: back })
    return true
  }

  /** Drives join the new pool, as many as its layout takes at a time. */
  private join(): boolean {
    const { to, expandsParity } = this.question
    const isBegun = this.made.length > 0
    const isEnough = isBegun || this.free.length >= to.minimumDrives
    const count = isEnough ? wholeTimes(this.free.length, to.takesAtATime) : 0
    if (count === 0) return false
    const joining = this.free.slice(0, count)
    const usable = usableOf(to, sizesOf([...this.made, ...joining]))
    if (usable === null) return false
    if (!isBegun && this.old.length > 0 && !growsByDrives(to, expandsParity)) return false
    if (isBegun && usable < (usableOf(to, sizesOf(this.made)) ?? 0) - epsilon) return false
    this.free = this.free.slice(count)
    this.made.push(...joining)
    // Parity is computed over what is there: as long as the largest drive takes to read.
    this.note(isBegun ? 'grow' : 'make', {
      places: joining.map(({ place }) => place),
      sizeTB: usable,
      moves: to.parity ? Math.max(...sizesOf(this.made)) : 0,
    })
    return true
  }

  /** Empties the drive with the least on it into the others, where they have room for all of it. */
  private consolidate(): boolean {
    const { fillShare } = this.question
    const [least, ...others] = this.old
      .filter(drive => drive.contentTB > epsilon)
      .sort((a, b) => a.contentTB - b.contentTB)
    if (!least || others.length === 0) return false
    const spaceOn = (drive: FilledDrive) => Math.max(0, drive.sizeTB * fillShare - drive.contentTB)
    const sizeTB = least.contentTB
    if (others.reduce((sum, drive) => sum + spaceOn(drive), 0) < sizeTB - epsilon) return false
    for (const drive of others) {
      const part = Math.min(least.contentTB, spaceOn(drive))
      drive.contentTB += part
      least.contentTB -= part
    }
    this.note('consolidate', { places: [least.place], sizeTB })
    return true
  }
}

const wholeTimes = (count: number, each: number) => count - (count % each)
