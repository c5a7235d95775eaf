import { figure, noFigure, type Figure } from '../../figure'
import type { Drives } from '../../plan/drives'
import type { Format } from '../../units/format'
import { gbPerMbpsHour } from '../../units/dataSize'
import {
  mediumFill,
  mediumYears,
  type BackupHolding,
  type BackupPlan,
  type HoldingCopy,
  type PlaceCopy,
  type PlaceId,
} from './backupPlan'

export const placeLabels: Readonly<Record<PlaceId, string>> = {
  secondBox: 'Second machine here',
  offlineCopy: 'Offline copy here',
  awayCopy: 'Copy away from home',
}

type Settings = Pick<
  Drives,
  | 'secondBoxEveryDays'
  | 'secondBoxKept'
  | 'offlineEveryDays'
  | 'offlineKept'
  | 'offlineMediumTB'
  | 'offlineSets'
  | 'awayEveryDays'
  | 'awayKept'
  | 'awayMediumTB'
  | 'awaySets'
  | 'awayBy'
  | 'awayUploadShare'
  | 'awayNightHours'
  | 'copiesWithVersions'
  | 'copyPricePerTB'
  | 'storePricePerTBMonth'
  | 'secondBoxW'
>

function settingsOf(
  id: PlaceId,
  drives: Settings,
): {
  readonly everyDays: number
  readonly kept: number
  readonly sets: number
  readonly mediumTB: number
  readonly prefix: string
} {
  const kept = (count: number) => (drives.copiesWithVersions ? count : 0)
  switch (id) {
    case 'secondBox':
      return {
        everyDays: drives.secondBoxEveryDays,
        kept: kept(drives.secondBoxKept),
        sets: 1,
        mediumTB: 0,
        prefix: 'drives.secondBox',
      }
    case 'offlineCopy':
      return {
        everyDays: drives.offlineEveryDays,
        kept: kept(drives.offlineKept),
        sets: drives.offlineSets,
        mediumTB: drives.offlineMediumTB,
        prefix: 'drives.offline',
      }
    case 'awayCopy':
      return {
        everyDays: drives.awayEveryDays,
        kept: kept(drives.awayKept),
        sets: drives.awayBy === 'carried' ? drives.awaySets : 1,
        mediumTB: drives.awayMediumTB,
        prefix: 'drives.away',
      }
  }
}

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

function placeFigures(place: PlaceCopy, drives: Settings, { number: n, money }: Format): Figure[] {
  const { id, copyTB, media, line, pricePerYear } = place
  const { sets, mediumTB, prefix } = settingsOf(id, drives)
  const total = pricePerYear.media + pricePerYear.store + pricePerYear.electricity
  const parts = [
    media > 0
      ? `${n(media)} × ${n(mediumTB)} TB × ${money(drives.copyPricePerTB)} ÷ ${mediumYears} years`
      : null,
    pricePerYear.store > 0
      ? `${n(copyTB, 3)} TB × ${money(drives.storePricePerTBMonth)} × 12`
      : null,
    pricePerYear.electricity > 0
      ? `electricity of ${n(drives.secondBoxW)} W: ${money(pricePerYear.electricity)}`
      : null,
  ].filter(part => part !== null)
  return [
    figure(copyTB, {
      id: `backup.${id}.copyTB`,
      label: 'Size of the copy',
      unit: 'TB',
      inputs: [
        `${prefix}EveryDays`,
        `${prefix}Kept`,
        'drives.copiesWithVersions',
        'library.contentTB',
      ],
      formula: `sum over its holdings = ${n(copyTB, 3)} TB`,
    }),
    figure(media, {
      id: `backup.${id}.media`,
      label: 'Drives for it',
      unit: 'drives',
      inputs: [
        `backup.${id}.copyTB`,
        ...(mediumTB > 0 ? [`${prefix}MediumTB`] : []),
        ...(id === 'secondBox' ? [] : [`${prefix}Sets`]),
      ],
      formula:
        media > 0
          ? `${n(copyTB, 3)} TB ÷ (${n(mediumTB)} TB × ${mediumFill}), rounded up, × ${sets} ` +
            `${sets === 1 ? 'set' : 'sets'} = ${media}`
          : 'it lies on no drives of its own',
    }),
    figure(total, {
      id: `backup.${id}.pricePerYear`,
      label: 'Price a year',
      unit: 'money',
      inputs: [
        `backup.${id}.media`,
        'drives.copyPricePerTB',
        ...(id === 'secondBox' ? ['drives.secondBoxW', 'costs.pricePerKWh'] : []),
        ...(id === 'awayCopy' ? ['drives.storePricePerTBMonth'] : []),
      ],
      formula: `${parts.join(' + ') || 'nothing'} = ${money(total)}`,
      source: `External drives are counted over ${mediumYears} years.`,
    }),
    ...(line ? [lineFigure(id, line, { drives, format: { number: n } })] : []),
  ]
}

