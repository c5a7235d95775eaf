import fc from 'fast-check'
import { sorted, type SearchProblem } from '../../core/tiers/search/branchAndBound'

/**
 * One of each group, at least so much of each of two goods, at the least price: a problem that can
 * also be written down in lines.
 */
export interface Choosing {
  readonly groups: readonly (readonly {
    readonly price: number
    readonly goods: readonly [number, number]
  }[])[]
  readonly least: readonly [number, number]
  readonly never: readonly (readonly [number, number, number, number])[]
}

export function choosing({
  groups,
  least,
  never,
}: Choosing): SearchProblem<readonly number[], readonly number[]> {
  const cheapest = groups.map(options => Math.min(...options.map(({ price }) => price)))
  const rest = groups.map((_, at) => cheapest.slice(at).reduce((sum, price) => sum + price, 0))
  const priceOf = (picks: readonly number[]) =>
    picks.reduce((sum, pick, group) => sum + groups[group]![pick]!.price, 0)
  return {
    root: [],
    branch: picks =>
      picks.length === groups.length
        ? null
        : sorted(
            groups[picks.length]!.map((_, pick) => ({
              state: [...picks, pick],
              bound: priceOf([...picks, pick]) + (rest[picks.length + 1] ?? 0),
            })),
          ),
    finish(picks) {
      const goods = [0, 1].map(good =>
        picks.reduce((sum, pick, group) => sum + groups[group]![pick]!.goods[good]!, 0),
      )
      const clash = never.some(([a, one, b, other]) => picks[a] === one && picks[b] === other)
      return clash || goods.some((amount, good) => amount < least[good]!)
        ? null
        : { cost: priceOf(picks), found: picks }
    },
    compare: (one, other) => (one.join() < other.join() ? -1 : 1),
  }
}

export const anyChoosing = (groups: number, options: number): fc.Arbitrary<Choosing> =>
  fc.record({
    groups: fc.array(
      fc.array(
        fc.record({
          price: fc.integer({ min: 0, max: 60 }),
          goods: fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 })),
        }),
        { minLength: 1, maxLength: options },
      ),
      { minLength: 1, maxLength: groups },
    ),
    least: fc.tuple(
      fc.integer({ min: 0, max: groups * 6 }),
      fc.integer({ min: 0, max: groups * 6 }),
    ),
    never: fc.array(
      fc.tuple(fc.nat(groups - 1), fc.nat(options - 1), fc.nat(groups - 1), fc.nat(options - 1)),
      { maxLength: 4 },
    ),
  })
