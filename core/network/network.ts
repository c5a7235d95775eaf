import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import { measuredNetwork } from './measuredNetwork'
import { networkFacts } from './networkFacts'
import { tellNetwork } from './tellNetwork'

/** The narrowest link: home network and internet line against who watches. */
export const network = defineDomain({
  id: 'network',
  needs: ['household'],
  read: (
    { network, household, library, drives: { arrivals }, calibration },
    { qualities },
    needed: { readonly household: HouseholdFacts },
  ) => ({
    network: measuredNetwork(network, calibration),
    household,
    library,
    qualities,
    week: needed.household.week,
    atOnce: needed.household.atOnce,
    arrivals,
    watchedHoursPerDay: needed.household.watched.perDay,
  }),
  facts: networkFacts,
  tell: tellNetwork,
})
