import { atLikely, chosen, product, workedOut } from '../expressions/expression'
import type { Expression, Input } from '../expressions/node'
import type { Basis } from '../figure'
import type { CalibratedFigure } from '../plan/trials'
import type { Correction } from './correction'
import { figureRules } from './figureRules'

/** What measurements follow from. */
const measurements: readonly Input[] = ['calibration.trials', 'calibration.countsFrom']
/** What says whether a measurement was made on this machine, or over this network. */
const ofMachine: readonly Input[] = [
  'machine.base',
  'machine.parts',
  'machine.ownParts',
  'machine.processor',
  'machine.engine',
  'machine.cores',
  'machine.memoryGB',
  'machine.passivelyCooled',
  'system.kind',
  'system.ownKinds',
]
const ofNetwork: readonly Input[] = [
  'network.serverPortMbps',
  'network.serverLink',
  'network.serverLinkMbps',
  'network.serverWifi',
  'network.meshWithoutWire',
  'network.cableMbps',
  'network.switchMbps',
]
function markedBy(figure: CalibratedFigure): readonly Input[] {
  if (figureRules[figure].depends === 'machine') return ofMachine
  return figure === 'homeLink' || figure === 'copyRate' || figure === 'smallFiles' ? ofNetwork : []
}

/**
 * What a formula gives, times what measurements made of it; the range is theirs. Without one it is
 * the formula itself, which would follow a measurement.
 */
export function correctedExpression<Unit>(
  of: Expression<Unit>,
  correction: Correction | null,
): Expression<Unit> {
  if (!correction) return chosen(measurements, of)
  const factor = workedOut(correction.factor, 'factor', {
    inputs: [...measurements, ...markedBy(correction.figure)],
    after: 'by measurement',
  })
  // A pure number changes no unit.
  return product(atLikely(of), factor) as unknown as Expression<Unit>
}

/** The basis of a figure that measurements may have corrected. */
export function basisOf(correction: Correction | null): { readonly basis?: Basis } {
  return correction ? { basis: 'calibrated' } : {}
}
