import type { Catalogue } from '../../catalogue/catalogue'
import { driveTraits } from '../../drives/driveTraits'
import type { DrivesFacts } from '../../drives/drivesFacts'
import type { HouseholdFacts } from '../../household/householdFacts'
import type { NetworkFacts } from '../../network/networkFacts'
import type { PlaybackFacts } from '../../playback/playbackFacts'
import type { TitlesFacts } from '../../playback/titles'
import type { Plan } from '../../plan/planSchema'
import type { StreamsFacts } from '../../streams/streamsFacts'
import type { DriveQuestion } from './driveReads'

/** What evenings are rehearsed with: a plan's lists, and the facts of its assessment. */
export interface RehearsalSlice {
  readonly plan: Pick<Plan, 'household' | 'drives' | 'choices'>
  /** with the plan's own entries */
  readonly catalogue: Catalogue
  readonly facts: {
    readonly household: HouseholdFacts
    readonly titles: TitlesFacts
    readonly playback: PlaybackFacts
    readonly streams: StreamsFacts
    readonly network: NetworkFacts
    readonly drives: DrivesFacts
  }
}

/** What files are read from; null while there is no pool, and then no drive is a limit. */
export function driveQuestionOf({ plan, catalogue, facts }: RehearsalSlice): DriveQuestion | null {
  const { pool, layoutId } = facts.drives
  if (!pool) return null
  const traits = plan.drives.lots.map(lot => driveTraits(lot, plan.drives, catalogue))
  const { arrangement } = pool
  const groups = arrangement.groups.map(({ members, survives }) => ({
    members: members.length,
    survives,
    sizesTB: members.flatMap(member => {
      const { dataTB } = arrangement.parts[member]!
      return dataTB > 0 ? [dataTB] : []
    }),
  }))
  return {
    layoutId,
    groups: groups.filter(({ sizesTB }) => sizesTB.length > 0),
    outerMBps: Math.min(...traits.map(({ outerMBps }) => outerMBps)),
    spinning: traits.some(({ spinning }) => spinning),
  }
}
