import type { Layout } from './layout'
import { parityBesideDisks } from './parityBesideDisks'

/** Parity on drives of its own, computed once a night. */
export function nightlyParity(parityDrives: 1 | 2): Layout {
  return {
    id: `snapshot-${parityDrives}`,
    label: `Nightly parity, ${parityDrives === 1 ? 'one drive' : 'two drives'}`,
    description: 'Separate disks of any size; parity is computed every night.',
    minimumDrives: parityDrives + 1,
    survives: () => parityDrives,
    loss: 'failedDrivesOnly',
    runsOn: false,
    growsBy: 'one drive',
    readableAlone: 'yes',
    tiedTo: 'a program, for the parity only',
    fileAware: false,
    parity: true,
    caveat: 'What was changed or deleted since the last nightly run is not covered.',
    arrange: drives => parityBesideDisks(drives, parityDrives),
  }
}
