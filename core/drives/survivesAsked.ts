import { wideGroupFrom } from '../plan/constants'
import { usualLayout } from './automaticLayout'
import { copiesOf, type CopyQuestion } from './copies'
import { layouts } from './layouts/layouts'
import { drivesOf, poolOf, type PoolQuestion } from './poolOf'
import { fileLossChance, wideFromChance } from './wideGroup'

/** A copy away that is made more seldom than this does not take the place of redundancy. */
export const replacingCopyDays = 7

export interface AskedQuestion
  extends Omit<PoolQuestion, 'layoutId'>, Omit<CopyQuestion, 'drives'> {
  /** null where it follows from the drives and the copies */
  readonly survivesAtLeast: number | null
  /** everything that is kept may be lost, so nothing has to survive */
  readonly allMayBeLost: boolean
  readonly horizonYears: number
}

/** Failed drives that must lose nothing. */
export interface SurvivesAsked {
  readonly count: number
  /** what an automatic layout is made for: at least one, unless somebody chose less */
  readonly layoutFor: number
  readonly because: 'chosen' | 'mayBeLost' | 'copyAway' | 'usual' | 'wideGroup' | 'fileLoss'
}

/**
 * How many failed drives must be survived: as chosen; else one, or two where a group has many
 * drives or a file is likely to be lost in a rebuild, judged on the same drives with single
 * redundancy, so that the answer does not swing; none where a recent copy away holds everything.
 * @param poolAt the drives under a layout, where somebody knows them already
 */
export function survivesAsked(
  question: AskedQuestion,
  poolAt = (layoutId: string) => poolOf({ ...question, layoutId }),
): SurvivesAsked {
  const { survivesAtLeast: chosen, allMayBeLost, drives } = question
  if (allMayBeLost) return { count: 0, layoutFor: chosen ?? 1, because: 'mayBeLost' }
  if (chosen !== null) return { count: chosen, layoutFor: chosen, because: 'chosen' }
  const { irreplaceable, replaceable } = copiesOf(question).awayCopy
  if (irreplaceable && replaceable && drives.awayEveryDays <= replacingCopyDays)
    return { count: 0, layoutFor: 1, because: 'copyAway' }
  const because = whyTwo(poolAt(singleLayout(question)), question.horizonYears)
  const count = because === null ? 1 : 2
  return { count, layoutFor: count, because: because ?? 'usual' }
}

/** Why two drives must be survived; null where one is enough. */
function whyTwo(
  pool: ReturnType<typeof poolOf>,
  horizonYears: number,
): 'wideGroup' | 'fileLoss' | null {
  if ('refused' in pool) return null
  if (pool.arrangement.groups.some(({ members }) => members.length >= wideGroupFrom))
    return 'wideGroup'
  return fileLossChance(pool, horizonYears) >= wideFromChance ? 'fileLoss' : null
}

/** The layout of the plan with single redundancy; that of one without any is the usual one. */
function singleLayout({ drives }: AskedQuestion): string {
  const each = drivesOf(drives)
  const layout = layouts.find(({ id }) => id === drives.layout)
  return layout && layout.survives(each.length) > 0
    ? (layout.single ?? layout.id)
    : usualLayout(drives, each, 1)
}
