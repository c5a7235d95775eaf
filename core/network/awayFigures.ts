import { declareFigure, absentFigure } from '../expressions/declareFigure'
import {
  field,
  rest,
  constant,
  roundedDown,
  quotient,
  product,
  figureOf,
  workedOut,
} from '../expressions/expression'
import type { Figure } from '../figure'
import { gbPerMbpsHour } from '../units/dataSize'
import type { Format } from '../units/format'
import { overheadFactor } from './awayStreams'
import type { NetworkFacts, NetworkSlice } from './networkFacts'
import { weekOf } from './networkFigures'

/** The internet line: what the upload carries, and what is needed of it. */
export function awayFigures(
  { awayHoursPerMonth }: NetworkFacts,
  { network, atOnce }: NetworkSlice,
  format: Format,
): Figure[] {
  const { number: n } = format
  const upload = field('network.uploadMbps', [network.uploadMbps, 'Mb/s'])
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
      { id: 'network.awayStreams', label: 'Streams the upload carries', unit: 'streams', source },
      format,
    ),
    declareFigure(
      () =>
        quotient(
          product(
            figureOf('household.watchingAwayAtOnce', [atOnce.away, 'streams'], { after: 'away' }),
            rung,
            overhead,
          ),
          left,
        ),
      {
        id: 'network.uploadNeededMbps',
        label: 'Upload needed',
        unit: 'Mb/s',
        source: `${source} The reserve is kept for calls and work at home.`,
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
