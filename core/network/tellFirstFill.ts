import { figure, noFigure, type Figure } from '../figure'
import type { Format } from '../units/format'
import {
  ripping,
  smallFilesFactor,
  type Fill,
  type FillQuestion,
  type FillWay,
  type Ripping,
} from './firstFill'

export const fillLabels: Readonly<Record<FillWay | 'ripping', string>> = {
  home: 'Over the home network',
  plugged: 'From a drive that is plugged in',
  store: 'From an online store',
  ripping: 'Ripping discs, at the bench',
}
const soonest: Readonly<Record<FillWay, string>> = {
  home: 'over the home network',
  plugged: 'from a drive that is plugged in',
  store: 'from an online store',
}
const inputsOf: Readonly<Record<FillWay, readonly string[]>> = {
  home: [
    'library.contentTB',
    'network.serverPortMbps',
    'network.fillFromMBps',
    'network.smallFilesShare',
    'drives.outerMBps',
  ],
  plugged: [
    'library.contentTB',
    'network.fillFromMBps',
    'network.smallFilesShare',
    'drives.outerMBps',
  ],
  store: [
    'library.contentTB',
    'network.downloadMbps',
    'network.downloadCapGBPerDay',
    'network.smallFilesShare',
    'drives.outerMBps',
  ],
}

/** The first fill by each way as a figure with its working. */
export function fillFigures(
  fills: readonly Fill[],
  {
    question,
    ripping: rip,
    format,
  }: { readonly question: FillQuestion; readonly ripping: Ripping; readonly format: Format },
): Figure[] {
  const { number: n, hours: told } = format
  const ways = fills.map(({ way, rateMBps, limit, hours, verifyHours }): Figure => {
    const parts = {
      id: `network.fill.${way}`,
      label: fillLabels[way],
      unit: 'h',
      inputs: inputsOf[way],
    }
    if (!hours || verifyHours === null)
      return noFigure('Nothing gets through.', {
        ...parts,
        formula: `${n(question.sizeTB, 3)} TB ÷ 0 MB/s`,
      })
    const small =
      question.smallShare > 0
        ? `, the ${n(question.smallShare * 100)} % in small files ${smallFilesFactor.likely} ` +
          'times slower'
        : ''
    return figure(hours, {
      ...parts,
      formula:
        limit === 'cap'
          ? `${n(question.sizeTB, 3)} TB at ${n(question.capGBPerDay!)} GB a day`
          : `${n(question.sizeTB, 3)} TB ÷ ${n(rateMBps, 3)} MB/s${small}`,
      note:
        'The limit is ' +
        `${limit === 'cap' ? 'the daily cap' : limit === 'source' ? 'the old drive' : limit === 'pool' ? 'the pool' : `the ${limit}`}. ` +
        `Comparing takes ${told(verifyHours)} more.`,
    })
  })
  const { rounds, benchHours, days } = ripping(rip)
  return [
    ...ways,
    figure(benchHours, {
      id: 'network.fill.ripping',
      label: fillLabels.ripping,
      unit: 'h',
      inputs: [
        'network.ripDiscs',
        'network.ripMinutes',
        'network.ripDrives',
        'network.ripHoursPerDay',
      ],
      formula:
        `${n(rip.discs)} discs in ${n(rounds)} ${rounds === 1 ? 'round' : 'rounds'} of ` +
        `${n(rip.minutesEach)} min`,
      note: `That is ${days === 1 ? '1 day' : `${n(days)} days`} at ${n(rip.hoursPerDay)} h a day.`,
    }),
  ]
}

/** The quickest way, in a sentence. */
export function fillSentence(
  fills: readonly Fill[],
  {
    sizeTB,
    format: { quantity, hours },
  }: { readonly sizeTB: number; readonly format: Pick<Format, 'quantity' | 'hours'> },
): string {
  if (sizeTB === 0) return 'Nothing is kept yet, so there is nothing to copy.'
  const best = fills
    .flatMap(fill =>
      fill.hours && fill.verifyHours !== null
        ? [{ way: fill.way, copy: fill.hours.likely, verify: fill.verifyHours }]
        : [],
    )
    .sort((a, b) => a.copy - b.copy)[0]
  if (!best) return 'Nothing gets through by any of these ways.'
  const compare =
    Math.abs(best.verify / best.copy - 1) < 0.05
      ? 'as long again to compare'
      : `${hours(best.verify)} more to compare`
  return (
    `${quantity(sizeTB, 'TB')} are on the machine soonest ${soonest[best.way]}: in about ` +
    `${hours(best.copy)}, and ${compare}.`
  )
}
