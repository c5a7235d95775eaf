import { ownEntry } from '../../plan/constants'
import { costEpsilon } from './branchAndBound'
import type { FoundBuild } from './buildQuestion'

/** Every part by its id, drives too, as often as it is there; sorted. */
function partsOf({ frame, refs, pool: { drives } }: FoundBuild): string[] {
  const lots = drives.lots.flatMap(({ count, sizeTB, model }) =>
    Array.from({ length: count }, () => (model === ownEntry ? `${sizeTB} TB` : model)),
  )
  return [frame, ...refs, ...lots].sort()
}

/** Lists by their first entries that differ; of lists that begin alike the shorter goes first. */
function compareLists(one: readonly string[], other: readonly string[]): number {
  for (let at = 0; at < Math.min(one.length, other.length); at++)
    if (one[at] !== other[at]) return one[at]! < other[at]! ? -1 : 1
  return one.length - other.length
}

/**
 * Ties: idle watts at the wall, then the parts by id repeated by count, layout, spares, and the
 * kind of system. Ids may hold anything, so they are never joined. Handbook 09.
 */
export function compareFound(one: FoundBuild, other: FoundBuild): number {
  const watts = one.evaluation.idleW - other.evaluation.idleW
  if (Math.abs(watts) > costEpsilon) return watts
  const rest = ({ pool, plan }: FoundBuild) => [
    pool.choice.layout,
    String(pool.drives.hotSpares),
    plan.system.kind,
    pool.choice.fileSystem,
  ]
  return compareLists(partsOf(one), partsOf(other)) || compareLists(rest(one), rest(other))
}

/**
 * Ties of a change: the fewest parts and drives that are moved, those taken out with them, then
 * the layout that is there, then as any build.
 */
export function compareChanges(ownLayout: string): (one: FoundBuild, other: FoundBuild) => number {
  const moved = ({ refs, pool: { choice } }: FoundBuild) =>
    refs.length + choice.count + (choice.takesOut ?? []).reduce((sum, count) => sum + count, 0)
  const relaid = ({ pool }: FoundBuild) => Number(pool.choice.layout !== ownLayout)
  return (one, other) =>
    moved(one) - moved(other) || relaid(one) - relaid(other) || compareFound(one, other)
}
