import type { MachinePart } from './machine'
import { entryOf } from '../catalogue/catalogue'
import type { HardwarePart } from '../catalogue/hardware/hardwarePart'

type Part = Pick<MachinePart, 'ref' | 'purpose'>

/** Whether a part of the machine is a UPS that stands beside it; spares and later ones do not. */
export function isUps({ ref, purpose }: Part, hardware: readonly HardwarePart[]): boolean {
  return purpose === 'fitted' && entryOf(hardware, ref)?.kind === 'ups'
}

/** Whether the plan has a UPS in its list of parts. */
export function hasUps(
  { machine: { parts } }: UpsPlan,
  hardware: readonly HardwarePart[],
): boolean {
  return parts.some(part => isUps(part, hardware))
}

/** What of a plan tells whether it has a UPS. */
export interface UpsPlan {
  readonly machine: { readonly parts: readonly Part[] }
}
