import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { HouseholdFacts } from '../household/householdFacts'
import type { LibraryFacts } from '../library/libraryFacts'
import type { Plan } from '../plan/planSchema'
import type { MatrixCell, PlayabilityMatrix } from '../playback/matrix'
import type { PlaybackFacts } from '../playback/playbackFacts'
import { fixKinds } from '../playback/fixes/fixKinds'
import type { PlaybackFix } from '../playback/fixes/playbackFix'
import type { VerdictState } from '../verdict'
import { planningPrices } from './planningPrices'

export interface RankedFix extends Omit<PlaybackFix, 'change'> {
  /** the plan with the fix taken */
  readonly plan: Plan
  /** share of the conversions (and of what cannot be played) that it removes, 0..1 */
  readonly removedShare: number
  /** hours of an ordinary week that are converted or cannot be played, after it */
  readonly hoursAfter: number
  /** what it adds to the library today, TB */
  readonly extraTB: number
}

/** One that is shown, with the state of the conversions that it leads to. */
export interface ShownFix extends RankedFix {
  readonly state: VerdictState
}

export interface Fixes {
  /**
   * most removed first; of alternatives the best; what removes less than half a per cent is left
   * out
   */
  readonly ranked: readonly ShownFix[]
  /** by cell of the matrix: the cheapest that leaves no picture to convert there */
  readonly cells: ReadonlyMap<string, ShownFix>
}

/** Key of a cell: its row and its column in the plan's own matrix. */
export function cellKey(row: number, column: number): string {
  return `${row} ${column}`
}

/** What removes less than this share of the trouble is left out. */
export const minRemoved = 0.005
/** Fixes that differ by less than this share of the trouble remove as much. */
export const asMuch = 0.01

function isTrouble({ offered, plain, subtitled }: MatrixCell, subtitledShare: number): boolean {
  return (
    offered &&
    [plain, ...(subtitled && subtitledShare > 0 ? [subtitled] : [])].some(
      play => play.outcome === 'picture' || play.outcome === 'cannot',
    )
  )
}

/**
 * The cells in trouble that a changed plan frees of it; rows are found again by their holdings,
 * columns by their key.
 */
function freedCells(before: PlayabilityMatrix, after: PlayabilityMatrix): string[] {
  return before.rows.flatMap((row, rowAt) => {
    const same = after.rows.flatMap((candidate, at) =>
      candidate.holdings.includes(row.holdings[0]!) ? [{ at, ...candidate }] : [],
    )
    // The quarters of a scanned holding are found again by their bitrate, unless that is changed.
    const newRow =
      (same.find(({ bitrateMbps }) => bitrateMbps === row.bitrateMbps) ?? same.at(-1))?.at ?? -1
    return before.columns.flatMap((column, columnAt) => {
      const newColumn = after.columns.findIndex(candidate => candidate.key === column.key)
      const [was, is] = [before.cells[rowAt]![columnAt]!, after.cells[newRow]?.[newColumn]]
      return is && isTrouble(was, before.subtitledShare) && !isTrouble(is, after.subtitledShare)
        ? [cellKey(rowAt, columnAt)]
        : []
    })
  })
}

const troubleShare = ({ shares }: PlaybackFacts) => (shares ? shares.picture + shares.cannot : 0)
const contentTB = ({ sizes }: LibraryFacts) =>
  sizes.reduce((sum, size) => sum + size.amount.likely * size.todayTB, 0)
const hoursOf = ({ week }: HouseholdFacts) =>
  week.habits.reduce(
    (sum, { habit, hoursPerWeek }) => (habit.onBusyDays ? sum : sum + hoursPerWeek),
    0,
  )

/**
 * What can be done so that less has to be converted. Each fix is put through the same matrix as
 * the plan itself.
 * Takes its time (dozens of matrices): meant to run off the page.
 */
export function fixesOf(plan: Plan, catalogue: Catalogue): Fixes {
  const assessor = planAssessor()
  const factsOf = (of: Plan) => assessor.facts(of, catalogue, ['household', 'library', 'playback'])
  const own = factsOf(plan)
  const { matrix } = own.playback
  const before = troubleShare(own.playback)
  const hours = hoursOf(own.household)
  const { costOf } = planningPrices(plan, catalogue)
  const cells = new Map<string, RankedFix>()
  const best = new Map<string, RankedFix>()
  for (const { change, ...fix } of fixKinds.flatMap(kind => kind(plan, matrix, catalogue))) {
    const changed = change(plan)
    const after = factsOf(changed)
    const trouble = troubleShare(after.playback)
    const ranked: RankedFix = {
      ...fix,
      plan: changed,
      removedShare: before > 1e-9 ? 1 - trouble / before : 0,
      hoursAfter: trouble * hours,
      extraTB: contentTB(after.library) - contentTB(own.library),
    }
    for (const key of freedCells(matrix, after.playback.matrix)) {
      const known = cells.get(key)
      if (
        !known ||
        Number(ranked.leavesOut ?? false) - Number(known.leavesOut ?? false) < 0 ||
        (ranked.leavesOut === known.leavesOut && costOf(ranked) < costOf(known))
      )
        cells.set(key, ranked)
    }
    const known = best.get(ranked.group)
    if (isWorthShowing(ranked) && (!known || isBetter(ranked, known, costOf)))
      best.set(ranked.group, ranked)
  }
  const shown = new Map<RankedFix, ShownFix>()
  const withState = (fix: RankedFix): ShownFix => {
    const known = shown.get(fix) ?? {
      ...fix,
      state: assessor.facts(fix.plan, catalogue, ['streams']).streams.state,
    }
    shown.set(fix, known)
    return known
  }
  return {
    cells: new Map([...cells].map(([key, fix]) => [key, withState(fix)])),
    ranked: [...best.values()].sort((a, b) => b.removedShare - a.removedShare).map(withState),
  }
}

/** Whether a fix removes enough of the trouble to be shown. */
export function isWorthShowing({ removedShare }: Pick<RankedFix, 'removedShare'>): boolean {
  return removedShare > minRemoved
}

/** Removes clearly more; or as much at less cost. */
export function isBetter<Removing extends Pick<RankedFix, 'removedShare' | 'price' | 'extraTB'>>(
  one: Removing,
  other: Removing,
  costOf: (fix: Removing) => number,
): boolean {
  return Math.abs(one.removedShare - other.removedShare) > asMuch
    ? one.removedShare > other.removedShare
    : costOf(one) < costOf(other)
}
