import type { Telling } from '../domain'
import { exactly, figure, type Estimate, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { headroomShare, type Verdict } from '../verdict'
import { fitState } from './fitState'
import type { MachineFacts, MachineSlice } from './machineFacts'
import { supplyEfficiency } from './machinePower'

const partLabels: Readonly<Record<string, string>> = { 'machine.base': 'Built on', 'machine.processor': 'Processor', 'machine.engine': 'Built-in video engine' }

/** The machine's facts in words. */
export function tellMachine(facts: MachineFacts, slice: MachineSlice, format: Format): Telling {
  const { build, freeBays } = facts
  return {
    figures: [
      figure(freeBays, {
        id: 'machine.freeBays', label: 'Free bays', unit: 'bays', inputs: ['machine.bays', 'machine.base', 'drives.lots'],
        formula: `${build.bays} bays − ${slice.driveCount} drives = ${freeBays}`,
      }),
      ...powerFigures(facts, slice, format),
    ],
    verdicts: [fitVerdict(facts, slice)],
    findings: machineFindings(facts, slice),
  }
}

function powerFigures({ power, states: [idle, converting] }: MachineFacts, { driveCount, drivesIdleW, drivesActiveW }: MachineSlice, format: Format): Figure[] {
  const { number: n } = format
  const source = `At the wall; watts by kind of drive and by part, with a power supply that is ${n(supplyEfficiency * 100)} % efficient.`
  const text = (terms: { readonly wallW: number, readonly partsW: number, readonly drivesW: Estimate, readonly result: Estimate }): string => {
    const parts = terms.partsW === 0 ? '' : `${n(terms.partsW)} W of parts`
    const drives = driveCount === 0 ? '' : `${driveCount} drives × ${n(terms.drivesW.likely / driveCount)} W`
    const added = [parts, drives].filter(Boolean).join(' + ')
    return `${n(terms.wallW)} W${added ? ` + (${added}) ÷ ${n(supplyEfficiency)}` : ''} = ${n(terms.result.likely, 3)} W`
  }
  const inputs = ['machine.base', 'machine.parts', 'machine.processor', 'drives.lots', 'drives.driveClass']
  return [
    figure(idle.watts, {
      id: 'machine.idleW', label: 'Idle, with drives', unit: 'W', inputs: ['machine.boxIdleW', ...inputs], source,
      formula: text({ wallW: power.baseIdleW, partsW: power.partsIdleW, drivesW: drivesIdleW, result: idle.watts }),
    }),
    figure(converting.watts, {
      id: 'machine.loadW', label: 'Converting, with drives', unit: 'W', inputs: ['machine.boxLoadW', 'machine.boxIdleW', ...inputs], source,
      formula: text({ wallW: power.baseLoadW, partsW: power.partsLoadW, drivesW: drivesActiveW, result: converting.watts }),
      note: 'Every drive is at work while the machine converts.',
    }),
  ]
}

function fitVerdict({ build: { bays }, freeBays: free }: MachineFacts, { driveCount: count }: MachineSlice): Verdict {
  const asked = exactly(count)
  const possible = exactly(bays)
  return {
    id: 'fit', label: 'Bays', domain: 'machine', unit: 'drives', asked, possible, share: headroomShare(asked, possible),
    state: fitState(count, free),
    sentence: count === 0
      ? 'Add drives to see whether they fit.'
      : free < 0
        ? `${count} drives do not fit into ${bays} bays.`
        : free === 0
          ? `All ${count} drives fit, and no bay is left.`
          : `${count} drives fit; ${free} ${free === 1 ? 'bay is' : 'bays are'} left.`,
    figures: ['machine.freeBays'],
  }
}

function machineFindings({ build, loadBelowIdle, freeBays }: MachineFacts, { driveCount }: MachineSlice): Finding[] {
  return [
    ...build.unknown.map(({ path, ref }) => finding('warning', 'UNKNOWN_PART', {
      sentence: `${partLabels[path] ?? 'Part'}: "${ref}" is not in the catalogue, so it counts for nothing beyond what is entered here.`,
      from: [path], fixes: ['Choose another, or enter its figures yourself.'],
    })),
    ...(loadBelowIdle
      ? [finding('warning', 'LOAD_BELOW_IDLE', {
          sentence: 'The watts while converting are below the watts at idle; the idle figure is used for both.', from: ['machine.boxLoadW', 'machine.boxIdleW'], fixes: ['Check the two figures.'],
        })]
      : []),
    ...(freeBays === 0 && driveCount > 0
      ? [finding('caution', 'BAYS_FULL', {
          sentence: 'Every bay is full on day one: the next drive means replacing one.', from: ['machine.bays', 'drives.lots'], fixes: ['Use fewer, larger drives, or a machine with a spare bay.'],
        })]
      : []),
  ]
}
