import type { Qualities } from '../../library/holdingSizes'
import type { DriveModel } from '../../catalogue/driveModels'
import { isIrreplaceable } from '../../library/holdingSizes'
import type { Plan } from '../../plan/planSchema'
import { wholeCents } from '../../units/wholeCents'
import { oldestCopyDays } from '../copies'
import { backupPlan, mediumFill } from './backupPlan'

/** The cheapest copy away of what cannot be replaced: drives in cases of their own, carried. */
export interface MissingCopy {
  readonly model: DriveModel
  readonly count: number
  readonly price: number
  /** what it has to hold, older versions with it */
  readonly copyTB: number
  /** the plan with it */
  readonly plan: Plan
}

/** As few terabytes are not told as a copy of nothing. */
const leastTB = 0.001

/**
 * What it takes to carry a copy of all that is irreplaceable away: the cheapest portable or desk
 * drives that hold it. Null where the catalogue sells none.
 */
export function missingCopy(
  plan: Plan,
  catalogue: Qualities & { readonly driveModels: readonly DriveModel[] },
): MissingCopy | null {
  const { drives, library, costs } = plan
  const copied: Plan = {
    ...plan,
    library: {
      ...library,
      // A holding that is kept out of every copy would be lost with the machine.
      holdings: library.holdings.map(holding =>
        holding.copies === 'nowhere' && isIrreplaceable(holding)
          ? { ...holding, copies: 'asSet' as const }
          : holding,
      ),
    },
    drives: {
      ...drives,
      awayCopy: drives.awayCopy === 'everything' ? 'everything' : 'irreplaceable',
      awayBy: 'carried',
      awayEveryDays: Math.min(oldestCopyDays, drives.awayEveryDays),
      awaySets: 1,
      copiesWithVersions: true,
      awayKept: Math.max(1, drives.awayKept),
    },
  }
  const { places } = backupPlan({ plan: copied, qualities: catalogue, linkMBps: 1 })
  const copyTB = Math.max(leastTB, places.find(({ id }) => id === 'awayCopy')!.copyTB)
  const offers = catalogue.driveModels
    .filter(({ link }) => link === 'usb')
    .map(model => {
      const count = Math.ceil(copyTB / (model.sizeTB * mediumFill) - 1e-9)
      return { model, count, price: wholeCents(count * model.price) }
    })
    .sort((a, b) => a.price - b.price || a.count - b.count || b.model.sizeTB - a.model.sizeTB)
  const cheapest = offers[0]
  return cheapest
    ? {
        ...cheapest,
        copyTB,
        plan: {
          ...copied,
          drives: { ...copied.drives, awayMediumTB: cheapest.model.sizeTB, awayMediaThere: true },
          costs: { ...costs, extras: wholeCents(costs.extras + cheapest.price) },
        },
      }
    : null
}
