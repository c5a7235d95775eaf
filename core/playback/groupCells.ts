import type { MatrixCell, PlayabilityMatrix } from './matrix'
import { outcomes, type Playability } from './playability'
import type { RowGroup } from './rowGroups'
import type { MatrixSummaries } from './summaries'

/** One line of titles on one device: what comes of its titles by their bitrate. */
export interface GroupCell {
  /** place in the matrix of the row that fares worst */
  readonly row: number
  readonly cell: MatrixCell
  /** of each row, without and with subtitles, the share of the cell; they add up to 1 */
  readonly parts: readonly { readonly play: Playability; readonly share: number }[]
  /** share of its titles that fares as the worst do */
  readonly worstShare: number
  readonly hoursPerWeek: number
}

const rankOf = ({ plain }: MatrixCell) => outcomes.indexOf(plain.outcome)

/**
 * What comes of a line of titles on a device: by the hours that each bitrate is watched there, or
 * by titles where it is not watched.
 */
export function groupCell(
  matrix: PlayabilityMatrix,
  { cellHours }: Pick<MatrixSummaries, 'cellHours'>,
  { rows, column }: Pick<RowGroup, 'rows'> & { readonly column: number },
): GroupCell {
  const hours = rows.map(row => cellHours[row]![column]!)
  const titles = rows.map(row =>
    Object.values(matrix.rows[row]!.titles).reduce((sum, count) => sum + count, 0),
  )
  const hoursPerWeek = hours.reduce((sum, own) => sum + own, 0)
  const weights = hoursPerWeek > 0 ? hours : titles
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const cells = rows.map((row, at) => ({
    row,
    cell: matrix.cells[row]![column]!,
    share: total > 0 ? weights[at]! / total : 1 / rows.length,
  }))
  const worst = cells.reduce((one, other) => (rankOf(other.cell) > rankOf(one.cell) ? other : one))
  return {
    row: worst.row,
    cell: worst.cell,
    hoursPerWeek,
    worstShare: cells
      .filter(({ cell }) => rankOf(cell) === rankOf(worst.cell))
      .reduce((sum, { share }) => sum + share, 0),
    parts: cells.flatMap(({ cell, share }) =>
      cell.subtitled && matrix.subtitledShare > 0
        ? [
            { play: cell.plain, share: share * (1 - matrix.subtitledShare) },
            { play: cell.subtitled, share: share * matrix.subtitledShare },
          ]
        : [{ play: cell.plain, share }],
    ),
  }
}
