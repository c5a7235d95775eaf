/**
 * Who may do what in one slot, watcher by watcher, in arrays that are filled anew for each: a week
 * has hundreds of slots, and lists made for each would be most of what an edit makes.
 */
export class SlotHabits {
  /** watchers in the slot */
  watchers = 0
  /** by watcher: the chance that none of the habits goes on */
  readonly rest: Float64Array
  /** by watcher: where the habits end; they begin where those of the watcher before end */
  readonly end: Int32Array
  /** by place: which habit it is, and the chance that it goes on */
  readonly habit: Int32Array
  readonly chance: Float64Array
  private places = 0

  /**
   * @param watchers how many there can be
   * @param habits how many there can be of all of them
   */
  constructor(watchers: number, habits: number) {
    this.rest = new Float64Array(watchers)
    this.end = new Int32Array(watchers)
    this.habit = new Int32Array(habits)
    this.chance = new Float64Array(habits)
  }

  clear(): void {
    this.watchers = 0
    this.places = 0
  }

  /** One more habit of the watcher that is entered. */
  add(habit: number, chance: number): void {
    this.habit[this.places] = habit
    this.chance[this.places++] = chance
  }

  /** The watcher's habits are all in. */
  close(rest: number): void {
    this.rest[this.watchers] = rest
    this.end[this.watchers++] = this.places
  }

  /** Where the habits of a watcher begin. */
  start(watcher: number): number {
    return watcher === 0 ? 0 : this.end[watcher - 1]!
  }
}
