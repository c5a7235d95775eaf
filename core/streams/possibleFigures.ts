import { usableRateShare, hostWorkPerSession } from '../catalogue/videoEngines'
import type { Format } from '../units/format'
import { type MixClass, conditionsOf } from './engineCapacity'
import {
  type ConversionMachine,
  type Unit,
  machineTakes,
  engineTakes,
  engineShares,
  units,
  unitLabels,
} from './conversionMachine'
import { chosen, figureOf, roundedDown, quotient, workedOut } from '../expressions/expression'
import { whatConverts, whichEngines } from '../expressions/inputs/conversionInputs'
import type { Expression, Input } from '../expressions/node'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { StreamsFacts } from './streamsFacts'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import type { Figure } from '../figure'
import { notKnown } from './capacityFigures'
import type { PureFacts } from './pureCases'
import { measuredTable } from './workFigure'

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
