import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  chosen,
  constant,
  largest,
  minus,
  product,
  quotient,
  sum,
  thatFigure,
  workedOut,
  type Input,
} from '../../expressions/expression'
import { mapEstimate } from '../../band'
import type { Figure } from '../../figure'
import { whatConverts, whichEngines } from '../../expressions/inputs/conversionInputs'
import { basisOf, correctedExpression } from '../../calibration/correctedExpression'
import type { Format } from '../../units/format'
import { guestGB, memoryUses, wantedFactor, type MemoryNeed } from '../memory/memoryNeed'
import { usualSurge } from '../../drives/surge'
import { maxShareOfRating, worstGroup } from '../power/startSurge'
import type { FitFacts } from './fitFacts'
import type { FitSlice } from './fitSlice'
import { heatFigure, noiseFigure, processorHeatFigure } from './comfortFigures'
import { startTimeFigure } from './startTimeFigure'
import { built, type Told } from './fitTale'

/** What its watts follow from, where they are entered. */
const watts: readonly Input[] = [
  ...built,
  'machine.bays',
  'machine.boxIdleW',
  'machine.boxLoadW',
  'brief.mainsVolts',
  'system.kind',
  'system.ownKinds',
]

const startInputs: readonly Input[] = [...watts, 'machine.startTogether']

/** The figures of fit: ports, start, supply, memory, noise and heat. */
export function fitFigures(facts: FitFacts, slice: FitSlice, format: Format): Figure[] {
  const told = { facts, slice, format }
  return [
    portsFigure(told),
    ...supplyFigures(told),
    memoryFigure(facts.context.memory, format),
    noiseFigure(told),
    heatFigure(told),
    processorHeatFigure(told),
    startTimeFigure(told),
  ]
}

function portsFigure({ facts: { context }, format }: Told): Figure {
  const parts = { id: 'machine.freePorts', label: 'Free data ports', unit: 'ports' } as const
  if (!context.board)
    return absentFigure('The board is not known, so its ports are not either.', {
      ...parts,
      inputs: built,
      formula: 'ports − drives and SSDs',
    })
  const used =
    context.otherPorts +
    Math.max(0, context.drives.count - context.drives.nvme - context.enclosedDrives)
  return declareFigure(
    () =>
      sum(
        workedOut(context.boardPorts, 'ports', { inputs: built, after: 'on the board' }),
        workedOut(context.controllerPorts, 'ports', { inputs: built, after: 'on cards' }),
        // Drives that hang in enclosures, because bays are full, need none.
        minus(workedOut(used, 'ports', { inputs: [...built, 'machine.bays'], after: 'in use' })),
      ),
    {
      ...parts,
      note: 'Ports that are switched off by something else on the board are not counted.',
    },
    format,
  )
}

