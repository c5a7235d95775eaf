import type { WatchedKindId } from '../catalogue/holdingKinds'
import type { WatchingWeek, WeekHabit } from '../household/weekHabits'
import type { MatrixColumn } from './columns'
import { playability, type Outcome, type Playability, type ServerAbility } from './playability'
import type { CellProspect } from './prospects'
import type { TitleTraits } from './titleTraits'

/** One kind of title on one device: without subtitles, and with them where that differs. */
export interface MatrixCell {
  /** false where these titles are kept away from the device */
  readonly offered: boolean
  readonly plain: Playability
  readonly subtitled: Playability | null
}

export type OutcomeShares = Readonly<Record<Outcome, number>>

/** What one session of a habit may come to. */
export interface SessionKind {
  readonly row: number
  readonly play: Playability
  /**
   * chance, given that the habit goes on; all of a habit's add up to 1 with its sound alone, or to
   * nothing where its device is offered nothing
   */
  readonly chance: number
}

export interface PlayabilityMatrix {
  readonly rows: readonly TitleTraits[]
  readonly columns: readonly MatrixColumn[]
  /** by row, then by column */
  readonly cells: readonly (readonly MatrixCell[])[]
  /** by habit of the week */
  readonly sessions: readonly (readonly SessionKind[])[]
  /** by habit of the week, the share of sound alone */
  readonly soundAlone: readonly number[]
  /** share of sessions with subtitles shown, 0..1 */
  readonly subtitledShare: number
}

/**
 * Whether titles are offered to a device; one that stands in for a device is offered everything.
 */
export function isOffered(
  { notOfferedTo }: Pick<TitleTraits, 'notOfferedTo'>,
  deviceId: string | null,
): boolean {
  return deviceId === null || !notOfferedTo.includes(deviceId)
}

/**
 * Share of a habit's sessions that go to each row: by the kinds it watches, and within a kind by
 * titles.
 * What is not kept, and what its device is not offered, is left out, so that those hours go to what
 * else the habit watches. When it watches only
 * what the library does not hold, every title that is offered is as likely.
 * @returns by row, and of sound alone, which plays as it is; nothing where nothing is offered
 */
export function rowShares(
  { habit }: Pick<WeekHabit, 'habit'>,
  { rows: all, keepsMusic }: Pick<MatrixQuestion, 'rows' | 'keepsMusic'>,
): { readonly rows: readonly number[]; readonly soundAlone: number } {
  const totals: Partial<Record<WatchedKindId, number>> = {}
  const rows = all.map(row => (isOffered(row, habit.device) ? row.titles : nothing))
  for (const titles of rows)
    for (const kind in titles)
      totals[kind as WatchedKindId] =
        (totals[kind as WatchedKindId] ?? 0) + titles[kind as WatchedKindId]!
  const kinds: { kind: WatchedKindId; part: number }[] = []
  let parts = 0
  for (const kind in habit.watches) {
    const part = habit.watches[kind as WatchedKindId]!
    const isKept = kind === 'music' ? keepsMusic : Boolean(totals[kind as WatchedKindId])
    if (part <= 0 || !isKept) continue
    kinds.push({ kind: kind as WatchedKindId, part })
    parts += part
  }
  if (parts === 0) {
    const titles = Object.values(totals).reduce((sum, count) => sum + count, 0)
    return {
      rows: rows.map(row =>
        titles > 0 ? Object.values(row).reduce((sum, count) => sum + count, 0) / titles : 0,
      ),
      soundAlone: 0,
    }
  }
  return {
    rows: rows.map(row => {
      let sum = 0
      for (const { kind, part } of kinds)
        if (kind !== 'music') sum += ((part / parts) * (row[kind] ?? 0)) / totals[kind]!
      return sum
    }),
    soundAlone: (kinds.find(({ kind }) => kind === 'music')?.part ?? 0) / parts,
  }
}

const nothing: TitleTraits['titles'] = {}

export interface MatrixQuestion {
  readonly rows: readonly TitleTraits[]
  /** the library holds music */
  readonly keepsMusic: boolean
  readonly columns: readonly MatrixColumn[]
  /** by row, then by column */
  readonly prospects: readonly (readonly CellProspect[])[]
  readonly week: WatchingWeek
  readonly subtitledShare: number
}

/** The whole matrix, and what each habit's sessions come to. */
export function playabilityMatrix(
  { rows, keepsMusic, columns, prospects, week, subtitledShare }: MatrixQuestion,
  server: ServerAbility,
): PlayabilityMatrix {
  const cells = rows.map((row, rowAt) =>
    columns.map(({ deviceId }, columnAt): MatrixCell => {
      const { plain, subtitled } = prospects[rowAt]![columnAt]!
      return {
        offered: isOffered(row, deviceId),
        plain: playability(plain, server),
        subtitled: subtitled && playability(subtitled, server),
      }
    }),
  )
  const shares = week.habits.map(habit => rowShares(habit, { rows, keepsMusic }))
  const sessions = shares.map((own, at): SessionKind[] => {
    const column = columns.findIndex(candidate => candidate.habits.includes(at))
    return own.rows.flatMap((share, row): SessionKind[] => {
      const cell = cells[row]![column]
      if (share === 0 || !cell) return []
      if (!cell.subtitled || subtitledShare === 0) return [{ row, play: cell.plain, chance: share }]
      return [
        { row, play: cell.plain, chance: share * (1 - subtitledShare) },
        { row, play: cell.subtitled, chance: share * subtitledShare },
      ].filter(kind => kind.chance > 0)
    })
  })
  return {
    rows,
    columns,
    cells,
    sessions,
    soundAlone: shares.map(({ soundAlone }) => soundAlone),
    subtitledShare,
  }
}

/** Hours of an ordinary week that something is watched in, and their shares by outcome. */
export interface HourShares {
  readonly hours: number
  readonly shares: OutcomeShares
}

/**
 * Shares of an ordinary week's watching hours by outcome; a habit whose device is offered nothing
 * is not watched. Null when nothing is, or the library holds nothing to watch.
 */
export function hourShares(matrix: PlayabilityMatrix, week: WatchingWeek): HourShares | null {
  const sums = { playAsIs: 0, repack: 0, sound: 0, picture: 0, cannot: 0 }
  week.habits.forEach(({ habit, hoursPerWeek }, at) => {
    if (habit.onBusyDays) return
    sums.playAsIs += matrix.soundAlone[at]! * hoursPerWeek
    for (const { play, chance } of matrix.sessions[at]!) sums[play.outcome] += chance * hoursPerWeek
  })
  const hours = Object.values(sums).reduce((sum, own) => sum + own, 0)
  if (hours === 0 || matrix.rows.length === 0) return null
  const shareOf = (outcome: Outcome) => sums[outcome] / hours
  return {
    hours,
    shares: {
      playAsIs: shareOf('playAsIs'),
      repack: shareOf('repack'),
      sound: shareOf('sound'),
      picture: shareOf('picture'),
      cannot: shareOf('cannot'),
    },
  }
}
