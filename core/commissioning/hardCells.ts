import type { PlaybackFacts } from '../playback/playbackFacts'

/** Cells of the matrix, device by row, whose picture is converted and that are watched at all. */
export function hardCells({ matrix }: Pick<PlaybackFacts, 'matrix'>): number {
  const hard = new Set<string>()
  matrix.sessions.forEach((kinds, habit) => {
    const column = matrix.columns.findIndex(({ habits }) => habits.includes(habit))
    for (const { row, play, chance } of kinds)
      if (chance > 0 && play.outcome === 'picture') hard.add(`${row} ${column}`)
  })
  return hard.size
}
