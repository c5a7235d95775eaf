import { assess, type Assessment } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { WayOfBuilding } from '../catalogue/waysOfBuilding'
import type { Plan } from '../plan/planSchema'
import { meetsNeed, type Verdict } from '../verdict'
import { adoptWay } from './adoptWay'

/** One way of building, put through the very same assessment as the plan itself. */
export interface WayComparison {
  readonly way: WayOfBuilding
  readonly plan: Plan
  /** without the series behind pictures: comparisons are handed from a worker to the page */
  readonly assessment: Omit<Assessment, 'series'>
  /** what one dead drive costs, in a sentence */
  readonly deadDrive: string
  /** whether its price stays within the tier's cap */
  readonly withinCap: boolean
  readonly meets: boolean
  /** the headrooms that fail, or are unknown; empty when it meets the need */
  readonly failing: readonly Verdict[]
}

/**
 * Every way of the catalogue for this plan's need.
 * A way meets the need when no headroom is short, impossible or unknown; money counts only when the plan has a budget.
 */
export function compareWays(plan: Plan, catalogue: Catalogue): WayComparison[] {
  return catalogue.waysOfBuilding.map((way) => {
    const adopted = adoptWay(plan, way)
    const { series: { deadDrive }, ...assessment } = assess(adopted, catalogue)
    const failing = assessment.verdicts.filter(verdict =>
      !meetsNeed(verdict.state) && !(verdict.id === 'money' && verdict.state === 'unknown'))
    const price = assessment.figures['ownership.purchase']?.value ?? 0
    return { way, plan: adopted, assessment, deadDrive, withinCap: price <= way.capPrice, meets: failing.length === 0, failing }
  })
}

/** Whether the plan's machine and drives are those of this way, untouched. */
export function isAdopted(plan: Plan, way: WayOfBuilding): boolean {
  const adopted = adoptWay(plan, way)
  return JSON.stringify([adopted.machine, adopted.drives.lots, adopted.drives.layout, adopted.drives.fileSystem])
    === JSON.stringify([plan.machine, plan.drives.lots, plan.drives.layout, plan.drives.fileSystem])
}
