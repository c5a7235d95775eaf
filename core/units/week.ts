/**
 * The week is looked at in slots of five minutes, from Monday 00:00; a slot stands for its first
 * moment.
 */
export const slotMinutes = 5
export const minutesPerDay = 1440
export const minutesPerWeek = 7 * minutesPerDay
export const slotsPerWeek = minutesPerWeek / slotMinutes
/** Weeks in a mean month. */
export const weeksPerMonth = 4.348

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** '19:05' from minutes after midnight. */
export function clockText(minuteOfDay: number): string {
  const minute = ((Math.round(minuteOfDay) % minutesPerDay) + minutesPerDay) % minutesPerDay
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
}

/** 'Sat 20:15' from minutes after Monday 00:00; wraps at the end of the week. */
export function weekTimeText(minuteOfWeek: number): string {
  const minute = ((Math.round(minuteOfWeek) % minutesPerWeek) + minutesPerWeek) % minutesPerWeek
  return `${dayNames[Math.floor(minute / minutesPerDay)]} ${clockText(minute % minutesPerDay)}`
}
