import { partsOfKind } from '../knownParts'
import { drivesOnPorts, type Assembly } from '../assembly/assembly'

/** Most drives on one lead of a supply. */
export const maxOnLead = 4

/** Plugs for drives: how many are needed, and how many there are. */
export interface Plugs {
  readonly needed: number
  /** of the supply itself, and what splitters add */
  readonly own: number
  readonly split: number
  readonly leads: number
  /** the fullest lead, when the drives are spread as evenly as they can be */
  readonly fullest: number
}

export function plugsOf(
  assembly: Pick<Assembly, 'supply' | 'drives' | 'enclosedDrives' | 'build'>,
): Plugs {
  const {
    supply,
    build: { parts },
  } = assembly
  const disks = partsOfKind(parts, 'ssd')
    .filter(({ entry }) => entry.shape === '2.5')
    .reduce((sum, { part }) => sum + part.count, 0)
  const optical = partsOfKind(parts, 'optical')
    .filter(({ entry }) => entry.link === 'data')
    .reduce((sum, { part }) => sum + part.count, 0)
  const split = partsOfKind(parts, 'cable')
    .filter(({ entry }) => entry.use === 'splitter')
    .reduce((sum, { part, entry }) => sum + part.count * entry.gives, 0)
  const needed = drivesOnPorts(assembly) + disks + optical
  // Four-pin plugs feed a drive through an adapter, so they count where a splitter is there for
  // them.
  const own = (supply?.driveLeads ?? []).reduce((sum, plugs) => sum + plugs, 0)
  const leads = (supply?.driveLeads.length ?? 0) + Math.min(split, supply?.fourPinPlugs ? 1 : 0)
  return { needed, own, split, leads, fullest: leads > 0 ? Math.ceil(needed / leads) : 0 }
}
