import { defineDomain } from '../domain'
import { householdFacts } from './householdFacts'
import { tellHousehold } from './tellHousehold'

/** Who watches when, and how many at once. */
export const household = defineDomain({
  id: 'household',
  needs: [],
  read: ({ household, choices: { school, minutesShortTarget, watchingHoursPerDay } }) => ({
    household,
    school,
    minutesShortTarget,
    watchingHoursPerDay,
  }),
  facts: householdFacts,
  tell: tellHousehold,
})
