import { entryOf } from '../catalogue/catalogue'
import type { HardwarePart } from '../catalogue/hardware/hardwarePart'
import type { MachinePart } from '../plan/machine'
import { driveTraits, type CommonDrives, type DriveCatalogue } from './driveTraits'

interface Hanging {
  readonly machine: { readonly parts: readonly Pick<MachinePart, 'ref' | 'purpose'>[] }
  readonly drives: CommonDrives & {
    readonly lots: readonly { readonly model: string; readonly sizeTB: number }[]
  }
}

/** Whether drives hang on USB: an enclosure on it is there, or drives in cases of their own. */
export function hangsOnUsb(
  { machine: { parts }, drives }: Hanging,
  { hardware, ...catalogue }: DriveCatalogue & { readonly hardware: readonly HardwarePart[] },
): boolean {
  const isUsbEnclosure = ({ ref, purpose }: Pick<MachinePart, 'ref' | 'purpose'>) => {
    const part = purpose === 'fitted' ? entryOf(hardware, ref) : null
    return part?.kind === 'enclosure' && part.link === 'usb'
  }
  return (
    parts.some(isUsbEnclosure) ||
    drives.lots.some(lot => driveTraits(lot, drives, catalogue).inOwnCase)
  )
}
