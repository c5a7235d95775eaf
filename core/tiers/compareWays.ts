import { planAssessor } from '../assess'
import type { AssessmentOf } from '../assessor'
import type { Catalogue } from '../catalogue/catalogue'
import type { WayOfBuilding } from '../catalogue/waysOfBuilding'
import type { Plan } from '../plan/planSchema'
import { sameValue } from '../sameValue'
import { failedDriveSentence } from '../drives/tellDrives'
import type { Format } from '../units/format'
import { meetsNeed, stateOfBuild, type Verdict } from '../verdict'
import { adoptWay } from './adoptWay'

/** One build, put through the very same assessment as the plan itself. */
export interface WayComparison {
  readonly way: WayOfBuilding
  readonly plan: Plan
  /** without the facts: comparisons are handed from a worker to the page */
  readonly assessment: Omit<AssessmentOf<readonly []>, 'domains'>
  /** what one failed drive costs, in a sentence */
  readonly failedDrive: string
  /** whether its price stays within the tier's cap */
  readonly withinCap: boolean
  readonly meets: boolean
  /** the headrooms that fail, or are unknown; empty when it meets the need */
  readonly failing: readonly Verdict[]
}

/**
 * Every build of the catalogue for this plan's need.
 * A build meets the need when no headroom is short, impossible or unknown; money counts only when
 * the plan has a budget.
 */
export function compareWays(plan: Plan, catalogue: Catalogue, format: Format): WayComparison[] {
  const assessor = planAssessor()
  return catalogue.waysOfBuilding.map(way => {
    const adopted = adoptWay(plan, way, catalogue)
    const { domains, ...assessment } = assessor.assess(adopted, catalogue, format)
    const failing = assessment.verdicts.filter(
      verdict =>
        !meetsNeed(stateOfBuild(verdict)) &&
        !(verdict.id === 'money' && verdict.state === 'unknown'),
    )
    return {
      way,
      plan: adopted,
      assessment,
      failing,
      failedDrive: failedDriveSentence(domains.drives, format),
      withinCap: domains.ownership.toPay <= way.capPrice,
      meets: failing.length === 0,
    }
  })
}

/** Whether the plan's machine and drives are those of this build, unchanged. */
export function isAdopted(
  plan: Plan,
  way: WayOfBuilding,
  catalogue: Pick<Catalogue, 'machineBases' | 'hardware'>,
): boolean {
  const adopted = adoptWay(plan, way, catalogue)
  return (
    sameValue(adopted.machine, plan.machine) &&
    sameValue(
      [adopted.drives.lots, adopted.drives.layout, adopted.drives.fileSystem],
      [plan.drives.lots, plan.drives.layout, plan.drives.fileSystem],
    )
  )
}
