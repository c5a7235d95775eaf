import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  chosen,
  constant,
  field,
  figureOf,
  minus,
  product,
  quoted,
  quotient,
  roundedUp,
  sum,
  sumTold,
  workedOut,
  type Expression,
  type Input,
} from '../../expressions/expression'
import type { DimensionsOf } from '../../expressions/unitTypes'
import type { Figure } from '../../figure'
import { energyPrice } from '../../expressions/inputs/energyInputs'
import type { Format } from '../../units/format'
import { monthsPerYear } from '../../units/time'
import { mediumFill, mediumYears, type BackupPlan, type PlaceCopy } from './backupPlan'
import type { BackupHolding } from './backupHoldings'
import { keepsUp } from './lineCopy'
import { rowFigures } from './backupRowFigures'
import { settingsOf, type Settings } from './backupSettings'

/**
 * Every figure of a backup plan with its working; ids are `backup.<place>.<what>` and
 * `backup.<place>.<row>.<what>`.
 */
export function backupFigures({ places }: BackupPlan, drives: Settings, format: Format): Figure[] {
  return places.flatMap(place => [
    ...placeFigures(place, drives, format),
    ...place.rows.flatMap((row, at) => rowFigures(place, { row, at }, { drives, format })),
  ])
}

/** What a copy costs a year: its drives, a store, the electricity of a second machine. */
function priceParts(
  { id, copyTB, media, pricePerYear }: PlaceCopy,
  drives: Settings,
  { size, drivesOfIt }: { readonly size: Figure; readonly drivesOfIt: Figure },
): Expression<DimensionsOf<'money'>>[] {
  const { mediumTB, paths } = settingsOf(id, drives)
  const parts: Expression<DimensionsOf<'money'>>[] = []
  if (media > 0)
    parts.push(
      quotient(
        product(
          figureOf(drivesOfIt.id, [media, 'drives']),
          workedOut(mediumTB, 'TB/drive', { inputs: paths.mediumTB }),
          field('drives.copyPricePerTB', [drives.copyPricePerTB, 'money/TB']),
        ),
        constant(mediumYears, 'factor', { after: 'years' }),
      ),
    )
  if (pricePerYear.store > 0)
    parts.push(
      product(
        figureOf(size.id, [copyTB, 'TB']),
        field('drives.storePricePerTBMonth', [drives.storePricePerTBMonth, 'money/TB']),
        constant(monthsPerYear, 'factor', { after: 'months' }),
      ),
    )
  if (pricePerYear.electricity > 0)
    parts.push(
      workedOut(pricePerYear.electricity, 'money', {
        inputs: ['drives.secondBoxW', ...energyPrice],
        before: 'electricity',
      }),
    )
  return parts
}

/** More holdings are not told one by one in a sum. */
const rowsTold = 6

function placeFigures(place: PlaceCopy, drives: Settings, format: Format): Figure[] {
  const { id, copyTB, media, rows, line } = place
  const { sets, mediumTB, paths } = settingsOf(id, drives)
  const figure = <const Unit extends string>(what: string, label: string, unit: Unit) => ({
    id: `backup.${id}.${what}`,
    label,
    unit,
  })
  const size = declareFigure(
    () =>
      chosen(
        ['library.holdings', `drives.${id}`],
        sumTold(
          rows.map((row, at) =>
            figureOf(`backup.${id}.${at}.copyTB`, [row.copyTB, 'TB'], {
              before: quoted(row.holding.name),
            }),
          ),
          'TB',
          rowsTold,
        ),
      ),
    figure('copyTB', 'Size of the copy', 'TB'),
    format,
  )
  const noDrives = workedOut(0, 'drives', {
    inputs: [{ figure: size.id }, ...paths.mediumTB],
    says: 'It lies on no drives of its own.',
  })
  const drivesOfIt = declareFigure(
    () =>
      media > 0
        ? product(
            roundedUp(
              quotient(
                figureOf(size.id, [copyTB, 'TB']),
                product(
                  workedOut(mediumTB, 'TB/drive', { inputs: paths.mediumTB }),
                  constant(mediumFill, 'share'),
                ),
              ),
            ),
            workedOut(sets, 'factor', { inputs: paths.sets, after: sets === 1 ? 'set' : 'sets' }),
          )
        : noDrives,
    figure('media', 'Drives for it', 'drives'),
    format,
  )
  const parts = priceParts(place, drives, { size, drivesOfIt })
  return [
    size,
    drivesOfIt,
    declareFigure(
      () =>
        chosen(
          [...paths.mediumTB, `drives.${id}`],
          parts.length === 0
            ? workedOut(0, 'money', { inputs: [], says: 'It costs nothing.' })
            : sum(...parts),
        ),
      {
        ...figure('pricePerYear', 'Price a year', 'money'),
        source: `External drives are counted over ${mediumYears} years.`,
      },
      format,
    ),
    ...(line ? [lineFigure(place, line, { drives, format })] : []),
  ]
}

