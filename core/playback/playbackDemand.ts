import type { WatchingWeek } from '../household/watchingWeek'
import type { Demand, MixPart, SessionLoad } from '../streams/demand'
import { hourShares, type PlayabilityMatrix } from './matrix'

/** Id of the figure of one kind of conversion. */
export function workFigureId(conversionKey: string): string {
  return `playback.work.${conversionKey}`
}

/** What the matrix and the week together ask of the machine. */
export function playbackDemand(matrix: PlayabilityMatrix, week: WatchingWeek): Demand {
  const hours = new Map<string, { hours: number, part: Omit<MixPart, 'share'> }>()
  const loads = matrix.sessions.map((sessions, at) => {
    const { watcher, habit } = week.habits[at]!
    const hoursPerWeek = habit.onBusyDays ? 0 : week.habits[at]!.hoursPerWeek
    const lowest = week.watchers[watcher]!.lowestRungMbps
    const merged = new Map<string, SessionLoad>()
    for (const { play, chance } of sessions) {
      if (play.outcome === 'picture' && play.conversion) {
        const { key, label, work, task } = play.conversion
        const known = hours.get(key) ?? { hours: 0, part: { key, label, work, task, figure: workFigureId(key) } }
        known.hours += chance * hoursPerWeek
        hours.set(key, known)
      }
      if (play.outcome === 'cannot' || play.work === 0) continue
      // A small picture that goes out as well as it can be is not too low, however low the rung.
      const tooLow = play.output !== null && play.output.mbps < Math.min(lowest, play.output.unlimitedMbps) - 1e-9
      const id = `${play.outcome === 'picture' ? play.conversion?.key : ''} ${play.work} ${tooLow}`
      const before = merged.get(id)
      merged.set(id, { work: play.work, task: play.outcome === 'picture' ? play.conversion?.task ?? null : null, tooLow, chance: (before?.chance ?? 0) + chance })
    }
    return [...merged.values()]
  })
  const total = [...hours.values()].reduce((sum, entry) => sum + entry.hours, 0)
  return {
    week,
    loads,
    convertingShares: matrix.sessions.map(sessions => sessions.reduce((sum, { play, chance }) => play.outcome === 'picture' ? sum + chance : sum, 0)),
    mix: total > 0 ? [...hours.values()].map(({ hours: share, part }) => ({ ...part, share: share / total })).sort((a, b) => b.share - a.share) : [],
    cannotShare: hourShares(matrix, week)?.cannot ?? 0,
  }
}
