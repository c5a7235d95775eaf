import { boardForms } from '~~/core/catalogue/hardware/partWords'
import { drivesOnPorts, sticksTaken, type Assembly } from '~~/core/machine/assembly/assembly'
import type { PlaceState } from '~~/core/machine/assembly/placement'

/** A mark of the map that can be picked. */
export interface MapMark {
  readonly id: string
  readonly kind: 'socket' | 'memory' | 'slot' | 'm2' | 'data' | 'supply' | 'bay' | 'rear' | 'case'
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly label: string
  /** what sits there; null while it is free */
  readonly holds: string | null
  /** what switches it off */
  readonly offBy: string | null
  readonly state?: PlaceState
}
/** Lanes from a place to where they come from, as thick as there are many. */
export interface Track {
  readonly id: string
  readonly points: string
  readonly width: number
  readonly isDead: boolean
  readonly isNarrowed: boolean
  readonly isUsed: boolean
}
export interface MachineMap {
  readonly width: number
  readonly height: number
  readonly board: {
    readonly x: number
    readonly y: number
    readonly width: number
    readonly height: number
  } | null
  readonly chipset: { readonly x: number; readonly y: number; readonly side: number } | null
  readonly marks: readonly MapMark[]
  readonly tracks: readonly Track[]
  readonly housing: {
    readonly x: number
    readonly y: number
    readonly width: number
    readonly height: number
  }
}

const pad = 14
/** px of a mm, for the largest board in the room that there is. */
const tallest = 470
const bayHeight = 26
const bayGap = 5
const laneWidths: Readonly<Record<number, number>> = { 1: 2, 2: 3, 4: 4.5, 8: 7, 16: 10 }
const slotShare: Readonly<Record<number, number>> = { 1: 0.34, 4: 0.42, 8: 0.52, 16: 0.66 }
/** A text as long as its room takes. */
export const fitText = (text: string, room: number) =>
  text.length * 6.6 <= room ? text : `${text.slice(0, Math.max(3, Math.floor(room / 6.6) - 1))}…`

/**
 * What the map shows of a machine, to scale where there is one: the board in its real form, behind
 * it the case with its bays.
 */
