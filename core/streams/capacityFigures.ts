import { mapEstimate } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { VideoCodec } from '../catalogue/qualities'
import { exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Choices } from '../plan/choices'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { engineShares, engineTakes, likelyEnds, machineTakes, softwareTakes, toneMapWorkOf, unitLabels, units, type ConversionMachine, type Unit } from './conversionMachine'
import { mixCapacityBand, type MixClass } from './engineCapacity'
import { measuredCapacity, plannedScore } from './plannedCapacity'
import { softwareWork } from './softwareWork'
import { measuredTable } from './workFigure'

/** Cases that people ask for by name: all conversions of one kind. */
export const pureCases: readonly { readonly id: string, readonly label: string, readonly codec: VideoCodec, readonly pictureSize: number, readonly bitrateMbps: number, readonly hdr: boolean }[] = [
  { id: 'streams.hd1080', label: 'Only 1080p H.264', codec: 'h264', pictureSize: 1, bitrateMbps: 8, hdr: false },
  { id: 'streams.hevc1080', label: 'Only 1080p HEVC', codec: 'hevc8', pictureSize: 1, bitrateMbps: 4.8, hdr: false },
  { id: 'streams.uhdToneMapped', label: 'Only 2160p HDR to 1080p', codec: 'hevc10', pictureSize: 4, bitrateMbps: 25, hdr: true },
]

/** All conversions of one kind, each to 1080p. */
export function pureClass({ workTable }: Pick<Catalogue, 'workTable'>, { toneMapping }: Pick<Choices, 'toneMapping'>, codec: VideoCodec, pictureSize: number, bitrateMbps: number, highDynamicRange: boolean): MixClass {
  const task = { source: { codec, pictureSize, bitrateMbps, highDynamicRange }, outputSize: 1, toneMapping }
  return { task, work: softwareWork(workTable, task).likely, share: 1 }
}

/** An estimate as a factor around its likely value. */
export function spreadOf({ low, likely, high }: Estimate): Estimate {
  return likely > 0 ? { low: low / likely, likely: 1, high: high / likely } : exactly(1)
}

const notKnown = 'The processor score is not entered yet, nor its clock and year.'
const engineRule = 'For every unit of the engine, pixels a second ÷ its rate may take 85 %; sessions, memory and the work left to the processor besides. Rates are planning values, 40 % either way.'

/** Capacity of the processor alone. */
export function capacityFigure(machine: Machine, choices: Choices, capacity: Estimate | null): Figure {
  const known = plannedScore(machine)
  const parts = { id: 'streams.softwareReference', label: 'Processor capacity', unit: 'reference streams' }
  if (measuredCapacity(machine, choices.systemReserveShare) && capacity) {
    return figure(capacity, {
      ...parts, basis: 'measured', inputs: ['machine.measuredStreams', 'machine.measuredLow', 'choices.systemReserveShare'],
      formula: `${n(machine.measuredStreams ?? 0, 3)} measured × (1 − ${n(choices.systemReserveShare)}) = ${n(capacity.likely, 3)}`,
      source: `A bench of this machine${machine.measuredBy ? `: ${machine.measuredBy}` : ''}. It scatters by a tenth either way; whole streams that kept up are the low end.`,
      ...(known ? { note: `The estimate beside it: ${known.formula} ÷ ${n(choices.pointsPerStream)} points a stream = ${n(known.score.likely / choices.pointsPerStream, 3)} before the reserve.` } : {}),
    })
  }
  const rest = ['choices.pointsPerStream', 'choices.systemReserveShare', 'machine.passivelyCooled']
  if (!capacity || !known) return noFigure(notKnown, { ...parts, inputs: ['machine.score', 'machine.sustainedGHz', 'machine.designYear', ...rest], formula: 'score × (1 − reserve) ÷ points a stream' })
  return figure(capacity, {
    ...parts, inputs: [...known.inputs, ...rest], source: known.source,
    formula: `${known.formula}${known.inputs.length > 1 ? `; × (1 − ${n(choices.systemReserveShare)})` : ` × (1 − ${n(choices.systemReserveShare)})`}${machine.passivelyCooled ? ' × 0.8 without a fan' : ''} ÷ ${n(choices.pointsPerStream)} = ${n(capacity.likely, 3)}`,
  })
}

const machineInputs = ['machine.engine', 'machine.cards', 'machine.oneEngineAtATime', 'machine.memoryGB', 'choices.hardwareConversion', 'choices.fallbackShare']

