import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import type { DayFacts } from '../day/dayFacts'
import { nightFacts } from './nightFacts'
import { tellNight } from './tellNight'

/** Whether the hours in which the machine is off cut what the house does. */
export const night = defineDomain({
  id: 'night',
  needs: ['household', 'day'],
  read: (
    { choices, drives: { arrivals } },
    _,
    { household, day }: { readonly household: HouseholdFacts; readonly day: DayFacts },
  ) => ({
    hours: day.hours,
    offFrom: choices.offFrom,
    arrivals,
    expected: household.counts.expected,
  }),
  facts: nightFacts,
  tell: tellNight,
})
