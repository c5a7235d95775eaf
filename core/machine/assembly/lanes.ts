/** MB/s that get through lanes of generation 3, by how many there are. */
const generation3: Readonly<Record<number, number>> = {
  1: 860,
  2: 1700,
  4: 3400,
  8: 6800,
  16: 13_600,
}
/** What another generation carries beside it. */
const factors: Readonly<Record<number, number>> = { 1: 0.25, 2: 0.5, 3: 1, 4: 2, 5: 4 }

/**
 * MB/s that get through so many lanes of a generation; of a number that is not made those of the
 * next smaller one. An unknown generation counts as the third.
 * @example laneRate(4, 3) // 3400
 */
export function laneRate(lanes: number, generation: number): number {
  const made = Object.keys(generation3).map(Number)
  const most = Math.max(0, ...made.filter(count => count <= lanes))
  return (generation3[most] ?? 0) * (factors[generation] ?? 1)
}
