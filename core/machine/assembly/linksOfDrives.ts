import type { SharedLink } from '../../drives/sharedLinks'
import { drivesOnPorts, type Assembly } from './assembly'
import type { DriveForms } from './driveForms'
import { laneRate } from './lanes'

/**
 * The links that data drives share: enclosures are filled one after the other, ports of the board
 * are taken before those of controller cards, and what hangs outside by cable goes through a card
 * with sockets for it.
 */
export function linksOfDrives(assembled: Assembly<DriveForms>): SharedLink[] {
  const {
    build: { parts },
    places,
    enclosedDrives,
    boardPorts,
    otherPorts,
  } = assembled
  let [enclosed, byCable] = [enclosedDrives, 0]
  const enclosures = parts.flatMap(({ kind, entry, part }) => {
    if (kind !== 'enclosure') return []
    return Array.from({ length: part.count }, (): SharedLink => {
      const drives = Math.min(entry.bays, enclosed)
      enclosed -= drives
      if (entry.link === 'cable') byCable += drives
      return { what: 'enclosure', MBps: entry.throughputMBps, drives }
    })
  })
  let inside = Math.max(0, drivesOnPorts(assembled) - Math.max(0, boardPorts - otherPorts))
  const cards = places.flatMap(({ holds, lanes, place, offBy }): SharedLink[] => {
    if (!holds || offBy !== null) return []
    const MBps = laneRate(
      Math.min(lanes, holds.lanes),
      Math.min(place.generation, holds.generation),
    )
    if (holds.kind === 'drive') return [{ what: 'place', MBps, drives: 1 }]
    if (holds.kind !== 'controller') return []
    const [onPorts, onSockets] = [Math.min(holds.ports, inside), Math.min(holds.outside, byCable)]
    inside -= onPorts
    byCable -= onSockets
    return [{ what: 'controller', MBps, drives: onPorts + onSockets }]
  })
  return [...enclosures, ...cards].filter(({ drives, MBps }) => drives > 0 && MBps > 0)
}
