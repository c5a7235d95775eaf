import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import type { MachineFacts } from '../machine/machineFacts'
import type { Demand } from './demand'
import { streamsFacts } from './streamsFacts'
import { tellStreams } from './tellStreams'

interface Needed {
  readonly household: HouseholdFacts
  readonly playback: {
    readonly demand: Demand
    readonly stuck: readonly { readonly stoppedBy: string }[]
  }
  readonly machine: MachineFacts
}

/** What the machine converts at once, against what the household needs. */
export const streams = defineDomain({
  id: 'streams',
  needs: ['household', 'playback', 'machine'],
  read: ({ household, library, choices }, { qualities, workTable }, needed: Needed) => {
    const {
      pointsPerStream,
      systemReserveShare,
      hardwareConversion,
      fallbackShare,
      toneMapping,
      school,
      minutesShortTarget,
    } = choices
    return {
      household,
      library,
      qualities,
      workTable,
      pointsPerStream,
      systemReserveShare,
      hardwareConversion,
      fallbackShare,
      toneMapping,
      school,
      minutesShortTarget,
      hardware: needed.machine.hardware,
      demand: needed.household.fromHabits ? needed.playback.demand : null,
      stuckIsTold:
        needed.household.fromHabits &&
        needed.playback.stuck.some(({ stoppedBy }) => stoppedBy === 'machine'),
    }
  },
  facts: streamsFacts,
  tell: tellStreams,
})
