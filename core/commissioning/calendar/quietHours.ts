import { minutesPerDay, slotMinutes, slotsPerWeek } from '../../units/week'

/** A moment of the week. */
export interface WeekMoment {
  /** 0 for Monday */
  readonly weekday: number
  /** minutes after midnight */
  readonly time: number
}

const windowHours = 4
/** Where nobody says when anybody watches. */
export const usualQuiet: WeekMoment = { weekday: 6, time: 120 }

/**
 * The beginning of the four hours of the week in which fewest are expected to watch, at a whole
 * hour; the first of equals, Monday first. Without a week: Sunday at two in the night.
 * @param expected how many watch, slot by slot
 */
export function quietestHours(expected: ArrayLike<number>): WeekMoment {
  const perHour = 60 / slotMinutes
  const slots = windowHours * perHour
  let best: { sum: number; slot: number } | null = null
  let all = 0
  for (let slot = 0; slot < slotsPerWeek; slot++) all += expected[slot] ?? 0
  if (all === 0) return usualQuiet
  for (let slot = 0; slot < slotsPerWeek; slot += perHour) {
    let sum = 0
    for (let at = 0; at < slots; at++) sum += expected[(slot + at) % slotsPerWeek] ?? 0
    if (!best || sum < best.sum - 1e-12) best = { sum, slot }
  }
  const minutes = best!.slot * slotMinutes
  return { weekday: Math.floor(minutes / minutesPerDay), time: minutes % minutesPerDay }
}
