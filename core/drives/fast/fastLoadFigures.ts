import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  quotient,
  product,
  constant,
  rest,
  workedOut,
  chosen,
  sum,
  quoted,
  field,
} from '../../expressions/expression'
import type { Input } from '../../expressions/node'
import type { Figure } from '../../figure'
import { daysPerMonth } from '../../units/time'
import { busyAtMost, browsingS, picturesOfPage, seekS, readAheadMB } from './diskStreams'
import { type FastTale, plannedStreamMbps, dataDrivesCarry } from './fastRates'

/** How long a page of the library takes, with nobody watching and while all do who may. */
export function browsingFigure(tale: FastTale): Figure {
  const {
    plan: { drives },
    format,
  } = tale
  const carry = dataDrivesCarry(tale)
  const busy = carry && carry.low > 0 ? Math.min(1, (busyAtMost * tale.watching) / carry.low) : 0
  const spinning = tale.pool?.spinning ?? true
  const isOnDrives = drives.indexOn === 'spinning'
  const browse = (share: number) => (isOnDrives ? browsingS(share, spinning) : browsingS(0, false))
  const busyInputs: readonly Input[] = [
    { figure: 'household.watching95' },
    { figure: 'fast.diskStreams' },
  ]
  const fromDrives = quotient(
    product(
      constant(picturesOfPage, 'factor', { after: 'pictures' }),
      constant(seekS.spinning, 's'),
    ),
    rest(workedOut(1 - browse(0) / browse(busy), 'share', { inputs: busyInputs, after: 'busy' })),
  )
  return declareFigure(
    () =>
      chosen(
        ['drives.indexOn', 'drives.lots', 'drives.driveClass', ...busyInputs],
        isOnDrives && spinning
          ? fromDrives
          : workedOut(browse(0), 's', { inputs: [], says: 'from an SSD: about 10 ms' }),
      ),
    {
      id: 'fast.browsingS',
      label: 'A page of the library is there in',
      unit: 's',
      note: 'The low end is when nobody watches.',
      band: { low: browse(0), likely: browse(busy), high: browse(busy) },
    },
    format,
  )
}

export function streamsFigure(tale: FastTale): Figure {
  const { format } = tale
  const carry = dataDrivesCarry(tale)
  const parts = {
    id: 'fast.diskStreams',
    label: 'Streams that the data drives carry',
    unit: 'streams',
  } as const
  const inputs: readonly Input[] = [
    'drives.layout',
    'drives.lots',
    'drives.driveClass',
    'drives.outerMBps',
  ]
  if (!carry) return absentFigure('Put in drives to see this.', { ...parts, inputs, formula: '–' })
  const { number: n } = format
  return declareFigure(
    () =>
      workedOut({ low: carry.low, likely: carry.low, high: carry.high }, 'streams', {
        inputs,
        says:
          `${n(busyAtMost * 100)} % of a drive's time, of which each stream of ` +
          `${plannedStreamMbps} Mb/s takes a seek of ${n(seekS.spinning * 1000)} ms (an SSD ` +
          `${n(seekS.ssd * 1000)}) and the reading for every ${readAheadMB} MB`,
      }),
    {
      ...parts,
      note:
        carry.low < carry.high
          ? 'The low end is when all wanted titles lie on one drive.'
          : 'All drives work for every stream.',
    },
    format,
  )
}

export function arrivalsFigure({ plan: { drives }, convertingHours, format }: FastTale): Figure {
  const { number: n } = format
  const none = workedOut(0, 'GB', { inputs: ['drives.arrivals'], says: 'None are entered.' })
  const each = drives.arrivals.map(({ name, gbPerDay, daysPerWeek }, index) =>
    quotient(
      product(
        field(`drives.arrivals.${index}.gbPerDay`, [gbPerDay, 'GB/day'], {
          before: quoted(name || 'one of them'),
        }),
        field(`drives.arrivals.${index}.daysPerWeek`, [daysPerWeek, 'factor']),
        constant(daysPerMonth, 'days', { digits: 4 }),
      ),
      constant(7, 'factor'),
    ),
  )
  return declareFigure(
    () => (each.length === 0 ? none : chosen(['drives.arrivals'], sum(...each))),
    {
      id: 'fast.arrivalsGBPerMonth',
      label: 'Arrivals in a month',
      unit: 'GB',
      note: `Converting ${n(convertingHours)} h a day is counted for the wear, ` + 'not here.',
    },
    format,
  )
}
