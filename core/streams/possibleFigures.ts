import { usableRateShare, hostWorkPerSession } from '../catalogue/videoEngines'
import type { Format } from '../units/format'
import { isOfOneKind, mixNeeds, type MixClass } from './engineCapacity'
import type { ConversionMachine } from './conversionMachine'
import { units, unitLabels } from './engineShares'
import {
  chosen,
  constant,
  figureOf,
  roundedDown,
  quotient,
  workedOut,
} from '../expressions/expression'
import { whichEngines } from '../expressions/inputs/conversionInputs'
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

/** How a mix is converted on engines, with the number that comes of it. */
function onEnginesText(
  mix: readonly MixClass[],
  machine: ConversionMachine,
  { number: n }: Format,
): string {
  const { engines, processor } = machine
  if (!isOfOneKind(machine))
    return (
      `each conversion on one of ${engines.map(({ label }) => label).join(' and ')}, shared ` +
      'between them so that the most run at once, with ' +
      `${n(processor?.likely ?? 0, 3)} reference streams for what is left to the processor`
    )
  const needs = mixNeeds(mix, machine)
  const each = units.flatMap(unit =>
    needs.has(unit)
      ? [
          `${unitLabels[unit].replace("the engine's ", '').replace('the ', '')} ` +
            `${n(needs.get(unit)! * 100, 2)} %`,
        ]
      : [],
  )
  const which = engines.length > 1 ? ` of all ${engines.length} together` : ''
  return `one takes ${each.join(', ')}${which}; the fullest is the limit`
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
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
    source:
      `${engines.length ? engineRule(format) : 'Capacity of the processor ÷ mean work of a conversion.'} ` +
      'The range swings the processor, the work and, on engines, their rates, session limits and ' +
      'host work to their ends one at a time, adds the swings by the root of the sum of squares ' +
      'in logarithms, and is rounded down last.',
  } as const
  if (!processor || !possible)
    return absentFigure(notKnown, {
      ...parts,
      inputs,
      formula: 'capacity ÷ work of one conversion, rounded down',
    })
  if (!capacity) return absentFigure(notKnown, { ...parts, inputs, formula: 'capacity ÷ work' })
  const { conversions, binds } = capacity
  const left =
    stuckShare > 0
      ? ` The machine is too slow for ${n(stuckShare * 100, 2)} % of the mix, which counts here ` +
        'with the work that it would take, and as short.'
      : ''
  const onEngines = workedOut(possible, 'conversions', {
    inputs,
    says:
      `${onEnginesText(ownMix, converter, format)}: ${n(conversions.likely, 3)}, rounded down: ` +
      `${possible.likely}`,
  })
  const inSoftware = chosen(
    inputs,
    roundedDown(
      quotient(
        figureOf('streams.softwareReference', [processor, 'reference streams'], { bare: true }),
        facts.keepsVideo || facts.mix.length > 0
          ? figureOf('streams.workPerConversion', [facts.work, 'reference streams/conversion'], {
              bare: true,
            })
          : constant(1, 'reference streams/conversion', { after: 'of a plain 1080p stream' }),
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
          `${onEnginesText([only], machine, format)}: ${n(conversions, 3)}, rounded down: ` +
          `${whole.likely}`,
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
