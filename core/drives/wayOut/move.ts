import type { JoinOrder, Joining } from './joinOrder'
import {
  epsilon,
  hoursFor,
  usableOf,
  type OldDrive,
  type WayOutQuestion,
  type WayStep,
} from './wayOutQuestion'

interface Drive extends OldDrive {
  contentTB: number
  /** of the old pool, a plain disk, or in the new pool */
  at: 'old' | 'plain' | 'new'
}

/** The steps of a move in a given order of joining, with so much borrowed space. */
export class Move {
  private readonly taken: WayStep[] = []
  private readonly drives: Drive[]
  private movedTB = 0
  private onBorrowedTB = 0
  private readonly totalTB: number
  /** the old pool is whole, and has its redundancy */
  private oldIsSafe: boolean

  constructor(
    private readonly question: WayOutQuestion,
    private readonly order: JoinOrder,
    private readonly borrowedTB: number,
  ) {
    const { drives, emptiesOneByOne, hadRedundancy, from } = question
    this.drives = drives.map(drive => ({
      ...drive,
      at: emptiesOneByOne || drive.isSpare ? 'plain' : 'old',
    }))
    this.totalTB = this.sumOf(() => true)
    this.oldIsSafe =
      !emptiesOneByOne &&
      !hadRedundancy &&
      from.survives(drives.filter(({ isSpare }) => !isSpare).length) > 0
  }

  steps(): readonly WayStep[] {
    const spares = this.drives.filter(({ isSpare }) => isSpare)
    if (spares.length > 0) this.release(spares)
    for (let next = 0; next < this.order.joins.length; next++) {
      const join = this.order.joins[next]!
      if (join.length === 0) this.leave()
      else next = this.joinFrom(next)
    }
    this.empty(this.drives.filter(({ at }) => at !== 'new'))
    if (this.onBorrowedTB > epsilon) this.fromBorrowed()
    if (this.borrowedTB > 0) this.note('giveBack', { places: [], sizeTB: 0 }, () => undefined)
    return this.taken
  }

  private sumOf(which: (drive: Drive) => boolean): number {
    return this.drives.reduce((sum, drive) => (which(drive) ? sum + drive.contentTB : sum), 0)
  }

  private usableTB(): number {
    const sizes = this.drives.filter(({ at }) => at === 'new').map(({ sizeTB }) => sizeTB)
    return usableOf(this.question.to, sizes) ?? 0
  }

  /** What stands on one drive only. */
  private bareTB(): number {
    if (this.oldIsSafe) return 0
    const { to } = this.question
    const members = this.drives.filter(({ at }) => at === 'new').length
    const isSafe = to.survives(Math.max(to.minimumDrives, members)) > 0
    return this.sumOf(({ at }) => at !== 'new') + this.onBorrowedTB + (isSafe ? 0 : this.movedTB)
  }

  private note(
    kind: WayStep['kind'],
    { places, sizeTB, hours = 0 }: Pick<WayStep, 'places' | 'sizeTB'> & { readonly hours?: number },
    happens: () => void,
  ): void {
    const before = this.bareTB()
    happens()
    this.taken.push({
      kind,
      places,
      sizeTB,
      hours,
      unprotectedTB: Math.max(before, this.bareTB()),
    })
  }

  /** Gives the redundancy of the old pool up. */
  private release(spares: readonly Drive[]): void {
    this.taken.push({
      kind: 'release',
      places: spares.map(({ place }) => place),
      sizeTB: spares.reduce((sum, { sizeTB }) => sum + sizeTB, 0),
      hours: 0,
      unprotectedTB: this.question.hadRedundancy ? this.totalTB : this.bareTB(),
    })
  }

  /** All data leave a pool that is read as a whole; its drives are plain disks then. */
  private leave(): void {
    const old = this.drives.filter(({ at }) => at === 'old')
    this.empty(old)
    this.oldIsSafe = false
    for (const drive of old) drive.at = 'plain'
  }

  /** Drives join, with those after them that find space for what lies on them just as well. */
  private joinFrom(first: number): number {
    let joining = this.chosen(this.order.joins[first]!, [])
    let last = first
    for (;;) {
      const next = this.order.joins[last + 1]
      if (!next || next.length === 0) break
      const more = [...joining, ...this.chosen(next, joining)]
      if (this.lackingWithout(more) > epsilon || !this.addsUsable(joining, more)) break
      joining = more
      last++
    }
    this.empty(joining)
    const { to } = this.question
    const isBegun = this.movedInto()
    const sizes = [...this.drives.filter(({ at }) => at === 'new'), ...joining].map(
      ({ sizeTB }) => sizeTB,
    )
    // Parity is computed over what is there: as long as the largest drive takes to read.
    this.note(
      isBegun ? 'grow' : 'make',
      {
        places: joining.map(({ place }) => place),
        sizeTB: usableOf(to, sizes)!,
        hours: to.parity ? hoursFor(Math.max(...sizes), this.question) : 0,
      },
      () => {
        for (const drive of joining) drive.at = 'new'
      },
    )
    return last
  }

