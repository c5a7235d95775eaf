import type { Plan } from '../../plan/planSchema'
import { smallCopyRates } from '../../catalogue/sentQualities'
import { rowGroups } from '../rowGroups'
import type { FixKind } from './playbackFix'

/** A second, small copy beside each title of a row: space instead of work. */
export const keepSmallCopies: FixKind = (_, matrix) =>
  rowGroups(matrix.rows).flatMap(row => {
    const kinds = (Object.keys(smallCopyRates) as (keyof typeof smallCopyRates)[]).filter(
      kind => row.smallCopies === 'none' && smallCopyRates[kind] < row.highestMbps,
    )
    return kinds.map(kind => ({
      id: `copies-${row.key}-${kind}`,
      group: `copies-${row.key}`,
      price: null,
      label: `Keep a second copy of ${row.label} at ${smallCopyRates[kind]} Mb/s`,
      change: (plan: Plan) => ({
        ...plan,
        library: {
          ...plan.library,
          holdings: plan.library.holdings.map((holding, at) =>
            row.holdings.includes(at) ? { ...holding, smallCopies: kind } : holding,
          ),
        },
      }),
    }))
  })
