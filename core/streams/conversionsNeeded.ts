import { bySchool } from '../household/bySchool'
import { slotParts, type SlotPart } from '../household/peakFigures'
import { weekCounts, type WeekCounts } from '../household/weekCounts'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import type { Demand } from './demand'

/** Figure ids of a habit's share of conversions, made by the playability matrix. */
export function habitConvertingId(index: number): string {
  return `playback.converting.${index}`
}

type School = Pick<Choices, 'school' | 'minutesShortTarget'>

/** Conversions needed at once, and where the number comes from. */
export interface ConversionsNeeded {
  /** by the chosen school */
  readonly needed: number
  /** viewers with any conversion */
  readonly heads: number
  /** null where no habits are planned for */
  readonly fromHabits: {
    readonly counts: WeekCounts
    /**
     * the worst moment of the 95 % level, watcher by watcher: the chance to be converting, and the
     * habits behind it
     */
    readonly parts: readonly SlotPart[]
  } | null
}

/**
 * Conversions needed at once, from habits, devices and titles. What this machine can do has no part
 * in it.
 */
export function neededFromHabits(
  { week, convertingShares }: Demand,
  school: School,
): ConversionsNeeded {
  const counts = weekCounts(week, week.ordinary, convertingShares)
  const heads = new Set(
    week.habits
      .filter(({ watcher }, at) => week.watchers[watcher]!.listed && convertingShares[at]! > 1e-9)
      .map(({ watcher }) => watcher),
  ).size
  const parts = slotParts(week, week.ordinary, counts.slot95).flatMap(part => {
    const habits = part.habits.filter(({ at }) => convertingShares[at]! > 0)
    return habits.length
      ? [
          {
            ...part,
            habits,
            chance: Math.min(
              1,
              habits.reduce((sum, { at, chance }) => sum + chance * convertingShares[at]!, 0),
            ),
          },
        ]
      : []
  })
  return { needed: bySchool(counts, heads, school), heads, fromHabits: { counts, parts } }
}

/**
 * Conversions needed at once, from the three answers of the busy evening.
 * @param keepsVideo something is kept whose picture may need converting
 */
export function neededFromAnswers(
  { viewers, converted, watchingHome, watchingAway }: Household,
  { school }: Pick<Choices, 'school'>,
  keepsVideo: boolean,
): ConversionsNeeded {
  if (!keepsVideo) return { needed: 0, heads: 0, fromHabits: null }
  const answered = watchingHome + watchingAway
  const heads =
    answered > 0 && viewers.length > 0
      ? Math.min(viewers.length, Math.ceil((viewers.length * converted) / answered))
      : converted
  return {
    needed: school === 'headCount' && viewers.length > 0 ? heads : converted,
    heads,
    fromHabits: null,
  }
}
