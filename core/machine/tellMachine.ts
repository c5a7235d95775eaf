import type { Telling } from '../domain'
import { declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  figureOf,
  minus,
  notBelowNothing,
  quotient,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import { mustSurvive } from '../expressions/inputs/driveInputs'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Estimate, Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { basisOf, correctedExpression } from '../calibration/correctedExpression'
import type { MachineFacts, MachineSlice } from './machineFacts'
import { wattCorrections } from './machinePower'
import { brickEfficiency, supplyEfficiency, wallW } from './power/supplyCurve'

const partLabels: Readonly<Record<string, string>> = {
  'machine.base': 'Built on',
  'machine.processor': 'Processor',
  'machine.engine': 'Built-in video engine',
}

/** The machine's facts in words. */
export function tellMachine(facts: MachineFacts, slice: MachineSlice, format: Format): Telling {
  const { build, freeBays } = facts
  const inputs: readonly Input[] = ['machine.bays', 'machine.base', 'machine.parts']
  const bays = workedOut(build.bays, 'bays', { inputs })
  const used = workedOut(build.bays - freeBays, 'bays', {
    inputs: [...inputs, 'drives.lots', 'drives.driveClass'],
    bare: true,
    after: freeBays < 0 ? 'wanted for drives' : 'in use',
  })
  return {
    figures: () => [
      declareFigure(
        () => sum(bays, minus(used)),
        {
          id: 'machine.freeBays',
          label: 'Free bays',
          unit: 'bays',
          note:
            'Bays for 3.5" drives. A 2.5" drive takes one once the smaller bays are full; an ' +
            'NVMe drive takes none.',
        },
        format,
      ),
      ...powerFigures(facts, slice, format),
    ],
    verdicts: [],
    findings: machineFindings(facts, slice, format),
  }
}

type Watts = Expression<DimensionsOf<'W'>>

/** What the machine without its drives takes of the supply. */
const machineInputs: readonly Input[] = [
  'machine.base',
  'machine.parts',
  'machine.processor',
  'machine.bays',
  'machine.boxIdleW',
  'machine.boxLoadW',
  'machine.passivelyCooled',
  'machine.ownParts',
  'brief.mainsVolts',
]
/** What the drives take. */
const driveInputs: readonly Input[] = ['drives.lots', 'drives.driveClass']

const systemInputs: readonly Input[] = ['system.kind', 'system.ownKinds']
const ofSystem = (watts: number): Watts =>
  workedOut(watts, 'W', { inputs: systemInputs, after: 'of the system' })

interface StatePower {
  /** at the wall as entered or on the data sheet, null where it is the sum of parts */
  readonly sheetW: number | null
  readonly partsW: number
  readonly systemW: number
  readonly dcW: number
  readonly drivesW: Estimate
  readonly resultW: number
}

/** Watts at the wall in one state: what is taken behind the supply, divided by its efficiency. */
function wallExpression(
  { sheetW, partsW, systemW, dcW, drivesW, resultW }: StatePower,
  { power: { losses, basis } }: MachineFacts,
): Watts {
  const drives = workedOut(drivesW, 'W', { inputs: driveInputs, after: 'of drives' })
  const isFlat = losses === null || losses.efficiency === 'brick'
  if (sheetW !== null && (losses === null || (isFlat && basis !== 'parts'))) {
    const efficiency = constant(losses === null ? supplyEfficiency : brickEfficiency, 'share')
    const atWall = workedOut(sheetW, 'W', { inputs: machineInputs })
    const parts = workedOut(partsW, 'W', { inputs: machineInputs, after: 'of parts' })
    const behind = sum(
      ...(partsW === 0 ? [] : [parts]),
      ...(systemW === 0 ? [] : [ofSystem(systemW)]),
      drives,
    )
    if (drivesW.likely === 0 && partsW === 0 && systemW === 0)
      return chosen([...driveInputs, ...systemInputs], atWall)
    return sum(atWall, quotient(behind, efficiency))
  }
  const behind = notBelowNothing(
    sum(
      workedOut(dcW - systemW, 'W', {
        inputs: [...machineInputs, ...systemInputs],
        after: 'of the machine',
      }),
      ...(systemW === 0 ? [] : [ofSystem(systemW)]),
      drives,
    ),
  )
  const totalW = Math.max(0, dcW + drivesW.likely)
  // A supply with nothing behind it still loses something: then no efficiency gives the watts.
  if (totalW <= 0)
    return workedOut(resultW, 'W', {
      inputs: [...machineInputs, ...driveInputs],
      after: 'of losses in the supply',
    })
  const efficiency = workedOut(totalW / resultW, 'share', {
    inputs: machineInputs,
    after: 'efficiency of the supply',
  })
  return quotient(behind, efficiency)
}

function powerFigures(facts: MachineFacts, slice: MachineSlice, format: Format): Figure[] {
  const {
    power,
    watts: { idle, watching, converting },
  } = facts
  const { number: n, share } = format
  const { losses } = power
  const atShare = (dcW: number, drivesW: number) =>
    losses && losses.efficiency !== 'brick'
      ? ` It is at ${share(Math.max(0, dcW + drivesW) / losses.ratingW)} of its rating.`
      : ''
  const source = (dcW: number, drivesW: number) =>
    losses
      ? `The supply's efficiency follows from how much of its ${n(losses.ratingW)} W is taken ` +
        `(${losses.efficiency === 'brick' ? `a brick: ${share(brickEfficiency)}` : `${losses.efficiency === 'none' ? 'no class' : losses.efficiency}, at ${n(losses.mainsVolts)} V`}).` +
        atShare(dcW, drivesW)
      : 'At the wall; watts by kind of drive and by part, with a power supply that is ' +
        `${share(supplyEfficiency)} efficient.`
  const atWallOf = (dcW: number, drivesW: number) => wallW(Math.max(0, dcW + drivesW), losses)
  const idleExpression = wallExpression(
    {
      sheetW: power.baseIdleW,
      partsW: power.partsIdleW,
      systemW: power.systemW,
      dcW: power.idleDcW,
      drivesW: slice.drivesW.idleW,
      resultW: atWallOf(power.idleDcW, slice.drivesW.idleW.likely),
    },
    facts,
  )
  const watchingExpression = wallExpression(
    {
      sheetW: power.baseIdleW,
      partsW: power.partsIdleW,
      systemW: power.systemW,
      dcW: power.idleDcW,
      drivesW: slice.drivesW.readW,
      resultW: atWallOf(power.idleDcW, slice.drivesW.readW.likely),
    },
    facts,
  )
  const corrections = wattCorrections(power, slice.drivesW)
  const busyW = atWallOf(power.loadDcW, slice.drivesW.activeW.likely)
  const busy = wallExpression(
    {
      sheetW: power.baseLoadW,
      partsW: power.partsLoadW,
      systemW: 0,
      dcW: power.loadDcW,
      drivesW: slice.drivesW.activeW,
      resultW: busyW,
    },
    facts,
  )
  // At work a machine never takes less than at rest.
  const isRest = busyW * (corrections.converting?.factor.likely ?? 1) < watching.likely
  return [
    declareFigure(
      () => correctedExpression(idleExpression, corrections.resting),
      {
        id: 'machine.idleW',
        label: 'Idle, with drives',
        unit: 'W',
        ...basisOf(corrections.resting),
        source: source(power.idleDcW, slice.drivesW.idleW.likely),
        band: idle,
      },
      format,
    ),
    declareFigure(
      () =>
        correctedExpression(
          chosen(['drives.layout', 'drives.hotSpares', mustSurvive], watchingExpression),
          corrections.resting,
        ),
      {
        id: 'machine.watchingW',
        label: 'Watching, with drives',
        unit: 'W',
        ...basisOf(corrections.resting),
        source: source(power.idleDcW, slice.drivesW.readW.likely),
        note: 'One title is read: from one drive, or from all that the layout reads together.',
        band: watching,
      },
      format,
    ),
    declareFigure(
      () =>
        isRest
          ? chosen(
              [...machineInputs, ...driveInputs],
              watching.likely > idle.likely
                ? figureOf('machine.watchingW', [watching, 'W'], {
                    after: 'while watching: it takes no less at work',
                  })
                : figureOf('machine.idleW', [idle, 'W'], {
                    after: 'at rest: it takes no less at work',
                  }),
            )
          : correctedExpression(busy, corrections.converting),
      {
        id: 'machine.loadW',
        label: 'Converting, with drives',
        unit: 'W',
        ...basisOf(isRest ? corrections.resting : corrections.converting),
        source: source(power.loadDcW, slice.drivesW.activeW.likely),
        note: 'Every drive is at work while the machine converts.',
        band: converting,
      },
      format,
    ),
  ]
}

function machineFindings(
  { build, system, loadBelowIdle, freeBays, cutOffPerMonth, hardware }: MachineFacts,
  { driveForms, machine }: MachineSlice,
  { number: n, share }: Format,
): Finding[] {
  return [
    ...build.unknown.map(({ path, ref }) =>
      finding('warning', 'UNKNOWN_PART', {
        sentence:
          `${partLabels[path] ?? 'Part'}: "${ref}" is not in the catalogue, so it counts for ` +
          'nothing beyond what is entered here.',
        from: [path],
        fixes: ['Choose another, or enter its figures yourself.'],
      }),
    ),
    ...(loadBelowIdle
      ? [
          finding('warning', 'LOAD_BELOW_IDLE', {
            sentence:
              'The watts while converting are below the watts at idle; the idle figure is ' +
              'used for both.',
            from: ['machine.boxLoadW', 'machine.boxIdleW'],
            fixes: ['Check the two figures.'],
          }),
        ]
      : []),
    ...(system?.startsOffline === false
      ? [
          finding('warning', 'STARTS_ONLINE', {
            sentence:
              `${system.label} asks the internet when it starts: after a power cut with the line ` +
              'down nothing plays.',
            from: ['system.kind', 'system.ownKinds'],
            fixes: [
              'Start it once with the line unplugged before you rely on it, keep a UPS before ' +
                'it, or choose a system that starts by itself.',
            ],
          }),
        ]
      : []),
    ...(machine.outageHoursPerYear > 0
      ? [
          finding('caution', 'UNRELIABLE', {
            sentence:
              `This machine is known to be out for ${n(machine.outageHoursPerYear)} h a year. ` +
              'That counts in the chance of a day without service.',
            from: ['machine.outageHoursPerYear', 'drives.dayOutChancePerYear'],
            fixes: ['Mend it or build on another machine, or keep a second one that takes over.'],
          }),
        ]
      : []),
    ...(cutOffPerMonth !== null
      ? [
          finding('caution', 'ALSO_USED', {
            sentence:
              `Somebody works or plays on this computer ${n(machine.usedHoursPerDay)} h a ` +
              'day. Conversions are planned for those hours: ' +
              `${share(1 - hardware.usedShare)} of the processor is ` +
              `left${machine.usedEngineToo ? ', and no video engine' : ''}. ` +
              `${cutOffPerMonth >= 0.05 ? `Restarts that come while somebody watches: about ${n(cutOffPerMonth, 2)} a month.` : 'It hardly restarts while somebody watches.'}`,
            from: [
              'machine.usedHoursPerDay',
              'machine.usedShare',
              'machine.usedEngineToo',
              'machine.restartsPerWeek',
              'household.watchedHours',
            ],
            fixes: [
              'Let updates restart it in the morning, and let it start the media software ' +
                'by itself.',
              'Use a machine of its own: an old one often does.',
            ],
          }),
        ]
      : []),
    ...(freeBays === 0 && driveForms.count > 0
      ? [
          finding('caution', 'BAYS_FULL', {
            sentence: 'Every bay is full on day one: the next drive means replacing one.',
            from: ['machine.bays', 'drives.lots'],
            fixes: ['Use fewer, larger drives, or a machine with a spare bay.'],
          }),
        ]
      : []),
  ]
}
