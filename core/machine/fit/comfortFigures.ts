import { isInCupboard } from '../place/standsIn'
import { declareFigure } from '../../expressions/declareFigure'
import { workedOut, sum, minus, constant, chosen, field } from '../../expressions/expression'
import { traitInputs } from '../../expressions/inputs/driveInputs'
import type { Input } from '../../expressions/node'
import type { Figure } from '../../figure'
import { basisOf, correctedExpression } from '../../calibration/correctedExpression'
import { driveRiseK, processorRiseK } from '../place/heat'
import { cupboardDb } from '../place/noise'
import { type Told, built } from './fitTale'

export function noiseFigure({ facts: { context }, slice: { brief }, format }: Told): Figure {
  const { number: n } = format
  const { noise } = context
  const place: readonly Input[] = ['brief.earDistanceM', 'brief.place']
  const inputs: readonly Input[] = [
    ...built,
    ...traitInputs,
    'machine.passivelyCooled',
    'machine.bays',
    ...place,
  ]
  const heard =
    noise.sumDb === null
      ? workedOut(0, 'dB(A)', { inputs, says: 'Nothing sounds.' })
      : noise.atEarDb === 0
        ? workedOut(0, 'dB(A)', { inputs, says: 'At that distance nothing is heard.' })
        : sum(
            workedOut(noise.sumDb, 'dB(A)', { inputs, after: 'together' }),
            minus(constant(8, 'dB(A)', { bare: true })),
            minus(
              workedOut(20 * Math.log10(brief.earDistanceM), 'dB(A)', {
                inputs: ['brief.earDistanceM'],
                after: 'of the distance',
              }),
            ),
            ...(isInCupboard(brief)
              ? [minus(constant(cupboardDb, 'dB(A)', { after: 'of the cupboard' }))]
              : []),
          )
  return declareFigure(
    () => chosen(place, heard),
    {
      id: 'machine.noiseDb',
      label: 'Noise at the ear',
      unit: 'dB(A)',
      source:
        'Sounds add up as 10·log Σ 10^(L/10); the distance takes 20·log of its metres away; ' +
        `drives while they seek. The room allows ${n(noise.ceilingDb)} dB(A).`,
    },
    format,
  )
}

/** The air around the machine on the warmest day: that of the room, and what a cupboard adds. */
function warmestAir({ facts: { context }, slice: { brief } }: Told) {
  const room = field('brief.roomHighC', [brief.roomHighC, '°C'], { after: 'of the room' })
  if (context.heat.riseK <= 0) return [room]
  const rise = workedOut(context.heat.riseK, '°C', {
    inputs: [
      'brief.place',
      'brief.cupboardM2',
      'brief.cupboardVented',
      { figure: 'machine.idleW' },
      { figure: 'machine.loadW' },
      { figure: 'ownership.kWhPerYear' },
    ],
    after: 'of the closed cupboard',
  })
  return [room, rise]
}

export function processorHeatFigure(told: Told): Figure {
  const { facts, format } = told
  const { build } = facts.context
  const { number: n } = format
  const own = processorRiseK[build.passivelyCooled ? 'fanless' : 'withFan']
  return declareFigure(
    () =>
      chosen(
        ['brief.place'],
        sum(
          ...warmestAir(told),
          workedOut(own, '°C', {
            inputs: [...built, 'machine.passivelyCooled'],
            after: build.passivelyCooled ? 'without a fan' : 'with a fan',
          }),
        ),
      ),
    {
      id: 'machine.processorC',
      label: 'Processor and board on the warmest day',
      unit: '°C',
      source:
        `Planning values, idle: about ${n(processorRiseK.withFan.likely)} degrees warmer than ` +
        `the air with a fan, about ${n(processorRiseK.fanless.likely)} without. A long load ` +
        'adds to it until the processor slows itself down.',
    },
    format,
  )
}

export function heatFigure(told: Told): Figure {
  const { facts, format } = told
  const { heat } = facts.context
  const { number: n } = format
  return declareFigure(
    () =>
      chosen(
        ['brief.place'],
        sum(
          ...warmestAir(told),
          correctedExpression(
            workedOut(driveRiseK[heat.air], '°C', { inputs: built, after: 'at the drives' }),
            heat.rise,
          ),
        ),
      ),
    {
      id: 'machine.warmestDriveC',
      label: 'Drives on the warmest day',
      unit: '°C',
      ...basisOf(heat.rise),
      source:
        `Drives are ${n(driveRiseK.across)} degrees warmer than the air with a fan across them, ` +
        `${n(driveRiseK.slow)} in slow air, ${n(driveRiseK.none)} in none.`,
      ...(heat.riseK > 0
        ? {
            note: `The cupboard is warmed by ${n(heat.averageW, 3)} W on average.`,
          }
        : {}),
    },
    format,
  )
}
