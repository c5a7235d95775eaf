import { drivesOnPorts } from '../../assembly/assembly'
import { laneRate } from '../../assembly/lanes'
import type { PlaceState } from '../../assembly/placement'
import { partsOfKind } from '../../knownParts'
import type { FitContext } from '../fitContext'
import { fitRule } from '../fitRule'

/**
 * MB/s that a drive behind a controller wants to itself; an NVMe SSD; and what a bit of the network
 * takes.
 */
export const wants = { driveMBps: 250, ssdMBps: 1500, mbpsPerMBps: 8 } as const

/** What is asked of a place at once: of a controller by the drives that find no port elsewhere. */
function neededMBps(
  { holds }: PlaceState,
  { build: { parts }, serverPortMbps, boardPorts, otherPorts, ...drives }: FitContext,
): number {
  if (holds?.kind === 'controller') {
    const onCards = Math.max(0, drivesOnPorts(drives) + otherPorts - boardPorts)
    return Math.min(holds.ports, onCards) * wants.driveMBps
  }
  if (holds?.kind === 'networkCard') {
    const card = partsOfKind(parts, 'networkCard').find(({ index }) => index === holds.partIndex)
    return Math.min(card?.entry.mbps ?? Infinity, serverPortMbps) / wants.mbpsPerMBps
  }
  return holds?.wants === 'nvme' ? wants.ssdMBps : 0
}
const carries = ({ lanes, place, holds }: PlaceState) =>
  laneRate(
    Math.min(lanes, holds?.lanes || lanes),
    Math.min(place.generation, holds?.generation ?? place.generation),
  )

/** A long slot with few lanes, a single lane in front of many drives or of an SSD. */
export const laneWidth = fitRule<{
  readonly what: string
  readonly place: string
  readonly lanes: number
  readonly carriesMBps: number
  readonly neededMBps: number
  readonly narrowedBy: string | null
}>({
  id: 'laneWidth',
  label: 'Lanes',
  group: 'places',
  otherwise:
    'Give the card a wider slot, or live with the rate: it is enough for films, and slow ' +
    'for copies and rebuilds.',
  judge(context) {
    const { places } = context
    const held = places.filter(({ holds, lanes }) => holds !== null && lanes > 0)
    if (held.length === 0) return null
    const narrow = held.find(state => carries(state) < neededMBps(state, context)) ?? held[0]!
    const needed = neededMBps(narrow, context)
    const by = places.find(({ place }) => place.id === narrow.narrowedBy)?.place.label ?? null
    return {
      state: carries(narrow) < needed ? 'warning' : 'pass',
      clash: {
        places: [narrow.place.id],
        parts: narrow.holds?.partIndex === null ? [] : [narrow.holds!.partIndex],
      },
      values: {
        what: narrow.holds!.label,
        place: narrow.place.label,
        lanes: narrow.lanes,
        carriesMBps: carries(narrow),
        neededMBps: needed,
        narrowedBy: by,
      },
    }
  },
  say: (
    { what, place, lanes, carriesMBps, neededMBps: needed, narrowedBy },
    { quantity },
    state,
  ) =>
    state === 'pass'
      ? 'Every card and SSD has the lanes that it needs.'
      : `${what} has ${lanes === 1 ? 'one lane' : `${lanes} lanes`} in ` +
        `${place}${narrowedBy ? `, because ${narrowedBy} takes the others` : ''}: ` +
        `${quantity(carriesMBps, 'MB/s')}, where ${quantity(needed, 'MB/s')} may be asked of ` +
        'it at once.',
  fixes: ({ places }) => [
    ...places.flatMap(({ holds }) =>
      holds?.partIndex != null && holds.at !== ''
        ? [{ how: 'move', partIndex: holds.partIndex } as const]
        : [],
    ),
    { how: 'replace', kind: 'controller' },
  ],
})