  private movedInto(): boolean {
    return this.drives.some(({ at }) => at === 'new')
  }

  private addsUsable(some: readonly Drive[], more: readonly Drive[]): boolean {
    const there = this.drives.filter(({ at }) => at === 'new')
    const usable = (drives: readonly Drive[]) =>
      usableOf(
        this.question.to,
        [...there, ...drives].map(({ sizeTB }) => sizeTB),
      ) ?? -1
    return usable(more) >= usable(some) - epsilon
  }

  /** Of each kind the drives with the least on them. */
  private chosen(join: Joining, without: readonly Drive[]): Drive[] {
    const { emptiesOneByOne } = this.question
    return this.order.kinds.flatMap(({ sizeTB, isFree }, kind) =>
      this.drives
        .filter(
          drive =>
            drive.sizeTB === sizeTB &&
            (emptiesOneByOne || drive.isSpare) === isFree &&
            drive.at !== 'new' &&
            !without.includes(drive),
        )
        .sort((a, b) => a.contentTB - b.contentTB)
        .slice(0, join[kind]),
    )
  }

  private plainSpace(without: readonly Drive[]): { drive: Drive; spaceTB: number }[] {
    return this.drives.flatMap(drive =>
      drive.at === 'plain' && !without.includes(drive)
        ? [
            {
              drive,
              spaceTB: Math.max(0, drive.sizeTB * this.question.fillShare - drive.contentTB),
            },
          ]
        : [],
    )
  }

  private newSpaceTB(): number {
    return Math.max(0, this.usableTB() * this.question.fillShare - this.movedTB)
  }

  private borrowedSpaceTB(): number {
    return this.borrowedTB * this.question.fillShare - this.onBorrowedTB
  }

  /** What of the data on some drives would find no space elsewhere. */
  private lackingWithout(drives: readonly Drive[]): number {
    return (
      drives.reduce((sum, { contentTB }) => sum + contentTB, 0) -
      this.newSpaceTB() -
      this.borrowedSpaceTB() -
      this.plainSpace(drives).reduce((sum, { spaceTB }) => sum + spaceTB, 0)
    )
  }

  /** Data leave some drives: into the new pool, else onto plain disks, else onto borrowed ones. */
  private empty(drives: readonly Drive[]): void {
    const plain = this.plainSpace(drives)
    const ways = [
      {
        kind: 'move',
        spaceTB: this.newSpaceTB(),
        arrive: (sizeTB: number) => void (this.movedTB += sizeTB),
      },
      {
        kind: 'consolidate',
        spaceTB: plain.reduce((sum, { spaceTB }) => sum + spaceTB, 0),
        arrive: (sizeTB: number) => {
          let left = sizeTB
          for (const { drive, spaceTB } of plain) {
            const part = Math.min(left, spaceTB)
            drive.contentTB += part
            left -= part
          }
        },
      },
      {
        kind: 'toBorrowed',
        spaceTB: this.borrowedSpaceTB(),
        arrive: (sizeTB: number) => void (this.onBorrowedTB += sizeTB),
      },
    ] as const
    for (const way of ways) this.shift(drives, way)
  }

  /** Takes from the drives with the least on them, so that whole drives become free. */
  private shift(
    drives: readonly Drive[],
    {
      kind,
      spaceTB,
      arrive,
    }: {
      readonly kind: WayStep['kind']
      readonly spaceTB: number
      readonly arrive: (sizeTB: number) => void
    },
  ): void {
    const parts = new Map<Drive, number>()
    let left = spaceTB
    for (const drive of drives.toSorted((a, b) => a.contentTB - b.contentTB)) {
      const part = Math.min(left, drive.contentTB)
      if (part <= epsilon) continue
      parts.set(drive, part)
      left -= part
    }
    const sizeTB = [...parts.values()].reduce((sum, part) => sum + part, 0)
    if (sizeTB <= epsilon) return
    const places = [...parts.keys()].map(({ place }) => place)
    this.note(kind, { places, sizeTB, hours: hoursFor(sizeTB, this.question) }, () => {
      for (const [drive, part] of parts) drive.contentTB -= part
      arrive(sizeTB)
    })
  }

  private fromBorrowed(): void {
    const sizeTB = this.onBorrowedTB
    this.note(
      'fromBorrowed',
      { places: [], sizeTB, hours: hoursFor(sizeTB, this.question) },
      () => {
        this.movedTB += sizeTB
        this.onBorrowedTB = 0
      },
    )
  }
}
