import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchResult, benchRound, maxCopies, nextCopies, type BenchRound } from './bench'

/** A machine of so many reference streams, of which one copy alone can use a part only. */
function machine(streams: number, alone = streams) {
  return (copies: number): BenchRound =>
    benchRound(Array.from({ length: copies }, () => Math.min(alone, streams / copies)))
}
function run(round: (copies: number) => BenchRound): BenchRound[] {
  const rounds: BenchRound[] = []
  for (let copies = nextCopies(rounds); copies !== null; copies = nextCopies(rounds)) {
    rounds.push(round(copies))
    if (rounds.length > 100) throw new Error('never ends')
  }
  return rounds
}

describe('the bench', () => {
  it('finds 3 whole of 3.4 streams in a few rounds', () => {
    const rounds = run(machine(3.4))
    expect(benchResult(rounds)).toMatchObject({ whole: 3, streams: expect.closeTo(3.4, 9) })
    expect(rounds.map(round => round.copies)).toEqual([1, 3, 4])
  })
  it('ends with the first round when not even one keeps up', () => {
    expect(run(machine(0.7)).map(round => round.copies)).toEqual([1])
    expect(benchResult(run(machine(0.7)))).toMatchObject({ whole: 0, streams: 0.7 })
  })
  it('finds the largest count that trying every count finds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (streams, part) => {
          const round = machine(streams, Math.max(streams * part, 0.2))
          let whole = 0
          while (whole < maxCopies && round(whole + 1).slowest >= 1) whole++
          expect(benchResult(run(round)).whole).toBe(whole)
        },
      ),
    )
  })
  it('tries no more than it may', () => {
    const rounds = run(machine(1000))
    expect(Math.max(...rounds.map(round => round.copies))).toBe(maxCopies)
  })
  it('of nothing is nothing', () =>
    expect(benchResult([])).toEqual({ streams: 0, whole: 0, rounds: [] }))
})
