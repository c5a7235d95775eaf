import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  field,
  minus,
  notBelowNothing,
  product,
  quoted,
  quotient,
  rest,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Estimate, Figure } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Format } from '../units/format'
import { passiveFactor, pointsSpread } from './capacity'
import { basisOf, correctedExpression } from '../calibration/correctedExpression'
import {
  capacityCorrection,
  measuredCapacity,
  measuredSpread,
  type PlannedScore,
} from './plannedCapacity'
import { clockRuleSpread, pointsPerCoreGHz, secondThread } from './scoreFromCores'
import type { StreamsFacts, StreamsSlice } from './streamsFacts'

export const notKnown =
  'Neither a processor score nor its clock and year are entered, and no processor is chosen.'

type Capacity = Expression<DimensionsOf<'reference streams'>>
type Points = Expression<DimensionsOf<'points'>>

/** An estimate that is good to a share either way. */
const within = (likely: number, share: number): Estimate => ({
  low: likely * (1 - share),
  likely,
  high: likely * (1 + share),
})

const whichProcessor: readonly Input[] = ['machine.processor', 'machine.base', 'machine.parts']
/** Which of the ways to know the score counts. */
const whichScore: readonly Input[] = [
  'machine.score',
  'machine.sustainedGHz',
  'machine.designYear',
  ...whichProcessor,
]

/** The multi-thread score: as entered, by cores, clock and year, or the catalogue's. */
function scoreExpression(hardware: Hardware, { score, from }: PlannedScore): Points {
  switch (from) {
    case 'entered':
      return workedOut(score, 'points', { inputs: ['machine.score'] })
    case 'catalogue':
      return workedOut(score, 'points', {
        inputs: whichScore,
        after: `of ${quoted(hardware.processor?.name ?? 'the catalogue')}`,
      })
    case 'clock': {
      const { cores, sustainedGHz, designYear, coreKind, threadsPerCore } = hardware
      const each = pointsPerCoreGHz(designYear ?? 0, coreKind)
      const points = product(
        workedOut(cores, 'cores', { inputs: ['machine.cores', ...whichProcessor] }),
        field('machine.sustainedGHz', [sustainedGHz ?? 0, 'GHz']),
        workedOut(within(each, clockRuleSpread), 'points/core/GHz', {
          inputs: ['machine.designYear', 'machine.coreKind'],
          bare: true,
          after: 'points',
        }),
      )
      const threads = chosen(['machine.score', 'machine.threadsPerCore'], points)
      return threadsPerCore === 2 ? product(threads, constant(secondThread, 'factor')) : threads
    }
  }
}

/** What work or games, and services, leave of the processor. */
function leftExpression(capacity: Capacity, { usedShare, servicesLoad }: Hardware): Capacity {
  const used = workedOut(usedShare, 'share', {
    inputs: ['machine.usedHoursPerDay', 'machine.usedShare'],
    after: 'taken by work or games',
  })
  const own = usedShare > 0 ? product(capacity, rest(used)) : capacity
  const services = workedOut(servicesLoad, 'reference streams', {
    inputs: ['system.services'],
    bare: true,
    after: 'for services',
  })
  return chosen(
    ['machine.usedHoursPerDay', 'machine.usedShare', 'system.services'],
    servicesLoad > 0 ? notBelowNothing(sum(own, minus(services))) : own,
  )
}

const capacityParts = {
  id: 'streams.softwareReference',
  label: 'Processor capacity',
  unit: 'reference streams',
} as const

/** Capacity of the processor alone. */
export function capacityFigure(
  { converter: { processor: capacity }, score: known }: StreamsFacts,
  slice: StreamsSlice,
  format: Format,
): Figure {
  const measured = measuredCapacity(slice.hardware, 0)
  if (measured && capacity) return measuredFigure(measured, { capacity, known, slice }, format)
  if (capacity && known) return scoredFigure(known, { capacity, slice }, format)
  return absentFigure(notKnown, {
    ...capacityParts,
    inputs: [
      ...whichScore,
      'machine.measuredStreams',
      'choices.pointsPerStream',
      'choices.systemReserveShare',
      'machine.passivelyCooled',
      'machine.usedHoursPerDay',
      'machine.usedShare',
      'system.services',
    ],
    formula: 'score × (1 − reserve) ÷ points per stream',
  })
}

/** As a measurement of the machine found it, with the estimate beside it. */
function measuredFigure(
  measured: Estimate,
  {
    capacity,
    known,
    slice: { hardware, pointsPerStream, systemReserveShare },
  }: {
    readonly capacity: Estimate
    readonly known: PlannedScore | null
    readonly slice: StreamsSlice
  },
  format: Format,
): Figure {
  const { number: n } = format
  const by = hardware.measuredBy ? `: ${hardware.measuredBy}` : ''
  return declareFigure(
    () =>
      leftExpression(
        product(
          workedOut(measured, 'reference streams', {
            inputs: ['machine.measuredStreams', 'machine.measuredLow'],
            bare: true,
            after: 'measured',
          }),
          rest(field('choices.systemReserveShare', [systemReserveShare, 'share'])),
        ),
        hardware,
      ),
    {
      ...capacityParts,
      basis: 'measured',
      source:
        `A measurement of this machine${by}. It scatters by ${n(measuredSpread * 100)} % either ` +
        'way; whole streams that kept up are the low end.',
      ...(known
        ? {
            note:
              `The estimate beside it: ${n(known.score.likely, 3)} points, ` +
              `${n(pointsPerStream)} for each stream, make ` +
              `${n(known.score.likely / pointsPerStream, 3)} before the reserve.`,
          }
        : {}),
      // The ends are of the measurement, and go through what is left as they are.
      band: capacity,
    },
    format,
  )
}

/** By the score rule. */
function scoredFigure(
  known: PlannedScore,
  {
    capacity,
    slice: { hardware, pointsPerStream, systemReserveShare, toneMapping, workTable },
  }: { readonly capacity: Estimate; readonly slice: StreamsSlice },
  format: Format,
): Figure {
  const { number: n } = format
  const rule =
    `Score rule: about ${n(pointsPerStream)} points of the multi-thread score convert one ` +
    `1080p stream, ${n(pointsSpread * 100)} % either way.`
  const correction = capacityCorrection(hardware, {
    pointsPerStream,
    toneMapping,
    table: workTable,
  })
  const express = (): Capacity => {
    const reserve = field('choices.systemReserveShare', [systemReserveShare, 'share'])
    const score = product(scoreExpression(hardware, known), rest(reserve))
    const cooled = hardware.passivelyCooled
      ? product(score, constant(passiveFactor, 'factor', { after: 'without a fan' }))
      : score
    const perStream = workedOut(within(pointsPerStream, pointsSpread), 'points/reference stream', {
      inputs: ['choices.pointsPerStream'],
      bare: true,
      after: 'points per stream',
    })
    return chosen(
      ['machine.measuredStreams', 'machine.passivelyCooled', ...whichProcessor],
      leftExpression(correctedExpression(quotient(cooled, perStream), correction), hardware),
    )
  }
  return declareFigure(
    express,
    {
      ...capacityParts,
      ...basisOf(correction),
      source:
        known.from === 'clock'
          ? 'The score is not known: cores × sustained GHz × points per core-GHz by year of ' +
            `design, ${n(clockRuleSpread * 100)} % either way. ${rule}`
          : rule,
      band: capacity,
    },
    format,
  )
}
