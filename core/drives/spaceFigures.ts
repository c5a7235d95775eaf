import { counted } from '../units/counted'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  conversion,
  field,
  figureOf,
  minus,
  notBelowNothing,
  product,
  quotient,
  rest,
  sum,
  thatFigure,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Figure } from '../figure'
import { bytesPerTB, bytesPerTiB } from '../units/dataSize'
import type { Format } from '../units/format'
import { arrangedBy } from '../expressions/inputs/driveInputs'
import type { DrivesSlice, PoolFacts } from './drivesFacts'
import { fileSystems } from './fileSystem'
import { layoutLabel } from './refusalText'
import type { DrivesTale } from './drivesTale'

type Space = Expression<DimensionsOf<'TB'>>

/** Everything that was bought, before any of it is given to redundancy. */
export function rawFigure({ slice: { drives }, format }: DrivesTale): Figure {
  const none = workedOut(0, 'TB', { inputs: ['drives.lots'], says: 'There are no drives.' })
  const lots = drives.lots.map((lot, index) =>
    product(
      field(`drives.lots.${index}.count`, [lot.count, 'drives'], { bare: true }),
      field(`drives.lots.${index}.sizeTB`, [lot.sizeTB, 'TB/drive']),
    ),
  )
  return declareFigure(
    () => (lots.length === 0 ? none : chosen(['drives.lots'], sum(...lots))),
    { id: 'drives.rawTB', label: 'Raw', unit: 'TB' },
    format,
  )
}

/** What snapshots hold: what changes in a month times the months that they are kept. */
function snapshots({ changedGBPerMonth, snapshotMonths }: DrivesSlice['drives']): Space {
  const paths: readonly Input[] = ['drives.changedGBPerMonth', 'drives.snapshotMonths']
  return changedGBPerMonth * snapshotMonths === 0
    ? workedOut(0, 'TB', { inputs: paths, after: 'of snapshots' })
    : quotient(
        product(
          field('drives.changedGBPerMonth', [changedGBPerMonth, 'GB/month'], {
            after: 'of changes',
          }),
          field('drives.snapshotMonths', [snapshotMonths, 'months']),
        ),
        conversion(1000, 'GB/TB'),
      )
}

/** Of a file system, what it keeps for itself and how far it may be filled. */
function sharesOf({ fileSystem }: DrivesSlice['drives']) {
  const { reserveShare, ceilingShare } = fileSystems[fileSystem]
  const inputs: readonly Input[] = ['drives.fileSystem']
  return {
    kept: rest(workedOut(reserveShare, 'share', { inputs })),
    ceiling: workedOut(ceilingShare, 'share', { inputs }),
  }
}

export function neededFigure({ slice, format }: DrivesTale): Figure {
  const { kept, ceiling } = sharesOf(slice.drives)
  const content = figureOf('library.contentAtHorizonTB', [slice.contentAtHorizonTB, 'TB'])
  return declareFigure(
    () => quotient(sum(content, snapshots(slice.drives)), product(ceiling, kept)),
    {
      id: 'drives.usableNeededTB',
      label: `Usable space needed in ${counted(slice.horizonYears, 'year')}`,
      unit: 'TB',
    },
    format,
  )
}

const allFileSystems = ({ number: n }: Format) =>
  Object.entries({
    'on a journalled file system': fileSystems.journalled,
    'on copy-on-write': fileSystems.copyOnWrite,
  })
    .map(
      ([where, { reserveShare, ceilingShare }]) =>
        `reserve ${n(reserveShare * 100)} % and fill limit ${n(ceilingShare * 100)} % ${where}`,
    )
    .join(', ')

/** What of the raw space can be used, and holds the library. */
export function spaceFigures(pool: PoolFacts, tale: DrivesTale): Figure[] {
  const { facts, slice, format } = tale
  const { usableTB, rawTB, redundancyTB, mismatchTB, sparesTB } = pool.arrangement
  const inputs = arrangedBy(facts)
  const spares = sparesTB.reduce((a, b) => a + b, 0)
  const parts = [
    [spares, 'of hot spares'],
    [redundancyTB, 'of copies and parity'],
    [mismatchTB, 'unused'],
  ] as const
  const usable = declareFigure(
    () =>
      chosen(
        inputs,
        sum(
          figureOf('drives.rawTB', [rawTB, 'TB'], { after: 'raw' }),
          ...parts.flatMap(([sizeTB, after]) =>
            sizeTB > 0 ? [minus(workedOut(sizeTB, 'TB', { inputs, after }))] : [],
          ),
        ),
      ),
    {
      id: 'drives.usableTB',
      label: 'Usable',
      unit: 'TB',
      source: layoutLabel(facts.layoutId),
      ...(facts.isAutomatic
        ? {
            note:
              'No layout is chosen yet, so it follows the number of drives and what must ' +
              'survive.',
          }
        : {}),
    },
    format,
  )
  const { kept, ceiling } = sharesOf(slice.drives)
  return [
    usable,
    declareFigure(
      () =>
        quotient(
          figureOf('drives.usableTB', [usableTB, 'TB']),
          constant(bytesPerTiB / bytesPerTB, 'TB/TiB', { bare: true, digits: 6 }),
        ),
      {
        id: 'drives.usableTiB',
        label: 'Usable, binary',
        unit: 'TiB',
        source: 'A TiB is 2⁴⁰ bytes, a TB 10¹².',
        note: 'Many systems show this number and call it TB.',
      },
      format,
    ),
    declareFigure(
      () =>
        notBelowNothing(
          sum(product(thatFigure(usable, 'TB'), kept, ceiling), minus(snapshots(slice.drives))),
        ),
      {
        id: 'drives.roomTB',
        label: 'Room',
        unit: 'TB',
        source: `Usual values: ${allFileSystems(format)}.`,
      },
      format,
    ),
  ]
}

/** The figures of a pool that is not there, with the reason. */
export function missingFigures(
  why: string,
  { facts, slice: { horizonYears: years } }: DrivesTale,
): Figure[] {
  const ids = [
    ['drives.usableTB', 'Usable', 'TB'],
    ['drives.usableTiB', 'Usable, binary', 'TiB'],
    ['drives.roomTB', 'Room', 'TB'],
    ['drives.rebuildHours', 'Rebuild', 'h'],
    ['drives.firstBuildHours', 'First build of parity', 'h'],
    ['drives.shareAtLoss', 'Share of the library lost then', 'share'],
    ['drives.lossChancePerYear', 'Chance of loss in a year', 'share'],
    ['drives.lossChanceAtHorizon', `Chance of loss in ${counted(years, 'year')}`, 'share'],
    ['drives.fileLossChanceAtHorizon', 'A file lost in a rebuild', 'share'],
    ['drives.irreplaceableLossChancePerYear', 'Irreplaceable data lost, a year', 'share'],
    ['drives.replaceableLossChancePerYear', 'Replaceable data lost, a year', 'share'],
    ['drives.dayOutChancePerYear', 'A day without service, a year', 'share'],
  ] as const
  return ids.map(([id, label, unit]) =>
    absentFigure(why, {
      id,
      label,
      unit,
      inputs: arrangedBy(facts),
      formula: 'needs a layout that these drives can make',
    }),
  )
}
