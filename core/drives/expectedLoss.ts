import { poolLossChance, type LossQuestion, type PoolGroup } from './layoutRisk'
import type { Layout } from './layouts/layout'
import type { PoolArrangement } from './poolOf'
import { shareAtLoss } from './shareAtLoss'

/** A drive of a group as if it were alone. */
function alone(group: PoolGroup, at: number): PoolGroup {
  return {
    ...group,
    members: [group.members[at]!],
    sizesTB: [group.sizesTB[at]!],
    survives: 0,
    readsTB: [],
  }
}

/**
 * Of what is kept, the share that is expected to be lost to failing drives: on disks of their own
 * the mean over what lies on each of the chance that it fails; else the chance that anything is
 * lost times the share that goes then. Handbook 05.
 * @example 20 separate disks, 1.5 % a year, 5 years: 78 % to lose something, 7.3 % expected
 */
export function expectedLostShare(
  { arrangement, layout }: { readonly arrangement: PoolArrangement; readonly layout: Layout },
  question: LossQuestion,
): number {
  const { groups, parts } = arrangement
  if (layout.loss !== 'failedDrivesOnly' || groups.some(({ survives }) => survives > 0))
    return poolLossChance(groups, question) * shareAtLoss(arrangement, layout.loss)
  const total = parts.reduce((sum, { dataTB }) => sum + dataTB, 0)
  if (total === 0) return 0
  return groups
    .flatMap(group =>
      group.members.map(
        (member, at) =>
          (parts[member]!.dataTB / total) * poolLossChance([alone(group, at)], question),
      ),
    )
    .reduce((sum, share) => sum + share, 0)
}
