import { latestAfter } from '~~/core/household/weekHabits'
import type { Habit } from '~~/core/plan/household'
import { minutesPerDay } from '~~/core/units/week'
import { dayOrder } from '~/components/household/weekLayout'
import { useHousehold } from './useHousehold'

/** Habits begin and last in whole steps of so many minutes. */
const snap = 5
/** Minutes, and chance, that one press of a key changes. */
const keyMinutes = 15
const keyChance = 0.05

const snapped = (minutes: number) => Math.round(minutes / snap) * snap
/** A minute of the day, in whole steps. */
export const minuteOfDay = (minute: number) =>
  ((snapped(minute) % minutesPerDay) + minutesPerDay) % minutesPerDay
/** Minutes within which a habit begins. */
export const windowOf = ({ earliest, latest }: Habit) => latestAfter(earliest, latest) - earliest

/** What can be done to a habit of the week, with the mouse and with the keys. */
export function useHabitEdits() {
  const { habits, changeHabit } = useHousehold()

  function begin(index: number, earliest: number, days?: Habit['days']): void {
    const from = minuteOfDay(earliest)
    const latest = (from + windowOf(habits.value[index]!)) % minutesPerDay
    changeHabit(index, { earliest: from, latest, ...(days ? { days } : {}) })
  }
  function stretch(index: number, minutes: number): void {
    changeHabit(index, { minutes: Math.max(snap, Math.min(minutesPerDay, snapped(minutes))) })
  }
  function widen(index: number, window: number): void {
    const most = minutesPerDay - snap
    const latest = habits.value[index]!.earliest + Math.max(0, Math.min(most, snapped(window)))
    changeHabit(index, { latest: latest % minutesPerDay })
  }
  function toggleDay(index: number, day: number): void {
    const { days } = habits.value[index]!
    const name = dayOrder[day]!
    changeHabit(index, {
      days: days.includes(name)
        ? days.filter(other => other !== name)
        : dayOrder.filter(other => other === name || days.includes(other)),
    })
  }
  function changeChance(index: number, by: number): void {
    const chance = Math.round((habits.value[index]!.chance + by) * 100) / 100
    changeHabit(index, { chance: Math.max(0, Math.min(1, chance)) })
  }
  /** Whether a key changes a habit; then it is done. */
  function onKey({ key, shiftKey }: KeyboardEvent, index: number): boolean {
    const habit = habits.value[index]!
    const along = { ArrowRight: keyMinutes, ArrowLeft: -keyMinutes }[key]
    const up = { ArrowUp: keyChance, ArrowDown: -keyChance }[key]
    const wider = { '+': keyMinutes, '-': -keyMinutes }[key]
    const digit = Number(key)
    if (along && shiftKey) stretch(index, habit.minutes + along)
    else if (along) begin(index, habit.earliest + along)
    else if (up) changeChance(index, up)
    else if (wider) widen(index, windowOf(habit) + wider)
    else if (digit >= 1 && digit <= 7) toggleDay(index, digit - 1)
    else return false
    return true
  }
  return { begin, stretch, widen, onKey }
}
