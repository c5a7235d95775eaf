import { drivesOnPorts, sticksTaken, type Assembly } from '~~/core/machine/assembly/assembly'
import type { PlaceState } from '~~/core/machine/assembly/placement'
import type { Box, MachineMap, MapMark, Track } from './machineMap'

type Board = NonNullable<Assembly['board']>

const laneWidths: Readonly<Record<number, number>> = { 1: 2, 2: 3, 4: 4.5, 8: 7, 16: 10 }
const slotShare: Readonly<Record<number, number>> = { 1: 0.34, 4: 0.42, 8: 0.52, 16: 0.66 }
const socketSide = 78
/** Where slots and M.2 places begin, under the socket and the memory. */
const rowsFrom = 128
const portsPerRow = 2

/** What is on a board, within the box that it is drawn in. */
export function boardMarks(
  assembly: Assembly,
  board: Board,
  at: Box,
): { chipset: NonNullable<MachineMap['chipset']>; marks: MapMark[]; tracks: Track[] } {
  const { places } = assembly
  const chipset = { x: at.x + at.width - 58, y: at.y + at.height - 62, side: 40 }
  const socket = { x: at.x + at.width * 0.3, y: at.y + 16 }
  const labelOf = (id: string) => places.find(({ place }) => place.id === id)?.place.label ?? id
  const rows = places.filter(({ place }) => place.kind !== 'data')
  const rowHeight = Math.min(44, (at.height - rowsFrom - 10) / Math.max(1, rows.length))
  const rowMarks = rows.map((state, index) => rowMark(state, { at, index, rowHeight, labelOf }))
  return {
    chipset,
    marks: [
      {
        id: 'socket',
        kind: 'socket',
        ...socket,
        width: socketSide + 24,
        height: socketSide,
        label: board.socket ? `Socket ${board.socket}` : 'Soldered',
        holds: assembly.processor?.name ?? null,
        offBy: null,
      },
      ...memoryMarks(assembly, board, { at, x: socket.x + socketSide + 46 }),
      ...rearMarks(board, at),
      ...rowMarks,
      ...portMarks(assembly, { at, below: chipset.y - 10, labelOf }),
    ],
    tracks: rowMarks.map((mark, index) => trackTo(mark, { at, index, socket, chipset })),
  }
}

function memoryMarks(
  assembly: Assembly,
  { memory }: Board,
  { at, x }: { readonly at: Box; readonly x: number },
): MapMark[] {
  const count = memory.shape === 'soldered' ? 0 : memory.slots
  const taken = sticksTaken(assembly)
  const built = assembly.build.base?.memorySticks ?? 0
  const pitch = Math.min(15, (at.width * 0.62 - socketSide - 60) / Math.max(1, count))
  return Array.from({ length: count }, (_, stick) => {
    const name =
      stick < built ? 'As it comes' : (assembly.sticks[stick - built]?.module.label ?? null)
    return {
      id: `memory-${stick + 1}`,
      kind: 'memory',
      x: x + stick * pitch,
      y: at.y + 14,
      width: Math.min(11, pitch - 3),
      height: 84,
      label: `Memory slot ${stick + 1}`,
      holds: stick < taken ? name : null,
      offBy: null,
    }
  })
}

function rearMarks({ networkMbps }: Board, at: Box): MapMark[] {
  return networkMbps.map((mbps, index) => ({
    id: `rear-${index + 1}`,
    kind: 'rear',
    x: at.x,
    y: at.y + 12 + index * 26,
    width: 46,
    height: 22,
    label: 'Network port',
    holds: mbps >= 1000 ? `${mbps / 1000} G` : `${mbps} M`,
    offBy: null,
  }))
}

type RowMark = MapMark & { readonly state: PlaceState }

/** A slot or an M.2 place, one below the other. */
function rowMark(
  state: PlaceState,
  {
    at,
    index,
    rowHeight,
    labelOf,
  }: {
    readonly at: Box
    readonly index: number
    readonly rowHeight: number
    readonly labelOf: (id: string) => string
  },
): RowMark {
  const { place, holds, offBy } = state
  return {
    id: place.id,
    kind: place.kind === 'slot' ? 'slot' : 'm2',
    x: at.x + 12,
    y: at.y + rowsFrom + index * rowHeight,
    width: at.width * (place.kind === 'slot' ? (slotShare[place.length] ?? 0.42) : 0.5),
    height: Math.min(30, rowHeight - 5),
    label: place.label,
    holds: holds?.label ?? null,
    offBy: offBy && labelOf(offBy),
    state,
  }
}

/** Its lanes, from the processor or the chipset. */
function trackTo(
  { state, ...mark }: RowMark,
  {
    at,
    index,
    socket,
    chipset,
  }: {
    readonly at: Box
    readonly index: number
    readonly socket: { readonly x: number; readonly y: number }
    readonly chipset: { readonly x: number; readonly y: number }
  },
): Track {
  const firstRow = at.y + rowsFrom
  const lane = at.x + at.width * 0.7 + (index % 4) * 7
  const fromProcessor = socket.x + 40 + index * 4
  const fromChipset = chipset.y + 10 + (index % 3) * 10
  const middle = mark.y + mark.height / 2
  const target =
    state.place.from === 'processor'
      ? [
          `${fromProcessor},${socket.y + socketSide}`,
          `${fromProcessor},${firstRow - 12}`,
          `${lane},${firstRow - 12}`,
        ]
      : [`${chipset.x},${fromChipset}`, `${lane},${fromChipset}`]
  return {
    id: mark.id,
    points: [...target, `${lane},${middle}`, `${mark.x + mark.width},${middle}`].join(' '),
    width: laneWidths[state.lanes] ?? 2,
    isDead: state.offBy !== null,
    isNarrowed: state.narrowedBy !== null,
    isUsed: state.holds !== null && state.offBy === null,
  }
}

function portMarks(
  assembly: Assembly,
  {
    at,
    below,
    labelOf,
  }: {
    readonly at: Box
    readonly below: number
    readonly labelOf: (id: string) => string
  },
): MapMark[] {
  const ports = assembly.places.filter(({ place }) => place.kind === 'data')
  const top = Math.max(at.y + 132, below - Math.ceil(ports.length / portsPerRow) * 25)
  let drivesLeft = drivesOnPorts(assembly)
  return ports.map((state, index) => {
    const { place, holds, offBy } = state
    return {
      id: place.id,
      kind: 'data',
      x: at.x + at.width - 62 + (index % portsPerRow) * 31,
      y: top + Math.floor(index / portsPerRow) * 25,
      width: 28,
      height: 22,
      label: place.label,
      holds: holds?.label ?? (offBy === null && drivesLeft-- > 0 ? 'a data drive' : null),
      offBy: offBy && labelOf(offBy),
      state,
    }
  })
}
