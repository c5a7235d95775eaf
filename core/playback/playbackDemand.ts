import type { WatchingWeek } from '../household/weekHabits'
import type { Demand, MixPart, SessionLoad, WeighedTask } from '../streams/demand'
import { hourShares, type PlayabilityMatrix } from './matrix'
import { needsConversion, type Playability } from './playability'
import { conversionText, type ConversionClass } from './conversionBook'

/** Id of the figure of one kind of conversion. */
export function workFigureId(conversionKey: string): string {
  return `playback.work.${conversionKey}`
}

/** A habit whose streams line or cap keep below the lowest quality that its viewer accepts. */
export interface BelowAccepted {
  readonly habit: number
  readonly mbps: number
  readonly acceptedMbps: number
}

/** Rates are told apart down to this, Mb/s. */
const rateTolerance = 1e-9

/**
 * The rate below which a viewer's stream counts as too low: what they accept, but never more than
 * the picture has.
 */
function acceptedMbps({ unlimitedMbps }: Playability, lowestMbps: number): number {
  return Math.min(lowestMbps, unlimitedMbps)
}

/**
 * The conversions that a stream may be stepped down to while its viewer still accepts it. Where the
 * line carries nothing
 * that they accept, everything it carries: that is the line's fault, and no more can be asked of
 * the machine.
 */
function acceptable(play: Playability, lowestMbps: number): Playability['steps'] {
  const least = acceptedMbps(play, lowestMbps) - rateTolerance
  const accepted = play.steps.filter(step => step.mbps >= least)
  return accepted.length ? accepted : play.steps
}

/** Conversions by their weight, each kind once. */
class Weights {
  private readonly byKey = new Map<string, WeighedTask>()

  add({ key, task, work }: ConversionClass, share: number): void {
    if (share > 0)
      this.byKey.set(key, {
        task,
        work: work.likely,
        share: (this.byKey.get(key)?.share ?? 0) + share,
      })
  }

  list(): WeighedTask[] {
    return [...this.byKey.values()]
  }
}

/** What the matrix and the week together need of the machine. */
export function playbackDemand(matrix: PlayabilityMatrix, week: WatchingWeek): Demand {
  const hours = new Map<string, { hours: number; part: Omit<MixPart, 'share'> }>()
  const [largest, least] = [new Weights(), new Weights()]
  const loads = matrix.sessions.map((sessions, at) => {
    const { watcher, habit } = week.habits[at]!
    const hoursPerWeek = habit.onBusyDays ? 0 : week.habits[at]!.hoursPerWeek
    const lowest = week.watchers[watcher]!.lowestRungMbps
    const merged = new Map<string, SessionLoad>()
    for (const { play, chance } of sessions) {
      const converts = needsConversion(play)
      if (converts && play.conversion) {
        const { key, work, task } = play.conversion
        const known = hours.get(key) ?? {
          hours: 0,
          part: {
            key,
            label: conversionText(play.conversion),
            work,
            task,
            figure: workFigureId(key),
          },
        }
        known.hours += chance * hoursPerWeek
        hours.set(key, known)
        largest.add(play.steps[0]!.conversion, chance * hoursPerWeek)
        least.add(acceptable(play, lowest).at(-1)!.conversion, chance * hoursPerWeek)
      }
      // What line or device stop puts nothing on the machine, and is not its fault.
      if ((play.outcome === 'cannot' && !converts) || play.work === 0) continue
      const options = converts
        ? acceptable(play, lowest).map(({ conversion }) => ({
            key: conversion.key,
            task: conversion.task,
            work: conversion.work.likely,
          }))
        : []
      const id = converts ? options.map(option => option.key).join(' ') : `${play.work}`
      const before = merged.get(id)
      merged.set(id, {
        work: converts ? 0 : play.work,
        options,
        chance: (before?.chance ?? 0) + chance,
      })
    }
    return [...merged.values()]
  })
  const total = [...hours.values()].reduce((sum, entry) => sum + entry.hours, 0)
  return {
    week,
    loads,
    largest: largest.list(),
    least: least.list(),
    hoursPerWeek: hourShares(matrix, week)?.hours ?? 0,
    convertingHoursPerWeek: total,
    convertingShares: matrix.sessions.map(sessions =>
      sessions.reduce((sum, { play, chance }) => (needsConversion(play) ? sum + chance : sum), 0),
    ),
    mix:
      total > 0
        ? [...hours.values()]
            .map(({ hours: share, part }) => ({ ...part, share: share / total }))
            .sort((a, b) => b.share - a.share)
        : [],
  }
}

/**
 * Habits with streams that line or cap keep below what their viewer accepts; of each the lowest
 * rate.
 */
export function belowAccepted(matrix: PlayabilityMatrix, week: WatchingWeek): BelowAccepted[] {
  return matrix.sessions.flatMap((sessions, habit) => {
    const lowest = week.watchers[week.habits[habit]!.watcher]!.lowestRungMbps
    const low = sessions.flatMap(({ play }) => {
      const accepted = acceptedMbps(play, lowest)
      const best = play.steps[0]
      return best && best.mbps < accepted - rateTolerance
        ? [{ habit, mbps: best.mbps, acceptedMbps: accepted }]
        : []
    })
    return low.length
      ? [low.reduce((worst, entry) => (entry.mbps < worst.mbps ? entry : worst))]
      : []
  })
}
