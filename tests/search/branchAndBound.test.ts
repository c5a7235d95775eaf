import fc from 'fast-check'
import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { branchAndBound, runSearch } from '../../core/tiers/search/branchAndBound'
import { anyChoosing, choosing, type Choosing } from './choosing'

function everything({ groups }: Choosing): number[][] {
  return groups.reduce<number[][]>(
    (all, options) => all.flatMap(picks => options.map((_, pick) => [...picks, pick])),
    [[]],
  )
}

/** The same problem as lines of a general solver: a yes or no for each option. */
function asLines({ groups, least, never }: Choosing): string {
  const name = (group: number, pick: number) => `x${group}_${pick}`
  const sum = (of: (option: Choosing['groups'][number][number]) => number) =>
    groups
      .flatMap((options, group) =>
        options.map((option, pick) => `${of(option)} ${name(group, pick)}`),
      )
      .join(' + ')
  const known = never.filter(([a, one, b, other]) => groups[a]?.[one] && groups[b]?.[other])
  return [
    'Minimize',
    ` obj: ${sum(({ price }) => price)}`,
    'Subject To',
    ...groups.map(
      (options, group) =>
        ` g${group}: ${options.map((_, pick) => name(group, pick)).join(' + ')} = 1`,
    ),
    ...[0, 1].map(good => ` least${good}: ${sum(({ goods }) => goods[good]!)} >= ${least[good]}`),
    ...known.map(([a, one, b, other], at) =>
      a === b && one === other
        ? ` n${at}: 2 ${name(a, one)} <= 1`
        : ` n${at}: ${name(a, one)} + ${name(b, other)} <= 1`,
    ),
    'Binary',
    ` ${groups.flatMap((options, group) => options.map((_, pick) => name(group, pick))).join(' ')}`,
    'End',
  ].join('\n')
}

describe('branch and bound', () => {
  it('finds the first of the cheapest that going through everything finds', () => {
    fc.assert(
      fc.property(anyChoosing(5, 4), problem => {
        const { finish, compare } = choosing(problem)
        const all = everything(problem)
          .flatMap(picks => finish(picks) ?? [])
          .sort((a, b) => a.cost - b.cost || compare(a.found, b.found))
        const { best, nodes, leaves, cut } = runSearch(choosing(problem))
        expect(best).toEqual(all[0] ?? null)
        expect(leaves).toBeLessThanOrEqual(everything(problem).length)
        expect(nodes).toBeGreaterThanOrEqual(leaves)
        expect(cut).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 300 },
    )
  })
  it('looks for nothing above its limit, and reports on the way', () => {
    const problem: Choosing = {
      groups: Array.from({ length: 7 }, () =>
        [1, 2, 3].map(price => ({ price, goods: [price === 3 ? 1 : 0, 0] as const })),
      ),
      least: [7, 0],
      never: [],
    }
    expect(runSearch(choosing(problem)).best!.cost).toBe(21)
    expect(runSearch(choosing(problem), 20).best).toBe(null)
    expect(runSearch(choosing(problem), 21).best!.cost).toBe(21)
    const steps = branchAndBound(choosing(problem))
    const first = steps.next()
    expect(first.done).toBe(false)
    expect(first.value.nodes).toBeGreaterThan(0)
    expect(first.value.nodes).toBeLessThan(runSearch(choosing(problem)).nodes)
  })
  it(
    'ends where a general solver of mixed integer programs ends, on problems too large to go ' +
      'through',
    async () => {
      const highs = await highsLoader()
      let solved = 0
      fc.assert(
        fc.property(
          anyChoosing(9, 6).filter(({ groups }) => groups.length > 6),
          problem => {
            const general = highs.solve(asLines(problem))
            const { best } = runSearch(choosing(problem))
            if (general.Status === 'Infeasible') expect(best).toBe(null)
            else {
              expect(general.Status).toBe('Optimal')
              expect(best!.cost).toBeCloseTo(general.ObjectiveValue, 6)
              solved++
            }
          },
        ),
        { numRuns: 40, seed: 11 },
      )
      expect(solved).toBeGreaterThan(8)
    },
    60_000,
  )
})
