import { band } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { exactly, figure, type Estimate } from '../figure'
import type { Finding } from '../finding'
import type { Drives } from '../plan/drives'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { headroomShare } from '../verdict'

export interface MachineAssessment extends DomainAssessment {
  readonly idleW: Estimate
  readonly loadW: Estimate
}

/** Efficiency of a usual supply at these loads, to get from the drives' watts to watts at the wall. */
const supplyEfficiency = 0.85

/** Does the box take the drives, and what does it draw. */
export function assessMachine(machine: Machine, drives: Drives, catalogue: Catalogue): MachineAssessment {
  const count = drives.lots.reduce((sum, lot) => sum + lot.count, 0)
  const driveW = catalogue.driveClasses.find(candidate => candidate.id === drives.driveClass)?.idleW ?? exactly(0)
  const withDrives = (withoutW: number) => band({ driveW }, values => withoutW + count * values.driveW / supplyEfficiency, 'linear')
  const idleW = withDrives(machine.boxIdleW)
  const loadW = withDrives(Math.max(machine.boxIdleW, machine.boxLoadW))
  const free = machine.bays - count
  const findings: Finding[] = []
  if (machine.boxLoadW < machine.boxIdleW) {
    findings.push({
      severity: 'warning', code: 'LOAD_BELOW_IDLE', sentence: 'The watts while converting are below the watts at idle; the idle figure is used for both.',
      from: ['machine.boxLoadW', 'machine.boxIdleW'], cures: [{ sentence: 'Check the two figures.' }],
    })
  }
  if (free === 0 && count > 0) {
    findings.push({
      severity: 'caution', code: 'BAYS_FULL', sentence: 'Every bay is full on day one: the next drive means replacing one.',
      from: ['machine.bays', 'drives.lots'], cures: [{ sentence: 'Fewer, larger drives, or a box with a spare bay.' }],
    })
  }
  const wallText = (withoutW: number, result: Estimate) => `${n(withoutW)} W + ${count} drives × ${n(driveW.likely)} W ÷ ${supplyEfficiency} = ${n(result.likely, 3)} W`
  const asked = exactly(count)
  const possible = exactly(machine.bays)
  return {
    idleW,
    loadW,
    findings,
    figures: [
      figure(free, { id: 'machine.freeBays', label: 'Free bays', unit: 'bays', inputs: ['machine.bays', 'drives.lots'], formula: `${machine.bays} bays − ${count} drives = ${free}` }),
      figure(idleW, { id: 'machine.idleW', label: 'Idle, with drives', unit: 'W', inputs: ['machine.boxIdleW', 'drives.lots', 'drives.driveClass'], formula: wallText(machine.boxIdleW, idleW), source: 'At the wall; idle watts by kind of drive, a supply of 85 %.' }),
      figure(loadW, { id: 'machine.loadW', label: 'Converting, with drives', unit: 'W', inputs: ['machine.boxLoadW', 'machine.boxIdleW', 'drives.lots', 'drives.driveClass'], formula: wallText(Math.max(machine.boxIdleW, machine.boxLoadW), loadW), source: 'At the wall; idle watts by kind of drive, a supply of 85 %.' }),
    ],
    verdicts: [{
      id: 'fit', label: 'Bays', domain: 'machine', unit: 'drives', asked, possible, share: headroomShare(asked, possible),
      state: count === 0 ? 'unknown' : free < 0 ? 'impossible' : free === 0 ? 'tight' : free === 1 ? 'enough' : 'ample',
      sentence: count === 0
        ? 'Add drives to see whether they fit.'
        : free < 0
          ? `${count} drives do not fit into ${machine.bays} bays.`
          : free === 0
            ? `All ${count} drives fit, and no bay is left.`
            : `${count} drives fit; ${free} ${free === 1 ? 'bay is' : 'bays are'} left.`,
      figures: ['machine.freeBays'],
    }],
  }
}
