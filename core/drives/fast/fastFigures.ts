import type { Format } from '../../units/format'
import type { Figure } from '../../figure'
import { ssdFill, frontShare, type FastStorage, cacheSlack, usualWritesPerTB } from './fastStorage'
import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  quotient,
  workedOut,
  constant,
  conversion,
  product,
  field,
  type Input,
} from '../../expressions/expression'
import { extrasShare } from '../../library/holdingSizes'
import { gbPerMbpsHour } from '../../units/dataSize'
import { daysPerYear } from '../../units/time'
import { arrivalsFigure, browsingFigure, streamsFigure } from './fastLoadFigures'
import type { FastTale } from './fastRates'

/** Figures of fast storage, each with its working. */
export function fastFigures(fast: FastStorage, tale: FastTale): Figure[] {
  return [
    ssdNeededFigure(fast, tale.format),
    ...useFigures(fast, tale),
    wearFigure(fast, tale),
    browsingFigure(tale),
    streamsFigure(tale),
    arrivalsFigure(tale),
  ]
}

/** How large the SSD must be for what lies on it. */
function ssdNeededFigure(fast: FastStorage, format: Format): Figure {
  return declareFigure(
    () =>
      quotient(
        quotient(
          workedOut(fast.ssdGB, 'GB', {
            inputs: [
              'drives.systemOn',
              'drives.indexOn',
              'drives.scratchOn',
              'drives.cacheOn',
              'drives.workOn',
              'drives.systemGB',
              'drives.workGB',
              { figure: 'fast.scratchGB' },
              { figure: 'fast.cacheGB' },
              { figure: 'fast.indexGB' },
              'library.holdings',
            ],
            after: 'that lie on it',
          }),
          constant(ssdFill, 'share'),
        ),
        conversion(1000, 'GB/TB'),
      ),
    {
      id: 'fast.ssdNeededTB',
      label: 'SSD needed',
      unit: 'TB',
      note: `Of what lies behind an SSD, ${format.number(frontShare * 100)} % is taken to be in it.`,
    },
    format,
  )
}

/** What lies on the SSD beside the holdings. */
function useFigures(
  fast: FastStorage,
  { plan: { drives }, sentMbps, conversions, format }: FastTale,
): Figure[] {
  const { number: n } = format
  const sessions = Math.max(1, Math.ceil(conversions))
  return [
    declareFigure(
      () =>
        product(
          field('network.awayRungMbps', [sentMbps, 'Mb/s/stream']),
          quotient(
            field('drives.scratchMinutes', [drives.scratchMinutes, 'min']),
            conversion(60, 'min/h'),
          ),
          constant(gbPerMbpsHour, 'GB·s/Mb/h', { bare: true }),
          workedOut(sessions, 'streams', {
            inputs: [{ figure: 'streams.asked' }],
            bare: true,
            after: 'at once',
          }),
        ),
      {
        id: 'fast.scratchGB',
        label: 'Conversion scratch',
        unit: 'GB',
        source: `1 Mb/s makes ${n(gbPerMbpsHour)} GB in an hour.`,
      },
      format,
    ),
    declareFigure(
      () =>
        product(
          workedOut(fast.biggestDayGB, 'GB/day', {
            inputs: ['drives.arrivals'],
            after: 'on the biggest day',
          }),
          field('drives.daysBetweenMoves', [drives.daysBetweenMoves, 'days']),
          constant(cacheSlack, 'factor'),
        ),
      { id: 'fast.cacheGB', label: 'Write cache', unit: 'GB' },
      format,
    ),
    declareFigure(
      () =>
        workedOut(fast.indexGB, 'GB', {
          inputs: ['library.holdings'],
          says: `${n(extrasShare * 100)} % beside the video: ${n(fast.indexGB, 3)} GB`,
        }),
      { id: 'fast.indexGB', label: 'Index with pictures', unit: 'GB' },
      format,
    ),
  ]
}

/** Wear beyond so many years is not told as a number. */
export const longestWearYears = 25
function wearFigure(fast: FastStorage, { plan: { drives }, format }: FastTale): Figure {
  const { number: n } = format
  const parts = { id: 'fast.wearYears', label: 'The SSD is worn out in', unit: 'years' } as const
  const rated: readonly Input[] = ['drives.ssdTB', 'drives.ssdWritesTB']
  const written: readonly Input[] = [
    'drives.scratchOn',
    'drives.cacheOn',
    'network.awayRungMbps',
    { figure: 'day.convertingHours' },
    'drives.arrivals',
  ]
  const inputs = [...rated, ...written]
  if (fast.wearYears === null)
    return absentFigure('Hardly anything is written to it.', { ...parts, inputs, formula: '–' })
  if (fast.wearYears > longestWearYears)
    return absentFigure(`Not within ${longestWearYears} years: other parts fail before.`, {
      ...parts,
      inputs,
      formula: `${n(fast.ratedTB)} TB of rated writes, ${n(fast.writtenGBPerDay, 3)} GB a day`,
    })
  return declareFigure(
    () =>
      quotient(
        quotient(
          product(
            workedOut(fast.ratedTB, 'TB', { inputs: rated, after: 'of rated writes' }),
            conversion(1000, 'GB/TB'),
          ),
          workedOut(fast.writtenGBPerDay, 'GB/day', { inputs: written, after: 'a day' }),
        ),
        constant(daysPerYear, 'days/year', { digits: 5 }),
      ),
    {
      ...parts,
      source:
        drives.ssdWritesTB === null
          ? `${usualWritesPerTB} TB of writes for each TB of SSD, a usual data sheet.`
          : 'Data sheet, as entered.',
      note: 'Conversions and arrivals are written to it.',
    },
    format,
  )
}
