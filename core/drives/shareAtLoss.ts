import type { Arrangement } from './arrangeDrives'
import type { LossKind } from './layouts/layout'

/**
 * The share of what is kept that goes when a layout loses data, on average over which drives fail
 * and in which group.
 * Everything; or what lies on one more drive than the group survives, (p + 1) ÷ n of it; or, of two
 * copies of every file,
 * what lay on just those two drives, 2 ÷ (n · (n − 1)).
 * @example shareAtLoss(dedicated parity over 4 drives, 'failedDrivesOnly') // 0.5
 */
export function shareAtLoss(
  { groups, parts }: Pick<Arrangement, 'groups' | 'parts'>,
  loss: LossKind,
): number {
  if (loss === 'everything') return 1
  const dataTB = (members: readonly number[]) =>
    members.reduce((sum, member) => sum + parts[member]!.dataTB, 0)
  const total = groups.reduce((sum, { members }) => sum + dataTB(members), 0)
  if (total === 0) return 0
  const shares = groups.map(({ members, survives }) => {
    const n = members.length
    const ofGroup =
      loss === 'shareOfFiles' ? (n > 1 ? 2 / (n * (n - 1)) : 1) : Math.min(1, (survives + 1) / n)
    return (ofGroup * dataTB(members)) / total
  })
  return shares.reduce((sum, share) => sum + share, 0) / groups.length
}
