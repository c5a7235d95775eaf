import type { DrivesFacts } from '../drives/drivesFacts'
import { survivalOfDrives } from '../drives/survival'
import type { LibraryFacts } from '../library/libraryFacts'
import type { Plan } from '../plan/planSchema'
import { roomFacts } from '../room/roomFacts'
import { spaceState } from '../room/spaceState'
import type { VerdictState } from '../verdict'

/** The state of space of a plan's drives alone: without purchases that are planned. */
export function spaceOfDrives(
  { choices: { horizonYears } }: Pick<Plan, 'choices'>,
  { library, drives }: { readonly library: LibraryFacts; readonly drives: DrivesFacts },
): VerdictState {
  const slice = {
    layoutId: drives.layoutId,
    isAutomatic: drives.isAutomatic,
    roomTB: drives.pool?.roomTB ?? null,
    refusal: drives.refusal,
    forecast: library.forecast,
    contentTB: library.contentTB,
    contentAtHorizonTB: library.contentAtHorizonTB,
    nothingKept: library.empty,
    horizonYears,
    planned: null,
  }
  const { room } = roomFacts(slice)
  return room ? spaceState(room, slice) : drives.refusal ? 'impossible' : 'unknown'
}

/**
 * The states of space and survival of a plan's drives alone, from their facts: without purchases
 * that are planned.
 */
export function driveStates(
  plan: Plan,
  facts: { readonly library: LibraryFacts; readonly drives: DrivesFacts },
): Readonly<Record<'space' | 'survival', VerdictState>> {
  return { space: spaceOfDrives(plan, facts), survival: survivalOfDrives(facts.drives) }
}
