import type { MachinePart } from './machine'
import { entryOf } from '../catalogue/catalogue'
import type { HardwarePart } from '../catalogue/hardware/hardwarePart'

/** Whether a part of the machine is a UPS that stands beside it; spares and later ones do not. */
export function isUps(
  { ref, purpose }: Pick<MachinePart, 'ref' | 'purpose'>,
  hardware: readonly HardwarePart[],
): boolean {
  return purpose === 'fitted' && entryOf(hardware, ref)?.kind === 'ups'
}

/** Whether the plan has a UPS: in the list of parts, or in the house already. */
export function hasUps(
  { drives: { ups }, machine: { parts } }: UpsPlan,
  hardware: readonly HardwarePart[],
): boolean {
  return ups || parts.some(part => isUps(part, hardware))
}

/** What of a plan tells whether it has a UPS. */
export interface UpsPlan {
  readonly drives: { readonly ups: boolean }
  readonly machine: { readonly parts: readonly Pick<MachinePart, 'ref' | 'purpose'>[] }
}
