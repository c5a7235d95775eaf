import type { Catalogue } from '../../catalogue/catalogue'
import { entryOf } from '../../catalogue/catalogue'
import { costOverYears } from '../../ownership/cashFlow'
import { yearsQuestion } from '../../ownership/years/yearsQuestion'
import { hasUps, isUps } from '../../plan/hasUps'
import type { Plan } from '../../plan/planSchema'

type Hardware = Pick<Catalogue, 'hardware'>

/** What the plan pays for its UPS, which stays beside whatever is bought. */
export function upsPrice({ machine: { parts } }: Plan, { hardware }: Hardware): number {
  return parts.reduce(
    (sum, part) =>
      part.condition === 'owned' || !isUps(part, hardware)
        ? sum
        : sum + part.count * (part.price ?? entryOf(hardware, part.ref)!.price),
    0,
  )
}

/** What a household pays once, however many machines it has; money not rounded. */
export interface OfHousehold {
  /** now: extras, the copy away among them, and the UPS */
  readonly toPay: number
  /** over the years: with copies, subscriptions, licences of its own, and what it saves */
  readonly overYears: number
}

/** @param catalogue with the plan's own entries */
export function ofHousehold(plan: Plan, catalogue: Catalogue): OfHousehold {
  const ups = upsPrice(plan, catalogue)
  const question = yearsQuestion({
    plan: {
      ...plan,
      drives: { ...plan.drives, lots: [], purchases: [] },
      costs: { ...plan.costs, hourValue: 0 },
    },
    catalogue,
    hasUps: hasUps(plan, catalogue.hardware),
    horizonYears: plan.choices.horizonYears,
    system: null,
    hoursToBuild: 0,
    pluggedIn: 0,
    machineToPay: ups,
    drivesToPay: 0,
    averageW: 0,
  })
  return { toPay: plan.costs.extras + ups, overYears: costOverYears(question) }
}

/** A plan of a second machine: without what the household pays with the first. */
export function withoutHousehold(plan: Plan, { hardware }: Hardware): Plan {
  const { machine, drives, system, costs } = plan
  return {
    ...plan,
    machine: { ...machine, parts: machine.parts.filter(part => !isUps(part, hardware)) },
    drives: { ...drives, secondBox: 'nothing', offlineCopy: 'nothing', awayCopy: 'nothing' },
    system: {
      ...system,
      services: system.services.map(service => ({ ...service, pricePerYear: 0 })),
    },
    costs: { ...costs, extras: 0, licenceOnce: 0, licencePerYear: 0, savedPerMonth: 0 },
  }
}
