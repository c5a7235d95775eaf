import type { LoadOutcome } from './compoundLoad'
import type { SlotHabits } from './slotHabits'

/** How the load of a set is distributed. */
interface Spread {
  /** chance of each cell, 0 … top */
  readonly distribution: Float64Array
  /** chance of more than each cell, and of more than the last that is told apart */
  readonly above: Float64Array
  readonly beyond: number
}

/**
 * A set of habits that go on together, at most one of each watcher, and what they put on the
 * machine.
 */
interface HabitSet {
  /** chance of more than each limit */
  readonly tails: readonly number[]
  /** the most that they can put on, cells */
  readonly highest: number
  /** made when a larger set is built on this one */
  spread: Spread | null
  /** makes it; a set that none is built on never needs it */
  readonly spreadOut: () => Spread
  /** with one habit more, by its index */
  readonly with: (HabitSet | undefined)[]
}

/**
 * Chances of exceeding limits by the sets of habits that may go on together. What a set puts on
 * does not depend on the
 * slot, so each is worked out once, when it is first met; a slot is then a sum over its sets.
 * Exact, and quick while few
 * watchers have something on at once.
 */
export class HabitSets {
  private readonly none: HabitSet = {
    tails: [],
    highest: 0,
    spread: null,
    spreadOut: () => spreadOf(Float64Array.of(1)),
    with: [],
  }
  private readonly highest: readonly number[]
  private readonly least: number
  private readonly most: number
  /** the most that the watchers of a slot from each on can put on */
  private readonly still: Float64Array
  /** chance of the branch that is gone through, up to each watcher */
  private readonly reached: Float64Array
  private sums: number[] = []
  /** sets worked out so far */
  size = 0

  /**
   * @param outcomes by habit: what its sessions put on, in cells
   * @param limits in cells
   * @param slot where the slots are filled in
   */
  constructor(
    private readonly outcomes: readonly (readonly LoadOutcome[])[],
    private readonly limits: readonly number[],
    private readonly slot: SlotHabits,
  ) {
    this.highest = outcomes.map(list => list.reduce((top, { cells }) => Math.max(top, cells), 0))
    this.least = Math.min(...limits)
    this.most = Math.max(...limits)
    this.still = new Float64Array(slot.rest.length + 1)
    this.reached = new Float64Array(slot.rest.length + 1)
  }

  /** Adds the chances of the slot as it is filled in, times a weight, to the sums by limit. */
  addTo(sums: number[], weight: number): void {
    // Where even the most that is still to come stays below every limit, a branch adds nothing.
    const { slot, still } = this
    still[slot.watchers] = 0
    for (let at = slot.watchers - 1; at >= 0; at--) {
      let most = 0
      for (let place = slot.start(at); place < slot.end[at]!; place++)
        most = Math.max(most, this.highest[slot.habit[place]!]!)
      still[at] = still[at + 1]! + most
    }
    this.reached[0] = weight
    this.sums = sums
    this.visit(this.none, 0)
  }

  /** Goes through what the watchers from this one on may do besides. */
  private visit(set: HabitSet, from: number): void {
    const { slot, still, reached, sums } = this
    if (set.highest + still[from]! <= this.least) return
    const chance = reached[from]!
    if (from === slot.watchers) {
      for (let index = 0; index < sums.length; index++) sums[index]! += chance * set.tails[index]!
      return
    }
    const rest = slot.rest[from]!
    if (rest > 0) {
      reached[from + 1] = chance * rest
      this.visit(set, from + 1)
    }
    for (let place = slot.start(from); place < slot.end[from]!; place++) {
      const habit = slot.habit[place]!
      reached[from + 1] = chance * slot.chance[place]!
      this.visit(set.with[habit] ?? this.join(set, habit), from + 1)
    }
  }

  private join(set: HabitSet, at: number): HabitSet {
    const outcomes = this.outcomes[at]!
    const { distribution: before, above, beyond } = (set.spread ??= set.spreadOut())
    const exceeding = (cells: number) =>
      cells < 0 ? 1 : cells < above.length ? above[cells]! : beyond
    let rest = 1
    for (const { chance } of outcomes) rest -= chance
    rest = Math.max(0, rest)
    const tails = this.limits.map(limit => {
      let sum = rest * exceeding(limit)
      for (const { cells, chance } of outcomes) sum += chance * exceeding(limit - cells)
      return sum
    })
    const joined: HabitSet = {
      tails,
      highest: set.highest + this.highest[at]!,
      spread: null,
      spreadOut: () => spreadOf(convolved(before, outcomes, this.most)),
      with: [],
    }
    set.with[at] = joined
    this.size++
    return joined
  }
}

/** A distribution with the outcomes of one more habit on it, told apart up to the cell `most`. */
function convolved(
  before: Float64Array,
  outcomes: readonly LoadOutcome[],
  most: number,
): Float64Array {
  let highest = 0
  let rest = 1
  for (const { cells, chance } of outcomes) {
    if (cells !== Infinity) highest = Math.max(highest, cells)
    rest -= chance
  }
  const distribution = new Float64Array(Math.min(most + 1, before.length + highest))
  for (let cell = 0; cell < before.length; cell++)
    distribution[cell] = before[cell]! * Math.max(0, rest)
  for (const { cells, chance } of outcomes) {
    const last = Math.min(before.length, distribution.length - cells)
    for (let cell = 0; cell < last; cell++) distribution[cell + cells]! += before[cell]! * chance
  }
  return distribution
}

function spreadOf(distribution: Float64Array): Spread {
  let within = 0
  for (const mass of distribution) within += mass
  const beyond = Math.max(0, 1 - within)
  const above = new Float64Array(distribution.length)
  let sum = beyond
  for (let cell = distribution.length - 1; cell >= 0; cell--) {
    above[cell] = sum
    sum += distribution[cell]!
  }
  return { distribution, above, beyond }
}
