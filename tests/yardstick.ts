/*
 * How long work takes, told as a multiple of a fixed piece of computing that is timed in the same
 * moment: a busy machine slows both, so that a limit says something of the program alone.
 */

/** A fixed piece of computing, some milliseconds long: numbers, objects and text. */
function fixedWork(): number {
  let sum = 0
  for (let round = 0; round < 40; round++) {
    const list = Array.from({ length: 2000 }, (_, at) => ({ at, root: Math.sqrt(at + round) }))
    list.sort((a, b) => (b.root % 1) - (a.root % 1))
    sum += JSON.stringify(list).length
  }
  return sum
}

function timed(work: () => unknown): number {
  const since = performance.now()
  work()
  return performance.now() - since
}

/** Yardsticks that a piece of work takes; the shorter of two runs where it can be run again. */
export function yardsticks(work: () => unknown, runs = 1): number {
  fixedWork()
  const before = timed(fixedWork)
  const own = Math.min(...Array.from({ length: runs }, () => timed(work)))
  return own / Math.max(before, timed(fixedWork))
}
