import type { HouseholdFacts } from '../household/householdFacts'
import { declareFigure } from '../expressions/declareFigure'
import { linkExpression } from '../network/linkExpression'
import type { NetworkFacts } from '../network/networkFacts'
import { defineDomain, type Telling } from '../domain'
import type { Format } from '../units/format'
import { matrixColumns, type ColumnsQuestion, type MatrixColumn } from './columns'

/** Each device at each place where somebody watches. */
export interface ScreensFacts {
  readonly columns: readonly MatrixColumn[]
}

/** Id of the figure of what a column's link carries. */
export function linkFigureId(columnKey: string): string {
  return `playback.link.${columnKey}`
}

function tellScreens(
  { columns }: ScreensFacts,
  { links }: ColumnsQuestion,
  format: Format,
): Telling {
  const figures = () =>
    columns.map(column =>
      declareFigure(
        () => linkExpression(column.link, links, column),
        {
          id: linkFigureId(column.key),
          label: `${column.deviceName}, ${column.placeName}: for each stream`,
          unit: 'Mb/s',
          ...(column.capMbps === Infinity
            ? {}
            : {
                note: `What is sent is limited to ${format.number(column.capMbps)} Mb/s besides.`,
              }),
        },
        format,
      ),
    )
  return { figures, verdicts: [], findings: [] }
}

interface Needed {
  readonly household: HouseholdFacts
  readonly network: NetworkFacts
}

/** Which devices are watched on, where, and over which link. */
export const screens = defineDomain({
  id: 'screens',
  needs: ['household', 'network'],
  read: ({ household }, { deviceClasses }, needed: Needed) => ({
    household,
    deviceClasses,
    week: needed.household.week,
    links: needed.network.links,
  }),
  facts: (slice: ColumnsQuestion): ScreensFacts => ({ columns: matrixColumns(slice) }),
  tell: tellScreens,
})
