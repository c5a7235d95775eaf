import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  conversion,
  field,
  figureOf,
  product,
  quotient,
  rest,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Estimate, Figure } from '../figure'
import { correctedExpression } from '../calibration/correctedExpression'
import type { Format } from '../units/format'
import { processorInputs } from './wiring'
import {
  ripping,
  smallFilesFactor,
  type Fill,
  type FillOrders,
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
/** MB/s of the slowest of what stands in a row. */
const poolInputs: readonly Input[] = [
  'drives.lots',
  'drives.outerMBps',
  'machine.base',
  'machine.parts',
  'machine.ownParts',
  ...processorInputs,
]
const rateInputs: Readonly<Record<FillWay, readonly Input[]>> = {
  home: [{ figure: 'network.homeLinkMbps' }, 'network.fillFromMBps', ...poolInputs],
  plugged: ['network.fillFromMBps', ...poolInputs],
  store: ['network.downloadMbps', ...poolInputs],
}
const limitNames: Readonly<Record<Fill['limit'], string>> = {
  source: 'the old drive',
  pool: 'the pool',
  enclosure: 'the enclosure',
  controller: 'the controller',
  processor: 'the processor',
  'home network': 'the home network',
  USB: 'the USB',
  'internet line': 'the internet line',
  cap: 'the daily cap',
}

/** Hours of a way, as the sum of plain and small files, or under its daily cap. */
function fillHours(
  { way, rateMBps, limit, hours }: Fill & { readonly hours: Estimate },
  { sizeTB, smallShare, capGBPerDay, copying, smallFiles }: FillQuestion,
  { number: n }: Format,
): Expression<DimensionsOf<'h'>> {
  const size = figureOf('library.contentTB', [sizeTB, 'TB'])
  if (limit === 'cap' && capGBPerDay !== null)
    return workedOut(hours, 'h', {
      inputs: [{ figure: 'library.contentTB' }, 'network.downloadCapGBPerDay', ...rateInputs[way]],
      says: `${n(sizeTB, 3)} TB at ${n(capGBPerDay)} GB a day, the last of them at full rate`,
    })
  const measured = way === 'home' ? copying : null
  const small = field('network.smallFilesShare', [smallShare, 'share'])
  const bytes = product(size, conversion(1e6, 'MB/TB'))
  const times = sum(
    rest(small),
    product(small, correctedExpression(constant(smallFilesFactor, 'factor'), smallFiles)),
  )
  return quotient(
    quotient(
      smallShare > 0 ? product(bytes, times) : chosen(['network.smallFilesShare'], bytes),
      correctedExpression(
        workedOut(rateMBps / (measured?.factor.likely ?? 1), 'MB/s', { inputs: rateInputs[way] }),
        measured,
      ),
    ),
    conversion(3600, 's/h'),
  )
}

/** Every way and the ripping as figures with their working. */
export function fillFigures(
  fills: readonly Fill[],
  {
    question,
    ripping: rip,
    format,
  }: { readonly question: FillQuestion; readonly ripping: Ripping; readonly format: Format },
): Figure[] {
  const { number: n, hours: told } = format
  const ways = fills.map((fill): Figure => {
    const { way, limit, hours, verifyHours } = fill
    const parts = { id: `network.fill.${way}`, label: fillLabels[way], unit: 'h' } as const
    if (!hours || verifyHours === null)
      return absentFigure('Nothing gets through.', {
        ...parts,
        inputs: [{ figure: 'library.contentTB' }, ...rateInputs[way]],
        formula: 'size ÷ rate',
      })
    return declareFigure(
      () => fillHours({ ...fill, hours }, question, format),
      {
        ...parts,
        note:
          `The limit is ${limitNames[limit]}. Comparing takes ${told(verifyHours)} more.` +
          (question.smallShare > 0 && limit !== 'cap'
            ? ` The ${n(question.smallShare * 100)} % in small files take ` +
              `${n((question.smallFiles?.corrected ?? smallFilesFactor).likely, 3)} times as long.`
            : ''),
      },
      format,
    )
  })
  const { rounds, benchHours, days } = ripping(rip)
  return [
    ...ways,
    declareFigure(
      () =>
        workedOut(benchHours, 'h', {
          inputs: [
            'network.ripDiscs',
            'network.ripMinutes',
            'network.ripDrives',
            'network.ripHoursPerDay',
          ],
          says:
            `${n(rip.discs)} discs in ${n(rounds)} ${rounds === 1 ? 'round' : 'rounds'} of ` +
            `${n(rip.minutesEach)} min`,
        }),
      {
        id: 'network.fill.ripping',
        label: fillLabels.ripping,
        unit: 'h',
        note: `That is ${days === 1 ? '1 day' : `${n(days)} days`} at ${n(rip.hoursPerDay)} h a day.`,
      },
      format,
    ),
  ]
}

/** Both orders in which a pool with parity is filled, as figures. */
export function orderFigures(
  { way, copyFirst, buildFirst }: FillOrders,
  { writesKept }: { readonly writesKept: number },
  format: Format,
): Figure[] {
  const inputs: readonly Input[] = [
    { figure: 'library.contentTB' },
    { figure: 'drives.firstBuildHours' },
    'network.smallFilesShare',
    ...rateInputs[way],
  ]
  const figure = (hours: Estimate, parts: Pick<Figure, 'id' | 'label' | 'note'>) =>
    declareFigure(
      () =>
        workedOut(hours, 'h', {
          inputs,
          says: `${soonest[way]}, and the first build of parity`,
        }),
      { ...parts, unit: 'h' },
      format,
    )
  return [
    figure(copyFirst, {
      id: 'network.fill.copyFirst',
      label: 'Copy first, build parity after',
      note: 'Nothing is protected until the end.',
    }),
    figure(buildFirst, {
      id: 'network.fill.buildFirst',
      label: 'Build parity first, then copy',
      note:
        'What is copied is protected from the first file on.' +
        (writesKept < 1
          ? ` Each write writes parity too: the pool keeps ${format.share(writesKept)} of its rate.`
          : ''),
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
