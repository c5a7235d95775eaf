import { defineDomain } from '../domain'
import { hasHabits, type HouseholdFacts } from '../household/householdFacts'
import { hoursAnybody } from '../household/watchedHours'
import { weekCounts } from '../household/weekCounts'
import type { Demand } from '../streams/demand'
import type { StreamsFacts } from '../streams/streamsFacts'
import { dayFacts } from './dayFacts'
import { tellDay } from './tellDay'

interface Needed {
  readonly household: HouseholdFacts
  readonly playback: { readonly demand: Demand }
  readonly streams: Pick<StreamsFacts, 'needed'>
}

/** How many hours of a day the machine converts, is watched, rests and is off. */
export const day = defineDomain({
  id: 'day',
  needs: ['household', 'playback', 'streams'],
  read: (
    {
      household: { converted },
      choices: { convertingHoursPerDay, offHoursPerDay, asleepHoursPerDay, wakesOnCall },
    },
    _,
    { household: { week, watched }, playback: { demand }, streams: { needed } }: Needed,
  ) => ({
    convertingHoursPerDay,
    offHoursPerDay,
    asleepHoursPerDay,
    wakesOnCall,
    watchedHours: watched.perDay,
    // Conversions over the week are known already where the plan follows the habits.
    convertingByHabits:
      convertingHoursPerDay !== null || !hasHabits(week)
        ? null
        : hoursAnybody(
            needed.fromHabits?.counts ?? weekCounts(week, week.ordinary, demand.convertingShares),
          ),
    anyConverted: converted > 0,
  }),
  facts: dayFacts,
  tell: tellDay,
})
