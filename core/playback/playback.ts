import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import type { MachineFacts } from '../machine/machineFacts'
import type { NetworkFacts } from '../network/networkFacts'
import { playbackFacts } from './playbackFacts'
import { tellPlayback } from './tellPlayback'

interface Needed { readonly household: HouseholdFacts, readonly network: NetworkFacts, readonly machine: MachineFacts }

/** What plays as it is, and what must be converted. */
export const playback = defineDomain({
  id: 'playback',
  needs: ['household', 'network', 'machine'],
  read: ({ household, library, choices }, { qualities, deviceClasses, workTable }, needed: Needed) => {
    const { pointsPerStream, systemReserveShare, hardwareConversion, fallbackShare, toneMapping } = choices
    return {
      household, library, qualities, deviceClasses, workTable, pointsPerStream, systemReserveShare, hardwareConversion, fallbackShare, toneMapping,
      week: needed.household.week, links: needed.network.links, hardware: needed.machine.hardware,
    }
  },
  facts: playbackFacts,
  tell: tellPlayback,
})
