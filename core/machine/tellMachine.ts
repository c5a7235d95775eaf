import type { Telling } from '../domain'
import { figure, type Estimate, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import type { MachineFacts, MachineSlice } from './machineFacts'
import { brickEfficiency, supplyEfficiency } from './power/supplyCurve'

const partLabels: Readonly<Record<string, string>> = {
  'machine.base': 'Built on',
  'machine.processor': 'Processor',
  'machine.engine': 'Built-in video engine',
}

/** The machine's facts in words. */
export function tellMachine(facts: MachineFacts, slice: MachineSlice, format: Format): Telling {
  const { build, freeBays } = facts
  return {
    figures: [
      figure(freeBays, {
        id: 'machine.freeBays',
        label: 'Free bays',
        unit: 'bays',
        inputs: ['machine.bays', 'machine.base', 'drives.lots'],
        formula: `${build.bays} bays − ${slice.driveCount} drives = ${freeBays}`,
      }),
      ...powerFigures(facts, slice, format),
    ],
    verdicts: [],
    findings: machineFindings(facts, slice, format),
  }
}

function powerFigures(
  { power, states: [idle, converting], build: { supply } }: MachineFacts,
  { driveCount, drivesIdleW, drivesActiveW }: MachineSlice,
  format: Format,
): Figure[] {
  const { number: n, share } = format
  const { losses } = power
  const source = losses
    ? `The supply's efficiency follows from how much of its ${n(losses.ratingW)} W is taken ` +
      `(${losses.efficiency === 'brick' ? `a brick: ${share(brickEfficiency)}` : `${losses.efficiency === 'none' ? 'no class' : losses.efficiency}, at ` + `${n(losses.mainsVolts)} V`}).`
    : 'At the wall; watts by kind of drive and by part, with a power supply that is ' +
      `${share(supplyEfficiency)} efficient.`
  const text = ({
    wall,
    partsW,
    dcW,
    drivesW,
    result,
  }: {
    readonly wall: number | null
    readonly partsW: number
    readonly dcW: number
    readonly drivesW: Estimate
    readonly result: Estimate
  }): string => {
    const drives =
      driveCount === 0 ? '' : `${driveCount} drives × ${n(drivesW.likely / driveCount)} W`
    if (
      wall !== null &&
      (losses === null || (losses.efficiency === 'brick' && power.basis !== 'parts'))
    ) {
      const added = [partsW === 0 ? '' : `${n(partsW)} W of parts`, drives]
        .filter(Boolean)
        .join(' + ')
      return (
        `${n(wall)} ` +
        `W${added ? ` + (${added}) ÷ ${n(losses === null ? supplyEfficiency : brickEfficiency)}` : ''} ` +
        `= ${n(result.likely, 3)} W`
      )
    }
    const total = Math.max(0, dcW + drivesW.likely)
    return (
      `${n(dcW, 3)} W of the machine${drives ? ` + ${drives}` : ''} = ${n(total, 3)} W ` +
      `behind the supply; ÷ ${n(total / Math.max(1e-9, result.likely), 3)} efficiency at ` +
      `${share(total / (losses?.ratingW ?? Infinity))} of the rating = ` +
      `${n(result.likely, 3)} W`
    )
  }
  const inputs = [
    'machine.base',
    'machine.parts',
    'machine.processor',
    'drives.lots',
    'drives.driveClass',
    ...(supply ? ['brief.mainsVolts'] : []),
  ]
  return [
    figure(idle.watts, {
      id: 'machine.idleW',
      label: 'Idle, with drives',
      unit: 'W',
      inputs: ['machine.boxIdleW', ...inputs],
      source,
      formula: text({
        wall: power.baseIdleW,
        partsW: power.partsIdleW,
        dcW: power.idleDcW,
        drivesW: drivesIdleW,
        result: idle.watts,
      }),
    }),
    figure(converting.watts, {
      id: 'machine.loadW',
      label: 'Converting, with drives',
      unit: 'W',
      inputs: ['machine.boxLoadW', 'machine.boxIdleW', ...inputs],
      source,
      formula: text({
        wall: power.baseLoadW,
        partsW: power.partsLoadW,
        dcW: power.loadDcW,
        drivesW: drivesActiveW,
        result: converting.watts,
      }),
      note: 'Every drive is at work while the machine converts.',
    }),
  ]
}

function machineFindings(
  { build, loadBelowIdle, freeBays, cutOffPerMonth, hardware }: MachineFacts,
  { driveCount, machine }: MachineSlice,
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
    ...(cutOffPerMonth !== null
      ? [
          finding('caution', 'ALSO_USED', {
            sentence:
              `Somebody works or plays on this computer ${n(machine.usedHoursPerDay)} h a ` +
              'day. Conversions are planned for those hours: ' +
              `${share(1 - hardware.usedShare)} of the processor is ` +
              `left${machine.usedEngineToo ? ', and no video engine' : ''}. ` +
              `${cutOffPerMonth >= 0.05 ? `About ${n(cutOffPerMonth, 2)} restarts a month come while somebody watches.` : 'It hardly restarts while somebody watches.'}`,
            from: [
              'machine.usedHoursPerDay',
              'machine.usedShare',
              'machine.usedEngineToo',
              'machine.restartsPerWeek',
              'choices.watchingHoursPerDay',
            ],
            fixes: [
              'Let updates restart it in the morning, and let it start the media software ' +
                'by itself.',
              'Use a machine of its own: an old one often does.',
            ],
          }),
        ]
      : []),
    ...(freeBays === 0 && driveCount > 0
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
