import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import { product, field, workedOut, sum, quotient, conversion } from '../../expressions/expression'
import type { Expression, Input, Words } from '../../expressions/node'
import type { DimensionsOf } from '../../expressions/unitTypes'
import type { Figure } from '../../figure'
import type { Format } from '../../units/format'
import type { HoldingCopy, PlaceCopy } from './backupPlan'
import { settingsOf, type Settings } from './backupSettings'

/** What a holding's copy follows from: its size, and what changes of it. */
function inputsOfRow({ holding: { index } }: HoldingCopy): {
  readonly own: readonly Input[]
  readonly changes: readonly Input[]
} {
  return index === null
    ? {
        own: ['library.otherTB'],
        changes: ['library.otherGrowthGBPerMonth', 'drives.changedGBPerMonth', 'drives.arrivals'],
      }
    : {
        own: [{ figure: `library.holdings.${index}.contentTB` }],
        changes: [`library.holdings.${index}`, 'drives.changedGBPerMonth', 'drives.arrivals'],
      }
}

interface Row {
  readonly place: PlaceCopy
  readonly row: HoldingCopy
  readonly at: number
  readonly drives: Settings
  readonly format: Format
}

type Size = Expression<DimensionsOf<'TB'>>
const sizeOf = ({ row }: Row): Size =>
  workedOut(row.holding.sizeTB, 'TB', { inputs: inputsOfRow(row).own })
function changedOf({ place, row, drives }: Row): Size {
  const { everyDays, paths } = settingsOf(place.id, drives)
  return product(
    workedOut(row.holding.changedTBPerDay, 'TB/day', {
      inputs: inputsOfRow(row).changes,
      after: 'of changes',
    }),
    field(paths.everyDays, [everyDays, 'days']),
  )
}

const partsOf = <const Unit extends string>(
  { place: { id }, row, at }: Row,
  [what, label, unit]: readonly [what: string, label: string, unit: Unit],
) => ({
  id: `backup.${id}.${at}.${what}`,
  label: `${row.holding.name}: ${label}`,
  unit,
})

export function rowFigures(
  place: PlaceCopy,
  { row, at }: { readonly row: HoldingCopy; readonly at: number },
  { drives, format }: { readonly drives: Settings; readonly format: Format },
): Figure[] {
  const { everyDays, kept, sets, paths } = settingsOf(place.id, drives)
  const own = { place, row, at, drives, format }
  return [
    declareFigure(
      () =>
        sum(
          sizeOf(own),
          product(
            changedOf(own),
            workedOut(kept, 'factor', {
              inputs: [paths.kept, 'drives.copiesWithVersions'],
              after: 'older versions',
            }),
          ),
        ),
      partsOf(own, ['copyTB', 'size of the copy', 'TB']),
      format,
    ),
    ...hoursFigures(own),
    declareFigure(
      () =>
        place.id === 'awayCopy'
          ? product(
              field(paths.everyDays, [everyDays, 'days']),
              workedOut(sets, 'factor', {
                inputs: paths.sets,
                after: sets === 1 ? 'set' : 'sets that take turns',
              }),
            )
          : field(paths.everyDays, [everyDays, 'days']),
      partsOf(own, ['ageDays', 'the copy is at most so old', 'days']),
      format,
    ),
  ]
}

/** Hours of the first copy, of each further one, and until it is back. */
function hoursFigures(own: Row): Figure[] {
  const { place, row, drives, format } = own
  const { id, rateMBps, backMBps, fetchHours } = place
  const overLine = id === 'awayCopy' && drives.awayBy !== 'carried'
  const rateInputs: readonly Input[] = overLine
    ? ['network.uploadMbps', 'drives.awayUploadShare', 'network.downloadMbps', 'drives.awayBy']
    : [{ figure: 'network.homeLinkMbps' }]
  const inputs = [...inputsOfRow(row).own, ...rateInputs]
  const hoursOf = (size: Size, mbps: number, words: Words = {}) =>
    quotient(
      quotient(
        product(size, conversion(1e6, 'MB/TB')),
        workedOut(mbps, 'MB/s', { inputs: rateInputs, ...words }),
      ),
      conversion(3600, 's/h'),
    )
  const nothing = workedOut(0, 'h', { inputs, says: 'Nothing has to be copied.' })
  const timed = (
    what: readonly [string, string, 'h'],
    hours: number,
    express: () => Expression<DimensionsOf<'h'>>,
  ): Figure =>
    Number.isFinite(hours)
      ? declareFigure(() => (hours === 0 ? nothing : express()), partsOf(own, what), format)
      : absentFigure('Nothing gets through at that rate.', {
          ...partsOf(own, what),
          inputs,
          formula: 'size ÷ rate',
        })
  const words = overLine ? { after: 'while the copy runs' } : {}
  const atHand = workedOut(fetchHours, 'h', {
    inputs: [`drives.${id}`, 'drives.awayBy'],
    after: 'until it is at hand',
  })
  return [
    timed(['fullHours', 'first copy', 'h'], row.fullHours, () =>
      hoursOf(sizeOf(own), rateMBps, words),
    ),
    timed(['incrementHours', 'each further copy', 'h'], row.incrementHours, () =>
      hoursOf(changedOf(own), rateMBps, words),
    ),
    timed(['backHours', 'until it is back', 'h'], row.backHours, () =>
      row.holding.sizeTB > 0 ? sum(atHand, hoursOf(sizeOf(own), backMBps)) : atHand,
    ),
  ]
}
