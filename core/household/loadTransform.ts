import type { LoadOutcome } from './compoundLoad'
import type { SlotHabits } from './slotHabits'

/**
 * How often the room for the sums is larger than the highest limit: what lies beyond wraps round,
 * damped.
 */
const roomFactor = 2
/**
 * What wraps round is damped to this. Damped further, the rounding errors that are grown back with
 * the loads would exceed it.
 */
const wrapped = 1e-10

/**
 * Chances of exceeding limits for many watchers at once, by the Fourier transform of their loads:
 * sums of loads are products
 * of transforms, whatever the number of outcomes. Loads are damped exponentially before, so that
 * what
 * exceeds the room and wraps
 * round is lost; chances are right to about 1e-10.
 */
export class LoadTransform {
  private readonly points: number
  private readonly half: number
  private readonly damping: number
  /** by habit, once needed: the transform of its load less 1, real and imaginary parts in turn */
  private readonly transforms: (Float64Array | undefined)[]
  /** by limit: what each point of the product counts in the chance to stay within it */
  private readonly counts: readonly Float64Array[]
  private readonly cos: Float64Array
  private readonly sin: Float64Array
  private readonly product: Float64Array
  private readonly sum: Float64Array

  /**
   * @param outcomes by habit: what its sessions put on, in cells
   * @param limits in cells
   * @param slot where the slots are filled in
   */
  constructor(
    private readonly outcomes: readonly (readonly LoadOutcome[])[],
    limits: readonly number[],
    private readonly slot: SlotHabits,
  ) {
    this.half = Math.ceil((roomFactor * (Math.max(...limits) + 1)) / 2)
    this.points = 2 * this.half
    this.damping = -Math.log(wrapped) / this.points
    this.transforms = outcomes.map(() => undefined)
    this.cos = Float64Array.from({ length: this.points }, (_, at) =>
      Math.cos((2 * Math.PI * at) / this.points),
    )
    this.sin = Float64Array.from({ length: this.points }, (_, at) =>
      Math.sin((2 * Math.PI * at) / this.points),
    )
    this.product = new Float64Array(2 * (this.half + 1))
    this.sum = new Float64Array(2 * (this.half + 1))
    this.counts = limits.map(limit => this.countsOf(limit))
  }

  /** Adds the chances of the slot as it is filled in, times a weight, to the sums by limit. */
  addTo(sums: number[], weight: number): void {
    const { product, sum, slot } = this
    product.fill(0)
    for (let at = 0; at < product.length; at += 2) product[at] = 1
    for (let watcher = 0; watcher < slot.watchers; watcher++) {
      const first = slot.start(watcher)
      for (let place = first; place < slot.end[watcher]!; place++) {
        const at = slot.habit[place]!
        const transform = (this.transforms[at] ??= this.transformOf(this.outcomes[at]!))
        if (place === first) scale(sum, transform, slot.chance[place]!)
        else addScaled(sum, transform, slot.chance[place]!)
      }
      if (slot.end[watcher]! > first) multiplyByOneAnd(product, sum)
    }
    for (let index = 0; index < sums.length; index++) {
      const within = innerProduct(product, this.counts[index]!)
      sums[index]! += weight * Math.min(1, Math.max(0, 1 - within))
    }
  }

  private transformOf(outcomes: readonly LoadOutcome[]): Float64Array {
    const transform = new Float64Array(2 * (this.half + 1))
    for (const { cells, chance } of outcomes) {
      const damped = cells < this.points ? chance * Math.exp(-this.damping * cells) : 0
      for (let at = 0; at <= this.half; at++) {
        const turn = damped === 0 ? 0 : (at * cells) % this.points
        transform[2 * at]! += damped * this.cos[turn]! - chance
        transform[2 * at + 1]! -= damped * this.sin[turn]!
      }
    }
    return transform
  }

  /**
   * Σ over the cells within the limit of the inverse transform, the damping undone: for each point
   * what its two parts count.
   */
  private countsOf(limit: number): Float64Array {
    const counts = new Float64Array(2 * (this.half + 1))
    for (let at = 0; at <= this.half; at++) {
      let [re, im] = [0, 0]
      for (let cell = 0; cell <= limit; cell++) {
        const grown = Math.exp(this.damping * cell)
        const turn = (at * cell) % this.points
        re += grown * this.cos[turn]!
        im += grown * this.sin[turn]!
      }
      // The second half of the points is the mirror of the first.
      const twice = (at === 0 || at === this.half ? 1 : 2) / this.points
      counts[2 * at] = twice * re
      counts[2 * at + 1] = -twice * im
    }
    return counts
  }
}

// The inner loops, each by itself: this is where the time of a large household goes. Complex
// numbers, real and imaginary parts in turn.

function scale(target: Float64Array, source: Float64Array, by: number): void {
  for (let at = 0; at < target.length; at++) target[at] = by * source[at]!
}

function addScaled(target: Float64Array, source: Float64Array, by: number): void {
  for (let at = 0; at < target.length; at++) target[at]! += by * source[at]!
}

/** target · (1 + by), point by point. */
function multiplyByOneAnd(target: Float64Array, by: Float64Array): void {
  for (let at = 0; at < target.length; at += 2) {
    const re = target[at]!
    const im = target[at + 1]!
    const byRe = 1 + by[at]!
    const byIm = by[at + 1]!
    target[at] = re * byRe - im * byIm
    target[at + 1] = re * byIm + im * byRe
  }
}

function innerProduct(one: Float64Array, other: Float64Array): number {
  let sum = 0
  for (let at = 0; at < one.length; at++) sum += one[at]! * other[at]!
  return sum
}
