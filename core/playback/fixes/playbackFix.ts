import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import type { PlayabilityMatrix } from '../matrix'

/** Something that can be done so that fewer pictures have to be converted. */
export interface PlaybackFix {
  readonly id: string
  /** what is done, as an order: 'Replace …' */
  readonly label: string
  /** fixes of one group are alternatives; only the best of them is shown */
  readonly group: string
  /** price in the plan's currency; null where it is not known */
  readonly price: number | null
  /**
   * the titles are not played any better, they are left out: the last thing to propose for one pair
   */
  readonly leavesOut?: boolean
  readonly change: (plan: Plan) => Plan
}

/** One kind of fix: looks at a plan and its matrix, and proposes. */
export type FixKind = (
  plan: Plan,
  matrix: PlayabilityMatrix,
  catalogue: Catalogue,
) => readonly PlaybackFix[]
