import { automaticLayout, ownEntry } from '../plan/constants'
import type { Drives } from '../plan/drives'
import type { Plan } from '../plan/planSchema'
import { newDrives } from './newDrives'

/** Drives of one model under a layout, with the owned ones of the plan or without them. */
export interface PoolChoice {
  /** of the new drives; where owned drives stay, the plan's kind stands for all of them */
  readonly driveClass: string
  /** a model of the catalogue; without one, new drives are of the class by its usual figures */
  readonly model?: string
  readonly sizeTB: number
  /** new drives; 0 only beside owned ones */
  readonly count: number
  readonly keepsOwned?: boolean
  /** drives that are taken out, by lot of the plan */
  readonly takesOut?: readonly number[]
  readonly layout: string
  readonly fileSystem: Drives['fileSystem']
}

/** The drives of a plan that are owned already. */
export function ownedLots({ drives: { lots } }: Plan): Drives['lots'] {
  return lots.filter(lot => lot.condition === 'owned')
}

/** The plan with other drives; its machine stays. */
export function adoptPool(
  plan: Plan,
  {
    driveClass,
    model = ownEntry,
    sizeTB,
    count,
    layout,
    fileSystem,
    keepsOwned = false,
  }: PoolChoice,
): Plan {
  const kept = keepsOwned ? ownedLots(plan) : []
  return {
    ...plan,
    drives: {
      ...plan.drives,
      ...(kept.length
        ? { hotSpares: 0, purchases: [] }
        : { ...newDrives(plan.drives), driveClass }),
      fileSystem,
      layout: layout || automaticLayout,
      lots: [
        ...kept,
        ...(count > 0
          ? [
              {
                count,
                sizeTB,
                model,
                group: 1,
                condition: 'new' as const,
                priceEach: null,
                warrantyMonths: null,
                goesInLast: false,
                role: 'any' as const,
              },
            ]
          : []),
      ],
    },
  }
}
