import { requireWithin } from '../errors'

/**
 * One thing that a draw can put on the machine, in cells of the grid; Infinity is too much for it
 * by itself.
 */
export interface LoadOutcome {
  readonly cells: number
  readonly chance: number
}

/**
 * Cells of a grid that a load takes, rounded up, so that a sum of loads is never told too small.
 * @example cellsOf(0.631, 0.005) // 127
 */
export function cellsOf(load: number, step: number): number {
  return Math.max(0, Math.ceil(load / step - 1e-9))
}

/** Room for distributions, made once for many slots; its content is of no meaning between calls. */
export interface LoadRoom {
  readonly most: number
  first: Float64Array
  second: Float64Array
}

/** @param most last cell that is told apart */
export function loadRoom(most: number): LoadRoom {
  return { most, first: new Float64Array(most + 2), second: new Float64Array(most + 2) }
}

/**
 * Distribution of the sum of independent loads on a grid, exactly, by convolution.
 * @param draws for each: its outcomes; what they leave of 1 puts nothing on
 * @param room cells up to its `most` are told apart; whatever exceeds it is gathered in one more
 * @returns chances of 0 … most cells, and of more; the highest cell below that in use. The array
 *   belongs to the room.
 * @throws {CoreRangeError} LOAD_OUTCOMES: the chances of a draw exceed 1; OUTCOME_CELLS: an outcome
 *   below nothing
 */
export function compoundLoad(
  draws: readonly (readonly LoadOutcome[])[],
  room: LoadRoom,
): { readonly distribution: Float64Array; readonly top: number } {
  const { most } = room
  let { first: distribution, second: next } = room
  distribution[0] = 1
  let top = 0
  for (const outcomes of draws) {
    let sum = 0
    let highest = 0
    for (const { cells, chance } of outcomes) {
      sum += chance
      if (cells === Infinity) continue
      requireWithin('OUTCOME_CELLS', cells, { min: 0 })
      highest = Math.max(highest, cells)
    }
    requireWithin('LOAD_OUTCOMES', sum, { min: 0, max: 1 + 1e-9 })
    const rest = Math.max(0, 1 - sum)
    const newTop = Math.min(most, top + highest)
    for (let cell = 0; cell <= top; cell++) next[cell] = distribution[cell]! * rest
    next.fill(0, top + 1, newTop + 1)
    // Outcome by outcome, so that the inner loop runs straight through both arrays; this is where
    // the
    // time goes.
    for (const { cells, chance } of outcomes)
      addShifted(next, distribution, { last: Math.min(top, most - cells), by: cells, chance })
    ;[distribution, next] = [next, distribution]
    top = newTop
  }
  let within = 0
  for (let cell = 0; cell <= top; cell++) within += distribution[cell]!
  distribution[most + 1] = Math.max(0, 1 - within)
  return { distribution, top }
}

/** target[cell + by] += source[cell] · chance for the cells 0 … last. */
function addShifted(
  target: Float64Array,
  source: Float64Array,
  { last, by, chance }: { readonly last: number; readonly by: number; readonly chance: number },
): void {
  for (let cell = 0; cell <= last; cell++) target[cell + by]! += source[cell]! * chance
}

/**
 * Chances that the sum of the loads exceeds each of several limits. The last draw need not be
 * spread out for that, so the
 * one with most outcomes is taken last.
 * @param limits in cells, 0 … the room's most
 */
export function chancesAbove(
  draws: readonly (readonly LoadOutcome[])[],
  limits: readonly number[],
  room: LoadRoom,
): number[] {
  const [last = [], ...others] = [...draws].sort((a, b) => b.length - a.length)
  const { distribution, top } = compoundLoad(others, room)
  // From here on the distribution is turned into the chance to exceed each cell.
  let above = distribution[room.most + 1]!
  const beyond = above
  for (let cell = top; cell >= 0; cell--) {
    const mass = distribution[cell]!
    distribution[cell] = above
    above += mass
  }
  const exceeding = (cells: number) => (cells < 0 ? 1 : cells > top ? beyond : distribution[cells]!)
  let rest = 1
  for (const { chance } of last) rest -= chance
  return limits.map(limit => {
    let sum = Math.max(0, rest) * exceeding(limit)
    for (const { cells, chance } of last) sum += chance * exceeding(limit - cells)
    return sum
  })
}
