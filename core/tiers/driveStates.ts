import { drives as drivesDomain } from '../drives/drives'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { HouseholdFacts } from '../household/householdFacts'
import type { Catalogue } from '../catalogue/catalogue'
import type { LibraryFacts } from '../library/libraryFacts'
import type { HangingFacts } from '../machine/hanging'
import type { Plan } from '../plan/planSchema'
import { roomFacts } from '../room/roomFacts'
import { spaceState } from '../room/spaceState'
import { plainFormat } from '../units/format'
import { stateOfBuild, type VerdictState } from '../verdict'

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
 * that are planned. @param catalogue with the plan's own entries
 */
export function driveStates(
  plan: Plan,
  facts: {
    readonly household: HouseholdFacts
    readonly library: LibraryFacts
    readonly hanging: HangingFacts
    readonly drives: DrivesFacts
  },
  catalogue: Catalogue,
): Readonly<Record<'space' | 'survival', VerdictState>> {
  const { verdicts } = drivesDomain.tell(
    facts.drives as never,
    drivesDomain.read(plan, catalogue, facts as never) as never,
    plainFormat,
  )
  return {
    space: spaceOfDrives(plan, facts),
    survival: stateOfBuild(verdicts.find(({ id }) => id === 'survival')!),
  }
}
