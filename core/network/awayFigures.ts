import { declareFigure, absentFigure } from '../expressions/declareFigure'
import {
  field,
  rest,
  constant,
  roundedDown,
  quotient,
  product,
  figureOf,
  sum,
  workedOut,
} from '../expressions/expression'
import type { Figure } from '../figure'
import type { Arrival } from '../plan/fastStorage'
import { gbPerMbpsHour } from '../units/dataSize'
import type { Format } from '../units/format'
import { editingMbps } from './editingLoad'
import { leftOfUpload } from './leftOfUpload'
import { overheadFactor } from './awayStreams'
import { basisOf } from '../calibration/correctedExpression'
import type { NetworkFacts, NetworkSlice } from './networkFacts'
import { weekOf } from './networkFigures'

/** Who edits in the hours in which the household watches, and what each takes. */
function editingText(
  arrivals: readonly Arrival[],
  watchedHoursPerDay: number,
  { quantity, number: n }: Format,
): string {
  const each = arrivals
    .map(arrival => ({ arrival, mbps: editingMbps([arrival], watchedHoursPerDay) }))
    .filter(({ mbps }) => mbps > 0)
  return each.length === 0
    ? 'Nobody away edits while the household watches.'
    : each
        .map(
          ({ arrival: { name, fetchedGBPerDay, hours }, mbps }) =>
            `${name || 'somebody'}: ${quantity(fetchedGBPerDay, 'GB')} in ` +
            `${quantity(hours, 'h')}, ${n(mbps, 3)} Mb/s`,
        )
        .join('; ')
}

/** The internet line: what the upload carries, and what is needed of it. */
export function awayFigures(
  { awayHoursPerMonth, editingMbps: editing, lines }: NetworkFacts,
  { network, atOnce, arrivals, watchedHoursPerDay }: NetworkSlice,
  format: Format,
): Figure[] {
  const { number: n } = format
  const upload = leftOfUpload(network.uploadMbps, editing, lines)
  const left = rest(field('network.uploadReserveShare', [network.uploadReserveShare, 'share']))
  const rung = field('network.awayRungMbps', [network.awayRungMbps, 'Mb/s/stream'])
  const overhead = constant(overheadFactor, 'factor')
  const source = `${n(overheadFactor)} is what headers and resent packets add.`
  const sentOut = {
    id: 'network.uploadGBPerMonth',
    label: 'Sent out in a month',
    unit: 'GB',
  } as const
  return [
    declareFigure(
      () => roundedDown(quotient(product(upload, left), product(rung, overhead))),
      {
        id: 'network.awayStreams',
        label: 'Streams the upload carries',
        unit: 'streams',
        ...basisOf(lines?.upload ?? null),
        source,
      },
      format,
    ),
    declareFigure(
      () =>
        sum(
          quotient(
            product(
              figureOf('household.watchingAwayAtOnce', [atOnce.away, 'streams'], { after: 'away' }),
              rung,
              overhead,
            ),
            left,
          ),
          ...(editing > 0
            ? [figureOf('network.editingMbps', [editing, 'Mb/s'], { after: 'of editing' })]
            : []),
        ),
      {
        id: 'network.uploadNeededMbps',
        label: 'Upload needed',
        unit: 'Mb/s',
        source: `${source} The reserve is kept for calls and work at home.`,
      },
      format,
    ),
    declareFigure(
      () =>
        workedOut(editing, 'Mb/s', {
          inputs: ['drives.arrivals', 'network.uploadMbps', { figure: 'household.watchedHours' }],
          says: editingText(arrivals, watchedHoursPerDay, format),
        }),
      {
        id: 'network.editingMbps',
        label: 'Upload that editing takes in the evening',
        unit: 'Mb/s',
      },
      format,
    ),
    awayHoursPerMonth > 0
      ? declareFigure(
          () =>
            product(
              workedOut(awayHoursPerMonth, 'h', { inputs: weekOf, after: 'away' }),
              field('network.awayRungMbps', [network.awayRungMbps, 'Mb/s']),
              constant(gbPerMbpsHour, 'GB·s/Mb/h', { after: 'GB', bare: true }),
            ),
          {
            ...sentOut,
            source:
              'Hours by the habits of ordinary days; headers and resent packets are not counted ' +
              'in caps.',
          },
          format,
        )
      : absentFigure('It follows from habits of viewers away, and there are none.', {
          ...sentOut,
          inputs: weekOf,
          formula: 'hours away × rate sent',
        }),
  ]
}
