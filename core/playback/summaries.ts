import type { WatchingWeek } from '../household/weekHabits'
import type { OutcomeShares, PlayabilityMatrix } from './matrix'
import type { Outcome } from './playability'
import { rowGroups } from './rowGroups'

/**
 * How much of an ordinary week goes to a row, a column or a cell of the matrix, and what comes of
 * it.
 */
export interface HoursSummary {
  readonly hoursPerWeek: number
  /** shares of these hours by outcome; null when there are none */
  readonly shares: OutcomeShares | null
}

export interface MatrixSummaries {
  /** by row, and by line of the picture: rows that differ in their bitrate only */
  readonly rows: readonly HoursSummary[]
  readonly groups: readonly HoursSummary[]
  /** sound alone, which has no row, counts as played as it is */
  readonly columns: readonly HoursSummary[]
  /** hours of an ordinary week, by row, then by column */
  readonly cellHours: readonly (readonly number[])[]
}

class Tally {
  private readonly sums: Record<Outcome, number> = {
    playAsIs: 0,
    repack: 0,
    sound: 0,
    picture: 0,
    cannot: 0,
  }
  private hours = 0

  add(outcome: Outcome, hours: number): void {
    this.sums[outcome] += hours
    this.hours += hours
  }

  summary(): HoursSummary {
    const { hours } = this
    return {
      hoursPerWeek: hours,
      shares:
        hours > 0
          ? (Object.fromEntries(
              Object.entries(this.sums).map(([outcome, sum]) => [outcome, sum / hours]),
            ) as unknown as OutcomeShares)
          : null,
    }
  }
}

/** Sums up the sessions of an ordinary week by row, by column and by cell. */
export function matrixSummaries(
  { rows, columns, sessions, soundAlone }: PlayabilityMatrix,
  week: WatchingWeek,
): MatrixSummaries {
  const groups = rowGroups(rows)
  const rowTallies = rows.map(() => new Tally())
  const groupTallies = groups.map(() => new Tally())
  const groupOf = rows.map((_, row) => groups.findIndex(own => own.rows.includes(row)))
  const columnTallies = columns.map(() => new Tally())
  const cellHours = rows.map(() => columns.map(() => 0))
  columns.forEach((column, columnAt) => {
    for (const at of column.habits) {
      const { habit, hoursPerWeek } = week.habits[at]!
      if (habit.onBusyDays) continue
      for (const { row, play, chance } of sessions[at]!) {
        rowTallies[row]!.add(play.outcome, chance * hoursPerWeek)
        groupTallies[groupOf[row]!]!.add(play.outcome, chance * hoursPerWeek)
        columnTallies[columnAt]!.add(play.outcome, chance * hoursPerWeek)
        cellHours[row]![columnAt]! += chance * hoursPerWeek
      }
      columnTallies[columnAt]!.add('playAsIs', soundAlone[at]! * hoursPerWeek)
    }
  })
  return {
    rows: rowTallies.map(tally => tally.summary()),
    groups: groupTallies.map(tally => tally.summary()),
    columns: columnTallies.map(tally => tally.summary()),
    cellHours,
  }
}
