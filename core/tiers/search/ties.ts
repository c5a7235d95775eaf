import { costEpsilon } from './branchAndBound'
import type { FoundBuild } from './buildQuestion'

/** Ties: idle watts at the wall, then the parts by id, layout, drives. */
export function compareFound(one: FoundBuild, other: FoundBuild): number {
  const watts = one.evaluation.idleW - other.evaluation.idleW
  if (Math.abs(watts) > costEpsilon) return watts
  const key = ({ frame, refs, pool }: FoundBuild) =>
    [[frame, ...refs].sort().join(' '), pool.choice.layout, pool.key].join('|')
  return key(one) < key(other) ? -1 : key(one) > key(other) ? 1 : 0
}

/**
 * Ties of a change: the fewest parts and drives that are moved, then the layout that is there, then
 * as any build.
 */
export function compareChanges(ownLayout: string): (one: FoundBuild, other: FoundBuild) => number {
  const moved = ({ refs, pool }: FoundBuild) => refs.length + pool.choice.count
  const relaid = ({ pool }: FoundBuild) => Number(pool.choice.layout !== ownLayout)
  return (one, other) =>
    moved(one) - moved(other) || relaid(one) - relaid(other) || compareFound(one, other)
}
