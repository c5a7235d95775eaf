import { type Qualities, holdingSizes, isIrreplaceable } from '../../library/holdingSizes'
import type { Drives } from '../../plan/drives'
import type { Plan } from '../../plan/planSchema'
import { daysPerMonth, daysPerYear } from '../../units/time'

/** One holding, as a copy sees it. */
export interface BackupHolding {
  /** index among the plan's holdings; null for whatever else is kept */
  readonly index: number | null
  readonly name: string
  readonly sizeTB: number
  /** comes, goes or is changed */
  readonly changedTBPerDay: number
  readonly irreplaceable: boolean
  readonly copies: 'asSet' | 'everywhere' | 'nowhere'
}

/** GB that people away who edit write on an average day: every copy has to take them along. */
export function editedGBPerDay({ arrivals }: Pick<Drives, 'arrivals'>): number {
  return arrivals.reduce(
    (sum, { source, gbPerDay, daysPerWeek }) =>
      source === 'edits' ? sum + (gbPerDay * daysPerWeek) / 7 : sum,
    0,
  )
}

/**
 * Sizes and changes of a plan's holdings as their copies see them; second copies of titles go with
 * their holding.
 */
export function backupHoldings(
  { library, drives }: Pick<Plan, 'library' | 'drives'>,
  qualities: Qualities,
): BackupHolding[] {
  const sizes = holdingSizes(library, qualities)
  const own = library.holdings.map((holding, index): BackupHolding => {
    const parts = sizes.filter(size => size.index === index)
    const sizeTB = parts.reduce((sum, { amount, todayTB }) => sum + amount.likely * todayTB, 0)
    const perMonth = parts.reduce(
      (sum, { amount, addedTB, removedTB }) => sum + amount.likely * (addedTB + removedTB),
      0,
    )
    const grown = (Math.abs(holding.growthPerYear) * sizeTB) / daysPerYear
    return {
      index,
      name: parts[0]!.name,
      sizeTB,
      changedTBPerDay: perMonth / daysPerMonth + grown,
      irreplaceable: isIrreplaceable(holding),
      copies: holding.mayBeLost ? 'nowhere' : holding.copies,
    }
  })
  const rest: BackupHolding[] =
    library.otherTB > 0
      ? [
          {
            index: null,
            name: 'Anything else',
            sizeTB: library.otherTB,
            changedTBPerDay: library.otherGrowthGBPerMonth / 1000 / daysPerMonth,
            irreplaceable: false,
            copies: 'asSet',
          },
        ]
      : []
  const holdings = [...own, ...rest]
  const total = holdings.reduce((sum, { sizeTB }) => sum + sizeTB, 0)
  // What is overwritten in a month is not known by holding: it is shared out by size.
  const overwritten = drives.changedGBPerMonth / 1000 / daysPerMonth + editedGBPerDay(drives) / 1000
  return holdings.map(holding => ({
    ...holding,
    changedTBPerDay:
      holding.changedTBPerDay + (total > 0 ? (overwritten * holding.sizeTB) / total : 0),
  }))
}

/** Whether a copy that is set to hold so much holds a holding. */
export function isCopied(
  { irreplaceable, copies }: Pick<BackupHolding, 'irreplaceable' | 'copies'>,
  held: Drives['secondBox'],
): boolean {
  if (held === 'nothing' || copies === 'nowhere') return false
  return copies === 'everywhere' || held === 'everything' || irreplaceable
}
