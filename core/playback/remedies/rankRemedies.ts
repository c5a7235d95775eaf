import type { Catalogue } from '../../catalogue/catalogue'
import { assessHousehold } from '../../household/assessHousehold'
import { watchingWeek } from '../../household/watchingWeek'
import { holdingSizes } from '../../library/holdingSizes'
import type { Plan } from '../../plan/planSchema'
import { catalogueOf } from '../../streams/catalogueOf'
import { matrixOf } from '../assessPlayback'
import type { AtOnce } from '../columns'
import { hourShares, type MatrixCell, type PlayabilityMatrix } from '../matrix'
import { keepSmallCopies } from './keepSmallCopies'
import { keepTextSubtitles } from './keepTextSubtitles'
import { layCable } from './layCable'
import { raiseRemoteCap } from './raiseRemoteCap'
import { replaceDevice } from './replaceDevice'
import type { Remedy, RemedyKind } from './remedy'

/** Every kind of remedy; another is a file and a line here. */
export const remedyKinds: readonly RemedyKind[] = [replaceDevice, keepTextSubtitles, raiseRemoteCap, keepSmallCopies, layCable]

export interface RankedRemedy extends Omit<Remedy, 'change'> {
  /** the plan with the remedy taken */
  readonly plan: Plan
  /** share of the conversions (and of what cannot be played) that it removes, 0..1 */
  readonly removedShare: number
  /** hours of an ordinary week that are converted or cannot be played, after it */
  readonly hoursAfter: number
  /** what it adds to the library today, TB */
  readonly extraTB: number
}

export interface Remedies {
  /** most removed first; of alternatives the best; what removes less than half a per cent is left out */
  readonly ranked: readonly RankedRemedy[]
  /** by cell of the matrix: the cheapest that leaves no picture to convert there */
  readonly cells: ReadonlyMap<string, RankedRemedy>
}

/** Key of a cell: its row and its column in the plan's own matrix. */
export function cellKey(row: number, column: number): string {
  return `${row} ${column}`
}

/** Planning values by which unlike costs are compared: a terabyte of drives, and a job whose price is not known. */
const moneyPerTB = 20
const unknownPrice = 30

function costOf({ price, extraTB }: Pick<RankedRemedy, 'price' | 'extraTB'>): number {
  return (price ?? (extraTB > 0 ? 0 : unknownPrice)) + moneyPerTB * extraTB
}

function contentTB({ library }: Plan, catalogue: Catalogue): number {
  return holdingSizes(library, catalogue.qualities).reduce((sum, size) => sum + size.amount.likely * size.todayTB, 0)
}

function isTrouble({ plain, subtitled }: MatrixCell, subtitledShare: number): boolean {
  return [plain, ...(subtitled && subtitledShare > 0 ? [subtitled] : [])].some(play => play.outcome === 'picture' || play.outcome === 'cannot')
}

/** The cells in trouble that a changed plan frees of it; rows are found again by their holdings, columns by their key. */
function freedCells(before: PlayabilityMatrix, after: PlayabilityMatrix): string[] {
  return before.rows.flatMap((row, rowAt) => {
    const newRow = after.rows.findIndex(candidate => candidate.holdings.includes(row.holdings[0]!))
    return before.columns.flatMap((column, columnAt) => {
      const newColumn = after.columns.findIndex(candidate => candidate.key === column.key)
      const [was, is] = [before.cells[rowAt]![columnAt]!, after.cells[newRow]?.[newColumn]]
      return is && isTrouble(was, before.subtitledShare) && !isTrouble(is, after.subtitledShare) ? [cellKey(rowAt, columnAt)] : []
    })
  })
}

/**
 * What can be done so that less has to be converted. Each remedy is put through the same matrix as the plan itself.
 * Takes its time (dozens of matrices): meant to run off the page.
 */
export function remediesOf(plan: Plan, shipped: Catalogue): Remedies {
  const catalogue = catalogueOf(plan, shipped)
  const week = watchingWeek(plan.household)
  const { atOnce } = assessHousehold(plan.household, plan.choices, week)
  const { matrix } = matrixOf(plan, catalogue, week, atOnce)
  const hours = week.habits.reduce((sum, { habit, hoursPerWeek }) => habit.onBusyDays ? sum : sum + hoursPerWeek, 0)
  const before = troubleShare(matrix, week)
  const tbBefore = contentTB(plan, catalogue)
  const cells = new Map<string, RankedRemedy>()
  const best = new Map<string, RankedRemedy>()
  for (const { change, ...remedy } of remedyKinds.flatMap(kind => kind(plan, matrix, week))) {
    const changed = change(plan)
    const after = matrixAfter(changed, catalogue, atOnce)
    const ranked: RankedRemedy = {
      ...remedy, plan: changed, removedShare: before > 1e-9 ? 1 - after.trouble / before : 0, hoursAfter: after.trouble * hours, extraTB: contentTB(changed, catalogue) - tbBefore,
    }
    for (const key of freedCells(matrix, after.matrix)) {
      const known = cells.get(key)
      if (!known || costOf(ranked) < costOf(known)) cells.set(key, ranked)
    }
    const known = best.get(ranked.group)
    if (ranked.removedShare > 0.005 && (!known || isBetter(ranked, known))) best.set(ranked.group, ranked)
  }
  return { cells, ranked: [...best.values()].sort((a, b) => b.removedShare - a.removedShare) }
}

function troubleShare(matrix: PlayabilityMatrix, week: ReturnType<typeof watchingWeek>): number {
  const shares = hourShares(matrix, week)
  return shares ? shares.picture + shares.cannot : 0
}

function matrixAfter(plan: Plan, catalogue: Catalogue, atOnce: AtOnce): { matrix: PlayabilityMatrix, trouble: number } {
  const week = watchingWeek(plan.household)
  const { matrix } = matrixOf(plan, catalogue, week, atOnce)
  return { matrix, trouble: troubleShare(matrix, week) }
}

/** Removes clearly more; or as much at less cost. */
function isBetter(one: RankedRemedy, other: RankedRemedy): boolean {
  return Math.abs(one.removedShare - other.removedShare) > 0.01 ? one.removedShare > other.removedShare : costOf(one) < costOf(other)
}
