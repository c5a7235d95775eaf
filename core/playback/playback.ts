import { defineDomain } from '../domain'
import type { HouseholdFacts } from '../household/householdFacts'
import type { MachineFacts } from '../machine/machineFacts'
import { playbackFacts } from './playbackFacts'
import type { ProspectsFacts } from './prospects'
import type { ScreensFacts } from './screens'
import { tellPlayback } from './tellPlayback'
import type { TitlesFacts } from './titles'

interface Needed {
  readonly household: HouseholdFacts
  readonly machine: MachineFacts
  readonly titles: TitlesFacts
  readonly screens: ScreensFacts
  readonly prospects: ProspectsFacts
}

/** What plays as it is, and what must be converted. */
export const playback = defineDomain({
  id: 'playback',
  needs: ['household', 'machine', 'titles', 'screens', 'prospects'],
  read: ({ household, choices }, { deviceClasses, workTable }, needed: Needed) => {
    const { pointsPerStream, systemReserveShare, hardwareConversion, fallbackShare, toneMapping } =
      choices
    return {
      household,
      deviceClasses,
      workTable,
      pointsPerStream,
      systemReserveShare,
      hardwareConversion,
      fallbackShare,
      toneMapping,
      week: needed.household.week,
      hardware: needed.machine.hardware,
      rows: needed.titles.rows,
      keepsMusic: needed.titles.keepsMusic,
      columns: needed.screens.columns,
      prospects: needed.prospects.cells,
    }
  },
  facts: playbackFacts,
  tell: tellPlayback,
})