function lineFigure(
  id: PlaceId,
  { perNightGB, changedGBPerDay, nights }: NonNullable<PlaceCopy['line']>,
  {
    drives,
    format: { number: n },
  }: { readonly drives: Settings; readonly format: Pick<Format, 'number'> },
): Figure {
  const parts = {
    id: `backup.${id}.nights`,
    label: 'Nights until the first copy is whole',
    unit: 'days',
    inputs: [
      'network.uploadMbps',
      'drives.awayUploadShare',
      'drives.awayNightHours',
      `backup.${id}.copyTB`,
    ],
  }
  const night =
    `${n(perNightGB, 3)} GB a night (upload × ${n(drives.awayUploadShare * 100)} % × ` +
    `${n(drives.awayNightHours)} h × ${gbPerMbpsHour})`
  if (nights === null)
    return noFigure(
      `${n(changedGBPerDay, 3)} GB change a day, more than gets through in a night.`,
      { ...parts, formula: night },
    )
  return figure(nights, {
    ...parts,
    formula: `all of it ÷ (${night} − ${n(changedGBPerDay, 3)} GB that change a day) = ${n(nights)}`,
  })
}

function rowFigures(
  { id, rateMBps, backMBps, fetchHours }: PlaceCopy,
  { row, at }: { readonly row: HoldingCopy; readonly at: number },
  { drives, format: { number: n, hours } }: { readonly drives: Settings; readonly format: Format },
): Figure[] {
  const { holding, copyTB, fullHours, incrementHours, ageDays, backHours } = row
  const { everyDays, kept, sets, prefix } = settingsOf(id, drives)
  const changedTB = holding.changedTBPerDay * everyDays
  const own =
    holding.index === null ? ['library.otherTB'] : [`library.holdings.${holding.index}.contentTB`]
  const rate =
    `${n(rateMBps, 3)} ` +
    `MB/s${id === 'awayCopy' && drives.awayBy !== 'carried' ? ' while the copy runs' : ''}`
  const timed = (
    what: { readonly id: string; readonly label: string },
    value: number,
    formula: string,
  ): Figure => {
    const parts = {
      id: `backup.${id}.${at}.${what.id}`,
      label: `${holding.name}: ${what.label}`,
      unit: 'h',
      inputs: [...own, `${prefix}EveryDays`],
      formula,
    }
    return Number.isFinite(value)
      ? figure(value, parts)
      : noFigure('Nothing gets through at that rate.', parts)
  }
  return [
    figure(copyTB, {
      id: `backup.${id}.${at}.copyTB`,
      label: `${holding.name}: size of the copy`,
      unit: 'TB',
      inputs: [...own, `${prefix}EveryDays`, `${prefix}Kept`, 'drives.copiesWithVersions'],
      formula:
        `${n(holding.sizeTB, 3)} TB + ${n(changedTB * 1000, 3)} GB changed in ` +
        `${n(everyDays)} ${everyDays === 1 ? 'day' : 'days'} × ${n(kept)} older versions = ` +
        `${n(copyTB, 3)} TB`,
    }),
    timed(
      { id: 'fullHours', label: 'first copy' },
      fullHours,
      `${n(holding.sizeTB, 3)} TB ÷ ${rate}`,
    ),
    timed(
      { id: 'incrementHours', label: 'each further copy' },
      incrementHours,
      `${n(changedTB * 1000, 3)} GB ÷ ${rate}`,
    ),
    figure(ageDays, {
      id: `backup.${id}.${at}.ageDays`,
      label: `${holding.name}: the copy is at most so old`,
      unit: 'days',
      inputs: [`${prefix}EveryDays`, ...(id === 'secondBox' ? [] : [`${prefix}Sets`])],
      formula: `${n(everyDays)} days${sets > 1 ? ` × ${sets} sets that take turns` : ''}`,
    }),
    timed(
      { id: 'backHours', label: 'until it is back' },
      backHours,
      `${hours(fetchHours)} until it is at hand + ${n(holding.sizeTB, 3)} TB ÷ ` +
        `${n(backMBps, 3)} MB/s`,
    ),
  ]
}

/** What the copies come to, in a sentence; what is irreplaceable and in no copy goes first. */
export function backupSentence(
  { holdings, places }: BackupPlan,
  { number: n, quantity }: Pick<Format, 'number' | 'quantity'>,
): string {
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