export function machineMap(
  assembly: Assembly,
  { width, driveLabels }: { readonly width: number; readonly driveLabels: readonly string[] },
): MachineMap {
  const { board, places, processor, supply, housing, build, bays35 } = assembly
  const isNarrow = width < 620
  const bayColumn = isNarrow ? width - 2 * pad : Math.min(260, Math.max(190, width * 0.28))
  const boardRoom = isNarrow ? width - 2 * pad : width - bayColumn - 3 * pad
  const marks: MapMark[] = []
  const tracks: Track[] = []
  const [heightMm, widthMm] = board ? boardForms[board.form] : [244, 244]
  const scale = Math.min(boardRoom / 265, tallest / 330)
  const rows = places.filter(({ place }) => place.kind !== 'data')
  // A small board with many places is drawn larger than life, so that its names can be read.
  const drawnHeight = Math.max(heightMm * scale, 170 + rows.length * 34)
  const drawnWidth = Math.min(boardRoom, Math.max(widthMm * scale, 330))
  const at = { x: pad, y: pad + 18, width: drawnWidth, height: drawnHeight }
  let chipset: MachineMap['chipset'] = null
  if (board) {
    const socketSide = 78
    const socket = { x: at.x + at.width * 0.3, y: at.y + 16 }
    chipset = { x: at.x + at.width - 58, y: at.y + at.height - 62, side: 40 }
    marks.push({
      id: 'socket',
      kind: 'socket',
      ...socket,
      width: socketSide + 24,
      height: socketSide,
      label: board.socket ? `Socket ${board.socket}` : 'Soldered',
      holds: processor?.name ?? null,
      offBy: null,
    })
    const count = board.memory.shape === 'soldered' ? 0 : board.memory.slots
    const taken = sticksTaken(assembly)
    const pitch = Math.min(15, (at.width * 0.62 - socketSide - 60) / Math.max(1, count))
    for (let stick = 0; stick < count; stick++) {
      const name =
        stick < (build.base?.memorySticks ?? 0)
          ? 'As it comes'
          : (assembly.sticks[stick - (build.base?.memorySticks ?? 0)]?.module.label ?? null)
      marks.push({
        id: `memory-${stick + 1}`,
        kind: 'memory',
        x: socket.x + socketSide + 46 + stick * pitch,
        y: at.y + 14,
        width: Math.min(11, pitch - 3),
        height: 84,
        label: `Memory slot ${stick + 1}`,
        holds: stick < taken ? name : null,
        offBy: null,
      })
    }
    const rear = board.networkMbps.map(mbps => `${mbps >= 1000 ? `${mbps / 1000} G` : `${mbps} M`}`)
    rear.forEach((label, index) =>
      marks.push({
        id: `rear-${index + 1}`,
        kind: 'rear',
        x: at.x,
        y: at.y + 12 + index * 26,
        width: 46,
        height: 22,
        label: 'Network port',
        holds: label,
        offBy: null,
      }),
    )
    const firstRow = at.y + 128
    const rowHeight = Math.min(44, (at.y + at.height - firstRow - 10) / Math.max(1, rows.length))
    const labelOf = (id: string) => places.find(({ place }) => place.id === id)?.place.label ?? id
    rows.forEach((state, index) => {
      const { place, holds, offBy } = state
      const y = firstRow + index * rowHeight
      const mark: MapMark = {
        id: place.id,
        kind: place.kind === 'slot' ? 'slot' : 'm2',
        x: at.x + 12,
        y,
        width: at.width * (place.kind === 'slot' ? (slotShare[place.length] ?? 0.42) : 0.5),
        height: Math.min(30, rowHeight - 5),
        label: place.label,
        holds: holds?.label ?? null,
        offBy: offBy && labelOf(offBy),
        state,
      }
      marks.push(mark)
      const fromX = mark.x + mark.width
      const middle = y + mark.height / 2
      const lane = at.x + at.width * 0.7 + (index % 4) * 7
      const target =
        place.from === 'processor'
          ? [
              `${socket.x + 40 + index * 4},${socket.y + socketSide}`,
              `${socket.x + 40 + index * 4},${firstRow - 12}`,
              `${lane},${firstRow - 12}`,
            ]
          : [
              `${chipset!.x},${chipset!.y + 10 + (index % 3) * 10}`,
              `${lane},${chipset!.y + 10 + (index % 3) * 10}`,
            ]
      tracks.push({
        id: place.id,
        points: [...target, `${lane},${middle}`, `${fromX},${middle}`].join(' '),
        width: laneWidths[state.lanes] ?? 2,
        isDead: offBy !== null,
        isNarrowed: state.narrowedBy !== null,
        isUsed: holds !== null && offBy === null,
      })
    })
    const ports = places.filter(({ place }) => place.kind === 'data')
    let drivesLeft = drivesOnPorts(assembly)
    const perRow = 2
    ports.forEach(({ place, holds, offBy }, index) => {
      const column = index % perRow
      const row = Math.floor(index / perRow)
      marks.push({
        id: place.id,
        kind: 'data',
        x: at.x + at.width - 62 + column * 31,
        y: Math.max(at.y + 132, chipset!.y - 10 - Math.ceil(ports.length / perRow) * 25) + row * 25,
        width: 28,
        height: 22,
        label: place.label,
        holds: holds?.label ?? (offBy === null && drivesLeft-- > 0 ? 'a data drive' : null),
        offBy: offBy && labelOf(offBy),
        state: places.find(state => state.place.id === place.id)!,
      })
    })
  }
  const column = isNarrow
    ? { x: pad, y: at.y + at.height + 30 }
    : { x: width - pad - bayColumn, y: at.y }
  const outside = build.bays - bays35
  const slots = Math.max(bays35, 0)
  const perRow = slots > 12 ? 3 : slots > 6 ? 2 : 1
  const bayWidth = (bayColumn - 20 - (perRow - 1) * bayGap) / perRow
  marks.push({
    id: 'supply',
    kind: 'supply',
    x: column.x + 10,
    y: column.y + 22,
    width: bayColumn - 20,
    height: 34,
    label: 'Power supply',
    holds: supply?.label ?? null,
    offBy: null,
  })
  const first = column.y + 22 + 34 + 26
  for (let bay = 0; bay < Math.max(slots + Math.max(0, outside), driveLabels.length); bay++) {
    const row = Math.floor(bay / perRow)
    marks.push({
      id: `bay-${bay + 1}`,
      kind: 'bay',
      x: column.x + 10 + (bay % perRow) * (bayWidth + bayGap),
      y: first + row * (bayHeight + bayGap),
      width: bayWidth,
      height: bayHeight,
      label:
        bay < slots
          ? `Bay ${bay + 1}`
          : bay < slots + outside
            ? `Bay ${bay - slots + 1} of the enclosure`
            : 'No bay',
      holds: driveLabels[bay] ?? null,
      offBy: null,
    })
  }
  const bottom = Math.max(...marks.map(mark => mark.y + mark.height), first) + 14
  const bayBottom =
    Math.max(
      ...marks
        .filter(({ kind }) => kind === 'bay' || kind === 'supply')
        .map(mark => mark.y + mark.height),
    ) + 12
  const height = Math.max(isNarrow ? bottom : at.y + at.height + 14, bayBottom)
  return {
    width,
    height,
    board: board ? at : null,
    chipset,
    marks,
    tracks,
    housing: {
      x: column.x,
      y: column.y,
      width: bayColumn,
      height: (housing ? bayBottom : first) - column.y,
    },
  }
}
