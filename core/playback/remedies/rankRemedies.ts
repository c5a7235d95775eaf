import type { Catalogue } from '../../catalogue/catalogue'
import { watchingWeek } from '../../household/watchingWeek'
import { holdingSizes } from '../../library/holdingSizes'
import type { Plan } from '../../plan/planSchema'
import { matrixOf } from '../assessPlayback'
import type { AtOnce } from '../columns'
import { hourShares } from '../matrix'
import { keepSmallCopies } from './keepSmallCopies'
import { keepTextSubtitles } from './keepTextSubtitles'
import { layCable } from './layCable'
import { raiseRemoteCap } from './raiseRemoteCap'
import { replaceDevice } from './replaceDevice'
import type { Remedy, RemedyKind } from './remedy'

/** Every kind of remedy; another is a file and a line here. */
export const remedyKinds: readonly RemedyKind[] = [replaceDevice, keepTextSubtitles, raiseRemoteCap, keepSmallCopies, layCable]

export interface RankedRemedy extends Remedy {
  /** the plan with the remedy taken */
  readonly plan: Plan
  /** share of the conversions (and of what cannot be played) that it removes, 0..1 */
  readonly removedShare: number
  /** hours of an ordinary week that are converted or cannot be played, after it */
  readonly hoursAfter: number
  /** what it adds to the library today, TB */
  readonly extraTB: number
}

function troubleShare(plan: Plan, catalogue: Catalogue, atOnce: AtOnce): number {
  const week = watchingWeek(plan.household)
  const shares = hourShares(matrixOf(plan, catalogue, week, atOnce).matrix, week)
  return shares ? shares.picture + shares.cannot : 0
}

function contentTB({ library }: Plan, catalogue: Catalogue): number {
  return holdingSizes(library, catalogue.qualities).reduce((sum, size) => sum + size.amount.likely * size.todayTB, 0)
}

/**
 * What can be done, ranked by how much of the conversions it removes; of alternatives the best, and of equals the cheapest.
 * Each is put through the same matrix as the plan itself. What removes less than half a per cent is left out.
 */
export function rankRemedies(plan: Plan, catalogue: Catalogue, atOnce: AtOnce): RankedRemedy[] {
  const week = watchingWeek(plan.household)
  const { matrix } = matrixOf(plan, catalogue, week, atOnce)
  const shares = hourShares(matrix, week)
  if (!shares || shares.picture + shares.cannot < 1e-9) return []
  const before = shares.picture + shares.cannot
  const hours = week.habits.reduce((sum, { habit, hoursPerWeek }) => habit.onBusyDays ? sum : sum + hoursPerWeek, 0)
  const tbBefore = contentTB(plan, catalogue)
  const ranked = remedyKinds.flatMap(kind => kind(plan, matrix, week)).map((remedy): RankedRemedy => {
    const changed = remedy.change(plan)
    const after = troubleShare(changed, catalogue, atOnce)
    return { ...remedy, plan: changed, removedShare: 1 - after / before, hoursAfter: after * hours, extraTB: contentTB(changed, catalogue) - tbBefore }
  }).filter(remedy => remedy.removedShare > 0.005)
  const best = new Map<string, RankedRemedy>()
  for (const remedy of ranked) {
    const known = best.get(remedy.group)
    if (!known || isBetter(remedy, known)) best.set(remedy.group, remedy)
  }
  return [...best.values()].sort((a, b) => b.removedShare - a.removedShare)
}

/** Removes clearly more; or as much for less money or less space. */
function isBetter(one: RankedRemedy, other: RankedRemedy): boolean {
  if (Math.abs(one.removedShare - other.removedShare) > 0.01) return one.removedShare > other.removedShare
  return (one.price ?? 0) - (other.price ?? 0) + 20 * (one.extraTB - other.extraTB) < 0
}