function lineFigure(
  { id, rows }: PlaceCopy,
  { perNightGB, changedGBPerDay, nights }: NonNullable<PlaceCopy['line']>,
  { drives, format }: { readonly drives: Settings; readonly format: Format },
): Figure {
  const { number: n } = format
  const parts = {
    id: `backup.${id}.nights`,
    label: 'Nights until the first copy is whole',
    unit: 'days',
  } as const
  const lineInputs: readonly Input[] = [
    'network.uploadMbps',
    'drives.awayUploadShare',
    'drives.awayNightHours',
    'drives.awayFirstCarried',
  ]
  const changing: readonly Input[] = [
    'library.holdings',
    'drives.changedGBPerMonth',
    'drives.arrivals',
  ]
  const night =
    `${n(perNightGB, 3)} GB get through in a night: ${n(drives.awayUploadShare * 100)} % of the ` +
    `upload for ${n(drives.awayNightHours)} h`
  if (nights === null)
    return absentFigure(
      `${n(changedGBPerDay, 3)} GB change a day, more than gets through in a night.`,
      { ...parts, inputs: [...lineInputs, ...changing], formula: night },
    )
  if (drives.awayFirstCarried)
    return declareFigure(
      () =>
        workedOut(0, 'days', {
          inputs: [...lineInputs, ...changing],
          says: 'The first copy is carried over on a drive.',
        }),
      { ...parts, source: `${night}.` },
      format,
    )
  const firstGB = rows.reduce((all, row) => all + row.holding.sizeTB, 0) * 1000
  return declareFigure(
    () =>
      roundedUp(
        quotient(
          workedOut(firstGB, 'GB', { inputs: ['library.holdings', `drives.${id}`] }),
          sum(
            workedOut(perNightGB, 'GB/day', { inputs: lineInputs, after: 'a night' }),
            minus(workedOut(changedGBPerDay, 'GB/day', { inputs: changing, after: 'of changes' })),
          ),
        ),
      ),
    { ...parts, source: `${night}.` },
    format,
  )
}

/** What the copies come to, in a sentence; what is irreplaceable and in no copy goes first. */
export function backupSentence(
  { holdings, places: planned }: BackupPlan,
  { number: n, quantity }: Pick<Format, 'number' | 'quantity'>,
): string {
  // A copy over the line that never gets done is none.
  const places = planned.filter(({ line }) => keepsUp(line))
  const isHeld = (holding: BackupHolding) =>
    places.some(place => place.rows.some(row => row.holding === holding))
  const irreplaceable = holdings.filter(holding => holding.irreplaceable && holding.sizeTB > 0)
  const bare = irreplaceable.filter(holding => !isHeld(holding))
  if (holdings.length === 0) return 'Nothing is kept yet, so there is nothing to copy.'
  if (bare.length > 0) {
    const sizeTB = bare.reduce((sum, holding) => sum + holding.sizeTB, 0)
    return bare.length === 1
      ? `There is no copy of ${bare[0]!.name}: ${quantity(sizeTB, 'TB')} are irreplaceable.`
      : `There is no copy of ${n(bare.length)} irreplaceable holdings, ` +
          `${quantity(sizeTB, 'TB')} in all.`
  }
  const atOnePlace = irreplaceable.filter(holding =>
    places
      .filter(place => place.rows.some(row => row.holding === holding))
      .every(place => place.id !== 'awayCopy'),
  )
  if (atOnePlace.length > 0)
    return (
      'Everything irreplaceable has a copy, but none of it away from home: fire, water and ' +
      'theft can take both.'
    )
  return irreplaceable.length > 0
    ? 'Everything irreplaceable has a copy away from home.'
    : places.length > 0
      ? 'Nothing that is kept is irreplaceable, and there are copies all the same.'
      : 'Nothing that is kept is irreplaceable, and nothing is copied.'
}
