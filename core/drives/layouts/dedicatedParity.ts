import type { Layout } from './layout'
import { parityBesideDisks } from './parityBesideDisks'

/** Parity on drives of its own, always up to date, over a pool of separate disks. */
export function dedicatedParity(parityDrives: 1 | 2): Layout {
  return {
    id: `dedicated-${parityDrives}`,
    label: `Dedicated parity, ${parityDrives === 1 ? 'one drive' : 'two drives'}`,
    description: 'Separate disks of any size, with parity on drives of its own; each disk can be read alone.',
    minimumDrives: parityDrives + 1,
    survives: () => parityDrives,
    loss: 'failedDrivesOnly',
    runsOn: true,
    growsBy: 'one drive',
    readableAlone: 'yes',
    tiedTo: 'a program, for the parity only',
    fileAware: false,
    parity: true,
    arrange: drives => parityBesideDisks(drives, parityDrives),
  }
}