/** What the start takes, what everything at work takes, and the supply that carries both. */
function supplyFigures({ facts: { context }, format }: Told): Figure[] {
  const { number: n } = format
  const { start, supply, power, runningW, besideLoadW } = context
  const startingDrives = Math.min(start.surges.length, start.together)
  const group = worstGroup(start)
  const ofDrives = {
    inputs: [...startInputs, 'drives.lots', 'drives.driveClass'],
    after: startingDrives === 1 ? 'of the drive that starts' : 'of the drives that start together',
  } as const
  const waiting = workedOut(start.surges.length - startingDrives, 'drives', { inputs: startInputs })
  const surge = declareFigure(
    () =>
      correctedExpression(
        sum(
          workedOut(group.watts, 'W', ofDrives),
          product(waiting, workedOut(start.idleEachW, 'W/drive', { inputs: built })),
          workedOut(start.restW, 'W', { inputs: watts, after: 'of the rest' }),
        ),
        context.surge.measured,
      ),
    {
      id: 'machine.startSurgeW',
      label: 'Most at the start',
      unit: 'W',
      ...basisOf(context.surge.measured),
      source:
        'Watts that the supply has to give (DC): a drive takes for some seconds what its data ' +
        `sheet says, and where no model is chosen ${n(usualSurge.watts)} W and ` +
        `${n(usualSurge.amps12)} A at 12 V; the rest is board, memory, fans and cards with ` +
        'nothing to do, and the processor at its most.',
    },
    format,
  )
  const running = declareFigure(
    () =>
      sum(
        workedOut(power.loadDcW, 'W', { inputs: watts, after: 'of the machine' }),
        ...(besideLoadW > 0
          ? [
              minus(
                workedOut(besideLoadW, 'W', {
                  inputs: built,
                  after: 'of enclosures that feed themselves',
                }),
              ),
            ]
          : []),
        workedOut(runningW + besideLoadW - power.loadDcW, 'W', {
          inputs: built,
          after: 'of drives',
        }),
      ),
    {
      id: 'machine.runningW',
      label: 'Everything at work',
      unit: 'W',
      source:
        'DC, behind the power supply: processor at its most, cards converting, all drives at ' +
        'work.',
    },
    format,
  )
  return [
    surge,
    declareFigure(
      () =>
        correctedExpression(
          sum(
            workedOut(group.amps12, 'A', ofDrives),
            quotient(
              workedOut(start.rest12W, 'W', { inputs: watts, after: 'of the rest' }),
              constant(12, 'W/A', { bare: true, after: 'V' }),
            ),
          ),
          context.surge.measured,
        ),
      {
        id: 'machine.startAmps12',
        label: 'At 12 V at the start',
        unit: 'A',
        ...basisOf(context.surge.measured),
      },
      format,
    ),
    running,
    declareFigure(
      () =>
        largest(
          quotient(thatFigure(running, 'W'), constant(maxShareOfRating, 'share')),
          thatFigure(surge, 'W'),
        ),
      {
        id: 'machine.supplyMinimumW',
        label: 'Least rating of a supply',
        unit: 'W',
        note: supply ? `There is one of ${n(supply.ratingW)} W.` : 'No supply is known.',
      },
      format,
    ),
  ]
}

const memoryNames = {
  system: 'for the system',
  mediaSoftware: 'for media software',
  conversions: 'for conversions',
  services: 'for services',
  guests: 'for guests',
  engine: 'for the video engine',
} as const
const memoryInputs: Readonly<Record<MemoryNeed['uses'][number]['id'], readonly Input[]>> = {
  system: ['system.kind', 'system.ownKinds', 'machine.base', 'drives.fileSystem'],
  mediaSoftware: [],
  conversions: [{ figure: 'streams.asked' }],
  services: ['system.services'],
  guests: ['system.services'],
  engine: [
    { figure: 'streams.asked' },
    { figure: 'streams.softwareReference' },
    'machine.cores',
    ...whatConverts,
    ...whichEngines,
  ],
}

/** Guests, of which each takes from a gigabyte to two. */
const guestsOf = (gb: number) => mapEstimate(guestGB, each => (gb * each) / guestGB.likely)

function memoryFigure(memory: MemoryNeed, format: Format): Figure {
  const { number: n } = format
  const uses = memory.uses.filter(({ gb }) => gb > 0)
  return declareFigure(
    () =>
      chosen(
        memory.uses.flatMap(({ id }) => memoryInputs[id]),
        sum(
          ...uses.map(({ id, gb }) =>
            workedOut(id === 'guests' ? guestsOf(gb) : gb, 'GB', {
              inputs: memoryInputs[id],
              after: memoryNames[id],
            }),
          ),
        ),
      ),
    {
      id: 'machine.memoryFloorGB',
      label: 'Memory needed',
      unit: 'GB',
      source:
        `Floors: plain system ${n(memoryUses.plainSystem)} GB, an appliance's own ` +
        `${n(memoryUses.makersSystem)}, copy-on-write pool ${n(memoryUses.copyOnWritePool)}, ` +
        `media software ${n(memoryUses.mediaSoftware)}, ${n(memoryUses.conversion)} a conversion.`,
      note:
        `The next size sold is ${n(memory.floorGB)} GB. Wanted: ${n(wantedFactor)} times as ` +
        `much, so ${n(memory.wantedGB)} GB. The old rule of 1 GB for each raw terabyte would ` +
        `take ${n(memory.byRawTB, 3)} GB.`,
    },
    format,
  )
}
