import type { FileSystem } from './fileSystem'
import type { Pool } from './poolOf'

/** What lies on a stretch of a drive. */
export const stretchKinds = [
  'kept',
  'free',
  'full',
  'reserve',
  'copy',
  'parity',
  'unused',
  'spare',
] as const
export type StretchKind = (typeof stretchKinds)[number]

export interface MappedDrive {
  /** place among the drives of the machine */
  readonly place: number
  readonly sizeTB: number
  /**
   * which group of the pool it belongs to; null for a hot spare and for a drive that the layout
   * leaves out
   */
  readonly group: number | null
  /** TB by kind; they add up to the size */
  readonly stretches: Readonly<Record<StretchKind, number>>
}

const nothing: Readonly<Record<StretchKind, number>> = {
  kept: 0,
  free: 0,
  full: 0,
  reserve: 0,
  copy: 0,
  parity: 0,
  unused: 0,
  spare: 0,
}

/**
 * Every drive of a machine with what lies on it. What is kept fills the data of all drives alike.
 * @param keptTB library and snapshots today; what exceeds the room is not drawn
 */
export function driveMap(
  { arrangement }: Pick<Pool, 'arrangement'>,
  fileSystem: FileSystem,
  keptTB: number,
): MappedDrive[] {
  const { parts, memberPlaces, sparePlaces, sparesTB, usableTB, groups } = arrangement
  const reserve = fileSystem.reserveShare
  const ceiling = (1 - reserve) * fileSystem.ceilingShare
  const filled = usableTB > 0 ? Math.min(ceiling, keptTB / usableTB) : 0
  const members = parts.map(({ dataTB, copyTB, parityTB, unusedTB }, member): MappedDrive => {
    const group = groups.findIndex(({ members: own }) => own.includes(member))
    return {
      place: memberPlaces[member]!,
      sizeTB: dataTB + copyTB + parityTB + unusedTB,
      group: group < 0 ? null : group,
      stretches: {
        ...nothing,
        copy: copyTB,
        parity: parityTB,
        unused: unusedTB,
        kept: dataTB * filled,
        free: dataTB * (ceiling - filled),
        full: dataTB * (1 - reserve - ceiling),
        reserve: dataTB * reserve,
      },
    }
  })
  const spares = sparePlaces.map((place, at): MappedDrive => ({
    place,
    sizeTB: sparesTB[at]!,
    group: null,
    stretches: { ...nothing, spare: sparesTB[at]! },
  }))
  return [...members, ...spares].sort((a, b) => a.place - b.place)
}
