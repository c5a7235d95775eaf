import { hostWorkPerSession, usableRateShare } from '../catalogue/videoEngines'
import { figure, noFigure, type Figure } from '../figure'
import type { Hardware } from '../machine/hardware'
import type { Format } from '../units/format'
import { passiveFactor, pointsSpread } from './capacity'
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
import { measuredSpread, plannedScore } from './plannedCapacity'
import type { PureFacts } from './pureCases'
import { clockRuleSpread, pointsPerCoreGHz, secondThread } from './scoreFromCores'
import type { StreamsFacts, StreamsSlice } from './streamsFacts'
import { measuredTable } from './workFigure'

const notKnown =
  'Neither a processor score nor its clock and year are entered, and no processor is chosen.'

function engineRule({ number: n }: Format): string {
  return (
    'For every unit of the engine, pixels a second ÷ its rate may take ' +
    `${n(usableRateShare * 100)} %; sessions, memory and the work left to the processor ` +
    `(${n(hostWorkPerSession.likely)} a stream) besides. Rates are planning values, 40 % ` +
    'either way.'
  )
}

function scoreText(
  { score, cores, sustainedGHz, designYear, coreKind, threadsPerCore, processor }: Hardware,
  from: 'entered' | 'clock' | 'catalogue',
  { format: { number: n }, points }: { readonly format: Format; readonly points: number },
): string {
  if (from === 'entered') return `${n(score ?? points)} points`
  if (from === 'catalogue') return `${n(points)} points (${processor?.name ?? 'catalogue'})`
  return (
    `${cores} cores × ${n(sustainedGHz ?? 0)} GHz × ` +
    `${n(pointsPerCoreGHz(designYear ?? 0, coreKind), 3)} ` +
    `points${threadsPerCore === 2 ? ` × ${n(secondThread)}` : ''} = ${n(points, 3)} points`
  )
}

/** Capacity of the processor alone. */
export function capacityFigure(
  { converter: { processor: capacity }, score: known }: StreamsFacts,
  { hardware, pointsPerStream, systemReserveShare }: StreamsSlice,
  format: Format,
): Figure {
  const { number: n } = format
  const parts = {
    id: 'streams.softwareReference',
    label: 'Processor capacity',
    unit: 'reference streams',
  }
  const fields = {
    entered: ['machine.score'],
    clock: [
      'machine.cores',
      'machine.sustainedGHz',
      'machine.designYear',
      'machine.coreKind',
      'machine.threadsPerCore',
    ],
    catalogue: ['machine.processor', 'machine.base', 'machine.parts'],
  }
  const used =
    hardware.usedShare > 0 ? ` × (1 − ${n(hardware.usedShare)} taken by work or games)` : ''
  const services = `${used}${hardware.servicesLoad > 0 ? ` − ${n(hardware.servicesLoad)} for services` : ''}`
  const text = known && scoreText(hardware, known.from, { format, points: known.score.likely })
  if (hardware.measuredStreams !== null && hardware.measuredStreams > 0 && capacity) {
    return figure(capacity, {
      ...parts,
      basis: 'measured',
      inputs: [
        'machine.measuredStreams',
        'machine.measuredLow',
        'choices.systemReserveShare',
        'machine.usedHoursPerDay',
        'machine.usedShare',
        'system.services',
      ],
      formula:
        `${n(hardware.measuredStreams, 3)} measured × (1 − ` +
        `${n(systemReserveShare)})${services} = ${n(capacity.likely, 3)}`,
      source:
        'A measurement of this ' +
        `machine${hardware.measuredBy ? `: ${hardware.measuredBy}` : ''}. It scatters by ` +
        `${n(measuredSpread * 100)} % either way; whole streams that kept up are the low end.`,
      ...(known && text
        ? {
            note:
              `The estimate beside it: ${text} ÷ ${n(pointsPerStream)} points per stream = ` +
              `${n(known.score.likely / pointsPerStream, 3)} before the reserve.`,
          }
        : {}),
    })
  }
  const rest = [
    'choices.pointsPerStream',
    'choices.systemReserveShare',
    'machine.passivelyCooled',
    'machine.usedHoursPerDay',
    'machine.usedShare',
    'system.services',
  ]
  if (!capacity || !known || !text)
    return noFigure(notKnown, {
      ...parts,
      inputs: [
        'machine.score',
        'machine.sustainedGHz',
        'machine.designYear',
        'machine.processor',
        ...rest,
      ],
      formula: 'score × (1 − reserve) ÷ points per stream',
    })
  const rule =
    `Score rule: about ${n(pointsPerStream)} points of the multi-thread score convert one ` +
    `1080p stream, ${n(pointsSpread * 100)} % either way.`
  return figure(capacity, {
    ...parts,
    inputs: [...fields[known.from], ...rest],
    source:
      known.from === 'clock'
        ? 'The score is not known: cores × sustained GHz × points per core-GHz by year of ' +
          `design, ${n(clockRuleSpread * 100)} % either way. ${rule}`
        : rule,
    formula:
      `${text}${known.from === 'clock' ? '; ' : ' '}× (1 − ` +
      `${n(systemReserveShare)})${hardware.passivelyCooled ? ` × ${n(passiveFactor)} without a fan` : ''} ` +
      `÷ ${n(pointsPerStream)}${services} = ${n(capacity.likely, 3)}`,
  })
}

