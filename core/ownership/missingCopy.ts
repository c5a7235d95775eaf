import type { DriveModel } from '../catalogue/driveModels'
import { backupPlan, lineKeepsUp, mediumFill } from '../drives/backup/backupPlan'
import { oldestCopyDays } from '../drives/copies'
import { isIrreplaceable, type Qualities } from '../library/holdingSizes'
import type { Plan } from '../plan/planSchema'
import { monthsPerYear } from '../units/time'
import { wholeCents } from '../units/wholeCents'
import { copiesOverYears } from './copiesOverYears'

/** A copy away of what cannot be replaced, which a plan lacks. */
export interface MissingCopy {
  /** drives in cases of their own that are carried there; null where a store keeps it */
  readonly media: { readonly model: DriveModel; readonly count: number } | null
  /** paid now */
  readonly price: number
  /** what a store charges a month; 0 for drives */
  readonly perMonth: number
  /** paid to the horizon, drives that are used up bought again */
  readonly overYears: number
  /** what it has to hold, older versions with it */
  readonly copyTB: number
  /** the plan with it */
  readonly plan: Plan
}
type Sold = Qualities & { readonly driveModels: readonly DriveModel[] }

/** As few terabytes are not told as a copy of nothing. */
const leastTB = 0.001

/** The plan with a copy away of all that is irreplaceable, often enough and with versions. */
function copiedAway(plan: Plan, drives: Pick<Plan['drives'], 'awayBy' | 'awaySets'>): Plan {
  return {
    ...plan,
    library: {
      ...plan.library,
      // A holding that is kept out of every copy would be lost with the machine.
      holdings: plan.library.holdings.map(holding =>
        holding.copies === 'nowhere' && isIrreplaceable(holding)
          ? { ...holding, copies: 'asSet' as const }
          : holding,
      ),
    },
    drives: {
      ...plan.drives,
      ...drives,
      awayCopy: plan.drives.awayCopy === 'everything' ? 'everything' : 'irreplaceable',
      awayEveryDays: Math.min(oldestCopyDays, plan.drives.awayEveryDays),
      copiesWithVersions: true,
      awayKept: Math.max(1, plan.drives.awayKept),
    },
  }
}

/** What it takes, TB and money a month, once it is kept. */
function asKept(plan: Plan, qualities: Qualities) {
  const { places } = backupPlan({ plan, qualities, linkMBps: 1 })
  const { copyTB, pricePerYear } = places.find(({ id }) => id === 'awayCopy')!
  return { copyTB: Math.max(leastTB, copyTB), perMonth: pricePerYear.store / monthsPerYear }
}

/** On the cheapest drives in cases of their own that hold it; null where none are sold. */
function carried(plan: Plan, sold: Sold): Omit<MissingCopy, 'overYears'> | null {
  // Two sets in rotation cost twice as much and lower no chance further: one is the cheaper.
  const copied = copiedAway(plan, { awayBy: 'carried', awaySets: 1 })
  const { copyTB } = asKept(copied, sold)
  const cheapest = sold.driveModels
    .filter(({ link }) => link === 'usb')
    .map(model => {
      const count = Math.ceil(copyTB / (model.sizeTB * mediumFill) - 1e-9)
      return { model, count, price: wholeCents(count * model.price) }
    })
    .sort((a, b) => a.price - b.price || a.count - b.count || b.model.sizeTB - a.model.sizeTB)[0]
  if (!cheapest) return null
  const { model, count, price } = cheapest
  return {
    media: { model, count },
    price,
    perMonth: 0,
    copyTB,
    plan: {
      ...copied,
      drives: { ...copied.drives, awayMediumTB: model.sizeTB, awayMediaThere: true },
      costs: { ...plan.costs, extras: wholeCents(plan.costs.extras + price) },
    },
  }
}

/** In a store by the month; null where the line never gets it there. */
function stored(plan: Plan, sold: Sold): Omit<MissingCopy, 'overYears'> | null {
  const copied = copiedAway(plan, { awayBy: 'store', awaySets: plan.drives.awaySets })
  if (!lineKeepsUp(copied, sold)) return null
  return { media: null, price: 0, ...asKept(copied, sold), plan: copied }
}

/**
 * The copy away of all that is irreplaceable that costs least to the horizon: carried on drives in
 * cases of their own, or kept by a store. Of equal ones the drives, which need no line. Null where
 * the catalogue sells no such drives and the line is too slow for a store.
 */
export function missingCopy(plan: Plan, sold: Sold): MissingCopy | null {
  const before = copiesOverYears(plan, sold)
  return (
    [carried(plan, sold), stored(plan, sold)]
      .flatMap(copy =>
        copy
          ? [{ ...copy, overYears: copy.price + copiesOverYears(copy.plan, sold) - before }]
          : [],
      )
      .sort((a, b) => a.overYears - b.overYears)[0] ?? null
  )
}
