import { drives as drivesDomain } from '../drives/drives'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { HouseholdFacts } from '../household/householdFacts'
import type { Catalogue } from '../catalogue/catalogue'
import type { Plan } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { stateOfBuild, type VerdictState } from '../verdict'

/**
 * The verdicts on space and survival of a plan, from its facts. @param catalogue with the plan's
 * own entries
 */
export function driveStates(
  plan: Plan,
  facts: { readonly household: HouseholdFacts; readonly drives: DrivesFacts },
  catalogue: Catalogue,
): Readonly<Record<'space' | 'survival', VerdictState>> {
  const { verdicts } = drivesDomain.tell(
    facts.drives as never,
    drivesDomain.read(plan, catalogue, facts as never) as never,
    plainFormat,
  )
  const stateOf = (id: string) => stateOfBuild(verdicts.find(verdict => verdict.id === id)!)
  return { space: stateOf('space'), survival: stateOf('survival') }
}
