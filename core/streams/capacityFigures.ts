import { hostWorkPerSession, usableRateShare } from '../catalogue/videoEngines'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  field,
  figureOf,
  minus,
  notBelowNothing,
  product,
  quoted,
  quotient,
  rest,
  roundedDown,
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
import { whatConverts, whichEngines } from '../expressions/inputs/conversionInputs'
import {
  engineShares,
  engineTakes,
  machineTakes,
  unitLabels,
  units,
  type ConversionMachine,
  type Unit,
} from './conversionMachine'
import { conditionsOf, type MixClass } from './engineCapacity'
import { measuredCapacity, measuredSpread, type PlannedScore } from './plannedCapacity'
import type { PureFacts } from './pureCases'
import { clockRuleSpread, pointsPerCoreGHz, secondThread } from './scoreFromCores'
import type { StreamsFacts, StreamsSlice } from './streamsFacts'
import { measuredTable } from './workFigure'

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
    slice: { hardware, pointsPerStream, systemReserveShare },
  }: { readonly capacity: Estimate; readonly slice: StreamsSlice },
  format: Format,
): Figure {
  const { number: n } = format
  const rule =
    `Score rule: about ${n(pointsPerStream)} points of the multi-thread score convert one ` +
    `1080p stream, ${n(pointsSpread * 100)} % either way.`
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
      leftExpression(quotient(cooled, perStream), hardware),
    )
  }
  return declareFigure(
    express,
    {
      ...capacityParts,
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

function engineRule({ number: n }: Format): string {
  return (
    'For every unit of the engine, pixels a second ÷ its rate may take ' +
    `${n(usableRateShare * 100)} %; sessions, memory and the work left to the processor ` +
    `(${n(hostWorkPerSession.likely)} a stream) besides. Rates are planning values, 40 % ` +
    'either way.'
  )
}

/**
 * What one conversion of a mix takes of each unit, as a sentence with its numbers; only the first
 * engine is spelled out.
 */
function needsText(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  { number: n }: Format,
): string {
  const engine = machine.engines[0]
  if (!engine) return ''
  const sums: Partial<Record<Unit, number>> = {}
  let total = 0
  for (const { task, work, share } of mix) {
    if (!machineTakes(task, work, machine)) continue
    total += share
    const onEngine = engineTakes(task, engine)
      ? engineShares(task, engine, conditionsOf(task, machine))
      : null
    const there = onEngine ? 1 - machine.fallbackShare : 0
    for (const unit of units) {
      const need =
        unit === 'processor'
          ? (there * (onEngine?.hostWork ?? 0) + (1 - there) * work) /
            (machine.processor?.likely ?? Infinity)
          : there * (onEngine?.[unit] ?? 0)
      if (need > 0) sums[unit] = (sums[unit] ?? 0) + need * share
    }
  }
  if (total === 0) return ''
  return units
    .flatMap(unit =>
      sums[unit]
        ? [
            `${unitLabels[unit].replace("the engine's ", '').replace('the ', '')} ` +
              `${n((sums[unit] / total) * 100, 2)} %`,
          ]
        : [],
    )
    .join(', ')
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** Mean work of the conversions that the machine takes: those it is too slow for are left out. */
function workTaken({
  mix,
  ownMix,
  work,
  converter,
}: StreamsFacts): Expression<DimensionsOf<'reference streams/conversion'>> {
  const taken = ownMix.filter(part => machineTakes(part.task, part.work, converter))
  if (mix.length === 0 || taken.length === ownMix.length)
    return figureOf('streams.workPerConversion', [work, 'reference streams/conversion'], {
      bare: true,
    })
  const shares = taken.reduce((all, { share }) => all + share, 0)
  const mean = taken.reduce((all, part) => all + part.share * part.work, 0) / shares
  const spread = (end: number) => (work.likely > 0 ? (mean * end) / work.likely : mean)
  return workedOut(
    { low: spread(work.low), likely: mean, high: spread(work.high) },
    'reference streams/conversion',
    {
      inputs: [{ figure: 'streams.workPerConversion' }, ...whatConverts],
      bare: true,
      after: 'of those that it is quick enough for',
    },
  )
}

/** Conversions at once of the household's mix, with the limit named. */
export function possibleFigure(facts: StreamsFacts, format: Format): Figure {
  const { ownMix, converter, capacity, possible, stuckShare } = facts
  const { number: n } = format
  const { engines, processor, fallbackShare } = converter
  const inputs: readonly Input[] = [
    { figure: 'streams.softwareReference' },
    { figure: 'streams.workPerConversion' },
    'machine.cores',
    ...whichEngines,
  ]
  const parts = {
    id: 'streams.possible',
    label: 'Conversions possible',
    unit: 'conversions',
    source: engines.length
      ? engineRule(format)
      : 'Capacity of the processor ÷ mean work of a conversion.',
  } as const
  if (!processor || !possible)
    return absentFigure(notKnown, {
      ...parts,
      inputs,
      formula: 'capacity ÷ work of one conversion, rounded down',
    })
  if (!capacity)
    return declareFigure(
      () =>
        workedOut(possible, 'conversions', {
          inputs,
          says: 'No kind of conversion in the mix can be done in real time, so it is 0.',
        }),
      { ...parts, note: 'Each of them is too slow for the processor, and no engine takes it.' },
      format,
    )
  const { conversions, binds } = capacity
  const left =
    stuckShare > 0
      ? ` ${n(stuckShare * 100, 2)} % of the mix is too slow for this machine and is left ` +
        'out here; it counts as short.'
      : ''
  const which =
    engines.length > 1 ? ` of ${engines[0]!.label}; ${engines.length} engines share the mix` : ''
  const onEngines = workedOut(possible, 'conversions', {
    inputs,
    says:
      `one takes ${needsText(ownMix, converter, format)}${which}; the fullest is the limit: ` +
      `${n(conversions.likely, 3)}, rounded down: ${possible.likely}`,
  })
  const inSoftware = chosen(
    inputs,
    roundedDown(
      quotient(
        figureOf('streams.softwareReference', [processor, 'reference streams'], { bare: true }),
        workTaken(facts),
      ),
    ),
  )
  const software = fallbackShare > 0 ? `; ${n(fallbackShare * 100, 2)} % run in software` : ''
  return declareFigure(
    () => (engines.length ? onEngines : inSoftware),
    {
      ...parts,
      note:
        (engines.length
          ? `${upper(unitLabels[binds])} is the limit. On ` +
            `${engines.map(engine => engine.label).join(' and ')}${software}.`
          : 'Converted in software on the processor, which is the limit. A video engine would ' +
            'add to it.') + left,
      band: possible,
    },
    format,
  )
}

/** Conversions at once if all were of one kind. */
export function pureFigure(
  { pure: { id, label }, only, work, whole, conversions, binds, onEngine, tooSlow }: PureFacts,
  machine: ConversionMachine,
  format: Format,
): Figure {
  const { number: n } = format
  const inputs: readonly Input[] = [
    { figure: 'streams.softwareReference' },
    'machine.cores',
    'choices.toneMapping',
    ...whichEngines,
  ]
  const parts = {
    id,
    label,
    unit: 'conversions',
    source: machine.engines.length ? engineRule(format) : measuredTable,
  } as const
  if (!whole || !machine.processor)
    return absentFigure(notKnown, { ...parts, inputs, formula: 'capacity ÷ work, rounded down' })
  const processor = machine.processor
  const expression = (): Expression<DimensionsOf<'conversions'>> => {
    if (tooSlow)
      return workedOut(whole, 'conversions', {
        inputs,
        says:
          `one alone needs ${n(work.likely, 3)} reference streams, more than one alone can use ` +
          `of ${n(processor.likely, 3)} with ${machine.cores} cores: not in real time`,
      })
    if (onEngine)
      return workedOut(whole, 'conversions', {
        inputs,
        says:
          `one takes ${needsText([only], machine, format)}; the fullest is the limit: ` +
          `${n(conversions, 3)}, rounded down: ${whole.likely}`,
      })
    return chosen(
      inputs,
      roundedDown(
        quotient(
          figureOf('streams.softwareReference', [processor, 'reference streams'], { bare: true }),
          workedOut(work, 'reference streams/conversion', {
            inputs: ['choices.toneMapping'],
            bare: true,
          }),
        ),
      ),
    )
  }
  return declareFigure(
    () => expression(),
    {
      ...parts,
      ...(binds ? { note: `${upper(unitLabels[binds])} is the limit.` } : {}),
      band: whole,
    },
    format,
  )
}
