import type { Choices } from '../plan/choices'
import { levelByMinutes, type WeekCounts } from './weekCounts'

/** A number to plan for by the school: of counts over the week, and of heads. */
export function bySchool(
  counts: WeekCounts,
  heads: number,
  { school, minutesShortTarget }: Pick<Choices, 'school' | 'minutesShortTarget'>,
): number {
  if (school === 'headCount') return heads
  if (school === 'level99') return counts.level99
  return school === 'minutesShort' ? levelByMinutes(counts, minutesShortTarget) : counts.level95
}
