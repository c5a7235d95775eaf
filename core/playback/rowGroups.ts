import type { TitleTraits } from './titleTraits'

/** Titles that are alike in all but their bitrate: one line of the picture. */
export interface RowGroup extends Pick<TitleTraits, 'smallCopies' | 'notOfferedTo'> {
  readonly key: string
  readonly label: string
  /** places of its rows in the matrix, the lowest bitrate first */
  readonly rows: readonly number[]
  readonly holdings: readonly number[]
  /** of its largest row, Mb/s */
  readonly highestMbps: number
}

/** The rows of a matrix, those together that differ in their bitrate only. */
export function rowGroups(rows: readonly TitleTraits[]): RowGroup[] {
  const groups = new Map<string, RowGroup>()
  rows.forEach((row, at) => {
    const known = groups.get(row.group)
    groups.set(row.group, {
      key: row.group,
      label: row.groupLabel,
      smallCopies: row.smallCopies,
      notOfferedTo: row.notOfferedTo,
      rows: [...(known?.rows ?? []), at],
      holdings: [...new Set([...(known?.holdings ?? []), ...row.holdings])],
      highestMbps: Math.max(known?.highestMbps ?? 0, row.bitrateMbps),
    })
  })
  return [...groups.values()]
}