/** What one conversion of a mix takes of each unit, as a sentence with its numbers; only the first engine is spelled out. */
function needsText(mix: readonly MixClass[], machine: ConversionMachine): string {
  const engine = machine.engines[0]
  if (!engine) return ''
  const sums: Partial<Record<Unit, number>> = {}
  let total = 0
  for (const { task, work, share } of mix) {
    if (!machineTakes(task, work, machine)) continue
    total += share
    const onEngine = engineTakes(task, engine) ? engineShares(task, engine, toneMapWorkOf(task, machine.table), likelyEnds, machine.systemMemoryMB) : null
    const there = onEngine ? 1 - machine.fallbackShare : 0
    for (const unit of units) {
      const need = unit === 'processor' ? (there * (onEngine?.hostWork ?? 0) + (1 - there) * work) / (machine.processor?.likely ?? Infinity) : there * (onEngine?.[unit] ?? 0)
      if (need > 0) sums[unit] = (sums[unit] ?? 0) + need * share
    }
  }
  if (total === 0) return ''
  return units.flatMap(unit => sums[unit] ? [`${unitLabels[unit].replace('the engine\'s ', '').replace('the ', '')} ${n(sums[unit] / total * 100, 2)} %`] : []).join(', ')
}

/** Conversions at once of the household's mix, with the unit that binds. */
export function possibleFigure(mix: readonly MixClass[], machine: ConversionMachine, found: { readonly conversions: Estimate, readonly binds: Unit } | null, work: Estimate): Figure {
  const parts = {
    id: 'streams.possible', label: 'Conversions possible', unit: 'conversions', inputs: ['streams.softwareReference', 'streams.workPerConversion', ...machineInputs],
    source: machine.engines.length ? engineRule : 'Capacity of the processor ÷ mean work of a conversion.',
  }
  if (!machine.processor) return noFigure(notKnown, { ...parts, formula: 'capacity ÷ work of one conversion, rounded down' })
  if (!found) return figure(0, { ...parts, formula: 'no kind of conversion in the mix can be done in real time', note: 'Each of them is too slow for the processor, and no engine takes it.' })
  const { conversions, binds } = found
  const whole = mapEstimate(conversions, value => Math.floor(value + 1e-9))
  return figure(whole, {
    ...parts,
    formula: machine.engines.length
      ? `one takes ${needsText(mix, machine)}${machine.engines.length > 1 ? ` of ${machine.engines[0]!.label}; ${machine.engines.length} engines share the mix` : ''}; the fullest binds: ${n(conversions.likely, 3)}, whole: ${whole.likely}`
      : `${n(machine.processor.likely, 3)} ÷ ${n(work.likely, 3)} = ${n(conversions.likely, 3)}, whole: ${whole.likely}`,
    note: machine.engines.length
      ? `${upper(unitLabels[binds])} binds. On ${machine.engines.map(engine => engine.label).join(' and ')}${machine.fallbackShare > 0 ? `; ${n(machine.fallbackShare * 100, 2)} % end in software` : ''}.`
      : 'Converted in software on the processor: its threads bind. A video engine would add to it.',
  })
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** Conversions at once if all were of one kind. */
export function pureFigure({ id, label }: { readonly id: string, readonly label: string }, only: MixClass, machine: ConversionMachine, work: Estimate): Figure {
  const parts = { id, label, unit: 'conversions', inputs: ['streams.softwareReference', 'machine.cores', 'choices.toneMapping', ...machineInputs], source: machine.engines.length ? engineRule : measuredTable }
  if (!machine.processor) return noFigure(notKnown, { ...parts, formula: 'capacity ÷ work, rounded down' })
  const onEngine = machine.engines.some(engine => engineTakes(only.task, engine))
  if (!onEngine && !softwareTakes(work.likely, machine)) {
    const lowEnd = softwareTakes(work.low, { ...machine, processor: { ...machine.processor, likely: machine.processor.high } }) ? mixCapacityBand([only], { ...machine, processor: exactly(machine.processor.high) }, exactly(1))?.conversions.likely ?? 0 : 0
    return figure({ low: 0, likely: 0, high: Math.floor(lowEnd) }, {
      ...parts, formula: `one alone needs ${n(work.likely, 3)} reference streams, more than one alone can use of ${n(machine.processor.likely, 3)} with ${machine.cores} cores: not in real time`,
    })
  }
  const found = mixCapacityBand([only], machine, spreadOf(work))
  const conversions = found?.conversions ?? exactly(0)
  return figure(mapEstimate(conversions, value => Math.floor(value + 1e-9)), {
    ...parts,
    formula: onEngine
      ? `one takes ${needsText([only], machine)}; the fullest binds: ${n(conversions.likely, 3)}, rounded down`
      : `${n(machine.processor.likely, 3)} ÷ ${n(work.likely, 3)} = ${n(conversions.likely, 3)}, rounded down`,
    ...(found ? { note: `${upper(unitLabels[found.binds])} binds.` } : {}),
  })
}
