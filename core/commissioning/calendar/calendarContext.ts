import type { Setup } from '../setup'
import type { SetupSlice } from '../setupSlice'
import type { HouseholdFacts } from '../../household/householdFacts'
import type { CalendarContext } from './calendarRows'
import { quietestHours } from './quietHours'

/** What the calendar of a plan is made from, by the facts of its assessment. */
export function calendarContext(
  { plan, facts }: SetupSlice & { readonly facts: { readonly household: HouseholdFacts } },
  { is, counts }: Setup,
): CalendarContext {
  const { pool } = facts.drives
  return {
    plan,
    is,
    drives: counts.drives,
    testHours: counts.testMin / 60,
    scrubs: pool !== null && (pool.survives > 0 || plan.drives.fileSystem === 'copyOnWrite'),
    isNightly: pool !== null && pool.parity && !pool.writesParity,
    quiet: quietestHours(facts.household.counts.expected),
    paysYearly: (facts.machine.system?.licence.perYear ?? 0) > 0,
  }
}