const machineInputs = [
  'machine.engine',
  'machine.parts',
  'machine.base',
  'machine.processor',
  'machine.oneEngineAtATime',
  'machine.usedEngineToo',
  'machine.memoryGB',
  'choices.hardwareConversion',
  'choices.fallbackShare',
]

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

/** Conversions at once of the household's mix, with the unit that binds. */
export function possibleFigure(
  { ownMix, converter, capacity, possible, work, stuckShare }: StreamsFacts,
  format: Format,
): Figure {
  const { number: n } = format
  const { engines, processor, fallbackShare } = converter
  const parts = {
    id: 'streams.possible',
    label: 'Conversions possible',
    unit: 'conversions',
    inputs: ['streams.softwareReference', 'streams.workPerConversion', ...machineInputs],
    source: engines.length
      ? engineRule(format)
      : 'Capacity of the processor ÷ mean work of a conversion.',
  }
  if (!processor || !possible)
    return noFigure(notKnown, {
      ...parts,
      formula: 'capacity ÷ work of one conversion, rounded down',
    })
  if (!capacity)
    return figure(possible, {
      ...parts,
      formula: 'no kind of conversion in the mix can be done in real time = 0',
      note: 'Each of them is too slow for the processor, and no engine takes it.',
    })
  const { conversions, binds } = capacity
  const left =
    stuckShare > 0
      ? ` ${n(stuckShare * 100, 2)} % of the mix is too slow for this machine and is left ` +
        'out here; it counts as short.'
      : ''
  return figure(possible, {
    ...parts,
    formula: engines.length
      ? 'one takes ' +
        `${needsText(ownMix, converter, format)}${engines.length > 1 ? ` of ${engines[0]!.label}; ${engines.length} engines share the mix` : ''}; ` +
        `the fullest is the limit: ${n(conversions.likely, 3)}, whole: ${possible.likely}`
      : `${n(processor.likely, 3)} ÷ ${n(work.likely, 3)} = ${n(conversions.likely, 3)}, ` +
        `whole: ${possible.likely}`,
    note:
      (engines.length
        ? `${upper(unitLabels[binds])} is the limit. On ` +
          `${engines.map(engine => engine.label).join(' and ')}${fallbackShare > 0 ? `; ${n(fallbackShare * 100, 2)} % run in software` : ''}.`
        : 'Converted in software on the processor, which is the limit. A video engine would ' +
          'add to it.') + left,
  })
}

/** Conversions at once if all were of one kind. */
export function pureFigure(
  { pure: { id, label }, only, work, whole, conversions, binds, onEngine, tooSlow }: PureFacts,
  machine: ConversionMachine,
  format: Format,
): Figure {
  const { number: n } = format
  const parts = {
    id,
    label,
    unit: 'conversions',
    inputs: ['streams.softwareReference', 'machine.cores', 'choices.toneMapping', ...machineInputs],
    source: machine.engines.length ? engineRule(format) : measuredTable,
  }
  if (!whole || !machine.processor)
    return noFigure(notKnown, { ...parts, formula: 'capacity ÷ work, rounded down' })
  const capacity = n(machine.processor.likely, 3)
  const formula = tooSlow
    ? `one alone needs ${n(work.likely, 3)} reference streams, more than one alone can use ` +
      `of ${capacity} with ${machine.cores} cores: not in real time`
    : onEngine
      ? `one takes ${needsText([only], machine, format)}; the fullest is the limit: ` +
        `${n(conversions, 3)}, rounded down`
      : `${capacity} ÷ ${n(work.likely, 3)} = ${n(conversions, 3)}, rounded down`
  return figure(whole, {
    ...parts,
    formula,
    ...(binds ? { note: `${upper(unitLabels[binds])} is the limit.` } : {}),
  })
}

/** What is known of the score, for those who show it beside a field. */
export function knownScore(hardware: Hardware): number | null {
  return plannedScore(hardware)?.score.likely ?? null
}
