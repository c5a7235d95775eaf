import type { MachineBuild } from '../machineBuild'
import { partsOfKind } from '../knownParts'
import type { DriveForms } from './driveForms'

/** Where the data drives hang. */
export interface DriveBays {
  /** 3.5" drives in bays of the machine, and in enclosures beside it */
  readonly turningInside: number
  readonly turningOutside: number
  /** 2.5" drives in bays of the machine, of either size, and in enclosures */
  readonly flashInside: number
  readonly flashOutside: number
  /** 2.5" drives, those of the system among them, in 3.5" bays that are no trays */
  readonly framed: number
  /** frames that are there for them */
  readonly frames: number
  /** drives that find no bay */
  readonly without: number
  /** bays that are left for a 3.5" drive; below nothing by those that find none */
  readonly free: number
}

/** System SSDs and other parts that are 2.5" wide. */
function disksOf({
  parts,
  base,
  housing,
}: Pick<MachineBuild, 'parts' | 'base' | 'housing'>): number {
  const comesWith = base?.systemDisk === 'sata' && base.inside.case === housing ? 1 : 0
  return partsOfKind(parts, 'ssd')
    .filter(({ entry }) => entry.shape === '2.5')
    .reduce((sum, { part }) => sum + part.count, comesWith)
}

/**
 * Puts drives into bays: 3.5" drives into the machine's own first, then into enclosures; 2.5" ones
 * into bays of their size, then into what is left of the larger ones, by a frame, then into
 * enclosures. The system's disks go first. As many find a bay as can.
 * @example 6 drives of 3.5" and 2 of 2.5" in 6 and 2 bays: none is without, none is left
 */
export function driveBays(
  build: Pick<MachineBuild, 'parts' | 'base' | 'housing' | 'bays' | 'enclosureBays'>,
  { count, spinning, nvme }: DriveForms,
): DriveBays {
  const { housing, parts, enclosureBays } = build
  const large = Math.max(0, build.bays - enclosureBays)
  const small = housing?.bays25 ?? 0
  const disks = disksOf(build)
  const flash = Math.max(0, count - spinning - nvme)
  const disksInSmall = Math.min(small, disks)
  const flashInSmall = Math.min(small - disksInSmall, flash)
  const turningInside = Math.min(large, spinning)
  const turningOutside = Math.min(enclosureBays, spinning - turningInside)
  const disksFramed = Math.min(large - turningInside, disks - disksInSmall)
  const flashFramed = Math.min(large - turningInside - disksFramed, flash - flashInSmall)
  const flashOutside = Math.min(enclosureBays - turningOutside, flash - flashInSmall - flashFramed)
  const without =
    spinning - turningInside - turningOutside + (flash - flashInSmall - flashFramed - flashOutside)
  const trays = Math.max(0, (housing?.hotSwap ?? 0) - turningInside)
  const left =
    large -
    turningInside -
    disksFramed -
    flashFramed +
    enclosureBays -
    turningOutside -
    flashOutside
  return {
    turningInside,
    turningOutside,
    flashInside: flashInSmall + flashFramed,
    flashOutside,
    // A tray takes a smaller drive as it is.
    framed: Math.max(0, disksFramed + flashFramed - trays),
    frames: partsOfKind(parts, 'cable')
      .filter(({ entry }) => entry.use === 'driveFrame')
      .reduce((sum, { part, entry }) => sum + part.count * entry.gives, 0),
    without,
    free: without > 0 ? -without : left,
  }
}
