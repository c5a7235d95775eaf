import { declareFigure } from '../../expressions/declareFigure'
import {
  chosen,
  constant,
  conversion,
  product,
  quotient,
  sum,
  workedOut,
} from '../../expressions/expression'
import type { Figure } from '../../figure'
import { partsOfKind } from '../knownParts'
import { controllerStartMin, lastDriveUpS, plainStartMin, serverStartMin } from '../power/startTime'
import { built, type Told } from './fitTale'

/** How long a start takes, for outages and for whoever waits for a machine that was off. */
export function startTimeFigure({ facts: { context }, format }: Told): Figure {
  const { build, board, start } = context
  const controllers = partsOfKind(build.parts, 'controller').reduce(
    (count, { part }) => count + part.count,
    0,
  )
  const isServer = build.base?.class === 'rack' || (board?.memory.registered ?? false)
  const drivesS = lastDriveUpS(start)
  return declareFigure(
    () =>
      chosen(
        built,
        sum(
          constant(plainStartMin, 'min', { after: 'of a plain start' }),
          ...(isServer
            ? [workedOut(serverStartMin, 'min', { inputs: built, after: 'of a server board' })]
            : []),
          ...(controllers > 0
            ? [
                product(
                  workedOut(controllers, 'controllers', { inputs: built }),
                  constant(controllerStartMin, 'min/controller'),
                ),
              ]
            : []),
          ...(drivesS > 0
            ? [
                quotient(
                  workedOut(drivesS, 's', {
                    inputs: [...built, 'machine.startTogether', 'machine.bays', 'drives.lots'],
                    after: 'until the last drive turns',
                  }),
                  conversion(60, 's/min'),
                ),
              ]
            : []),
        ),
      ),
    {
      id: 'machine.startMinutes',
      label: 'Time to start',
      unit: 'min',
      source:
        'Planning values: from the press of the button until it serves. A server board tests ' +
        'its memory first, and each controller looks for its drives.',
    },
    format,
  )
}
