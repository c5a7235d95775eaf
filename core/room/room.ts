import { defineDomain } from '../domain'
import type { LibraryFacts } from '../library/libraryFacts'
import { fitSlice, type FitNeeds } from '../machine/fitting'
import { plannedDrives, roomFacts, type RoomSlice } from './roomFacts'
import { tellRoom } from './tellRoom'

/** How long the room lasts, with the drives that are planned. */
export const room = defineDomain({
  id: 'room',
  needs: ['library', 'drives', 'machine', 'day', 'streams'],
  read: (
    plan,
    { driveClasses, driveModels },
    needed: FitNeeds & { readonly library: LibraryFacts },
  ): RoomSlice => {
    const { library, drives } = needed
    return {
      layoutId: drives.layoutId,
      roomTB: drives.pool?.roomTB ?? null,
      isAutomatic: drives.isAutomatic,
      refusal: drives.refusal,
      forecast: library.forecast,
      contentTB: library.contentTB,
      contentAtHorizonTB: library.contentAtHorizonTB,
      nothingKept: library.empty,
      horizonYears: plan.choices.horizonYears,
      planned:
        plan.drives.purchases.length > 0
          ? {
              drives: plannedDrives(plan.drives),
              catalogue: { driveClasses, driveModels },
              fit: fitSlice(plan, needed),
            }
          : null,
    }
  },
  facts: roomFacts,
  tell: tellRoom,
})
