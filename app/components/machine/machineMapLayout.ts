import { boardForms } from '~~/core/catalogue/hardware/partWords'
import type { Assembly } from '~~/core/machine/assembly/assembly'
import type { Box, MachineMap, MapMark } from './machineMap'
import { boardMarks } from './machineMapBoard'

const pad = 14
/** px of a mm, for the largest board in the room that there is. */
const tallest = 470
const bayHeight = 26
const smallBayHeight = 22
const bayGap = 5
const supplyHeight = 34

/** What drives are called, by the size of the bay that they want. */
export interface DriveLabels {
  readonly large: readonly string[]
  readonly small: readonly string[]
}

/**
 * What the map shows of a machine, to scale where there is one: the board in its real form, behind
 * it the case with its bays.
 */
export function machineMap(
  assembly: Assembly,
  { width, drives }: { readonly width: number; readonly drives: DriveLabels },
): MachineMap {
  const { board } = assembly
  const isNarrow = width < 620
  const columnWidth = isNarrow ? width - 2 * pad : Math.min(260, Math.max(190, width * 0.28))
  const at = boardBox(assembly, isNarrow ? width - 2 * pad : width - columnWidth - 3 * pad)
  const drawn = board ? boardMarks(assembly, board, at) : null
  const column = isNarrow
    ? { x: pad, y: at.y + at.height + 30 }
    : { x: width - pad - columnWidth, y: at.y }
  const firstBay = column.y + 22 + supplyHeight + 26
  const housed = housingMarks(assembly, { ...column, width: columnWidth, firstBay, drives })
  const bottomOf = (marks: readonly MapMark[]) =>
    Math.max(firstBay, ...marks.map(mark => mark.y + mark.height))
  const marks = [...(drawn?.marks ?? []), ...housed]
  const bayBottom = Math.max(...housed.map(mark => mark.y + mark.height)) + 12
  return {
    width,
    height: Math.max(isNarrow ? bottomOf(marks) + 14 : at.y + at.height + 14, bayBottom),
    board: board ? at : null,
    chipset: drawn?.chipset ?? null,
    marks,
    tracks: drawn?.tracks ?? [],
    housing: {
      ...column,
      width: columnWidth,
      height: (assembly.housing ? bayBottom : firstBay) - column.y,
    },
  }
}

/**
 * Where the board is drawn. A small one with many places is drawn larger than life, so that its
 * names can be read.
 */
function boardBox({ board, places }: Assembly, room: number): Box {
  const [heightMm, widthMm] = board ? boardForms[board.form] : [244, 244]
  const scale = Math.min(room / 265, tallest / 330)
  const rows = places.filter(({ place }) => place.kind !== 'data').length
  return {
    x: pad,
    y: pad + 18,
    width: Math.min(room, Math.max(widthMm * scale, 330)),
    height: Math.max(heightMm * scale, 170 + rows * 34),
  }
}

/** What stands in a bay of each size: one of 2.5" goes into a larger one where none is left. */
function inBays(
  { build: { parts }, housing }: Assembly,
  { large, small }: DriveLabels,
): { readonly large: readonly string[]; readonly small: readonly string[] } {
  const disks = parts.flatMap(({ kind, entry, part }) =>
    kind === 'ssd' && entry.shape === '2.5'
      ? Array.from({ length: part.count }, () => entry.label)
      : [],
  )
  const all = [...disks, ...small]
  const there = housing?.bays25 ?? 0
  return { small: all.slice(0, there), large: [...large, ...all.slice(there)] }
}

/** The supply and the bays; drives without a bay are drawn too. */
function housingMarks(
  assembled: Assembly,
  {
    x,
    y,
    width,
    firstBay,
    drives,
  }: {
    readonly x: number
    readonly y: number
    readonly width: number
    readonly firstBay: number
    readonly drives: DriveLabels
  },
): MapMark[] {
  const { supply, build, bays35: own, housing } = assembled
  const { large, small } = inBays(assembled, drives)
  const outside = build.enclosureBays
  const perRow = own > 12 ? 3 : own > 6 ? 2 : 1
  const bayWidth = (width - 20 - (perRow - 1) * bayGap) / perRow
  const labelOf = (bay: number) =>
    bay < own
      ? `Bay ${bay + 1}`
      : bay < own + outside
        ? `Bay ${bay - own + 1} of the enclosure`
        : 'No bay'
  const count = Math.max(own + outside, large.length)
  const firstSmall = firstBay + Math.ceil(count / perRow) * (bayHeight + bayGap)
  return [
    {
      id: 'supply',
      kind: 'supply',
      x: x + 10,
      y: y + 22,
      width: width - 20,
      height: supplyHeight,
      label: 'Power supply',
      holds: supply?.label ?? null,
      offBy: null,
    },
    ...Array.from({ length: count }, (_, bay): MapMark => ({
      id: `bay-${bay + 1}`,
      kind: 'bay',
      x: x + 10 + (bay % perRow) * (bayWidth + bayGap),
      y: firstBay + Math.floor(bay / perRow) * (bayHeight + bayGap),
      width: bayWidth,
      height: bayHeight,
      label: labelOf(bay),
      holds: large[bay] ?? null,
      offBy: null,
    })),
    ...Array.from({ length: housing?.bays25 ?? 0 }, (_, bay): MapMark => ({
      id: `small-bay-${bay + 1}`,
      kind: 'bay',
      x: x + 10 + (bay % 2) * ((width - 20 + bayGap) / 2),
      y: firstSmall + Math.floor(bay / 2) * (smallBayHeight + bayGap),
      width: (width - 20 - bayGap) / 2,
      height: smallBayHeight,
      label: `2.5" bay ${bay + 1}`,
      holds: small[bay] ?? null,
      offBy: null,
    })),
  ]
}
