import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import { dayHours } from '../machine/power/dayHours'
import { nightFacts } from './nightFacts'
import { tellNight } from './tellNight'

/** Whether the hours in which the machine is off cut what the house does. */
export const night = defineDomain({
  id: 'night',
  needs: ['household'],
  read: (
    { choices, drives: { arrivals } },
    _,
    { household }: { readonly household: HouseholdFacts },
  ) => ({
    hours: dayHours(choices),
    offFrom: choices.offFrom,
    arrivals,
    expected: household.counts.expected,
  }),
  facts: nightFacts,
  tell: tellNight,
})
