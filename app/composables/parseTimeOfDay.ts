/**
 * A time of day as people type it: 19:30, 19.30, 1930, 7:30 pm, 19.
 * @returns minutes after midnight, or undefined for what is no time of day
 */
export function parseTimeOfDay(text: string): number | undefined {
  const [, hour, minute = '0', half] =
    /^\s*(\d{1,2})[:.h]?(\d{2})?\s*([ap]m?)?\s*$/i.exec(text) ?? []
  if (hour === undefined) return undefined
  const isAfternoon = half?.toLowerCase().startsWith('p') ?? false
  const hours = half === undefined ? Number(hour) : (Number(hour) % 12) + (isAfternoon ? 12 : 0)
  return hours > 23 || Number(minute) > 59 ? undefined : hours * 60 + Number(minute)
}
