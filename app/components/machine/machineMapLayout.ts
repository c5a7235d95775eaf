import { boardForms } from '~~/core/catalogue/hardware/partWords'
import type { Assembly } from '~~/core/machine/assembly/assembly'
import { partLabel } from '~~/core/machine/knownParts'
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
  const { inside, outside } = housingMarks(assembly, {
    ...column,
    width: columnWidth,
    firstBay,
    drives,
  })
  const endOf = (marks: readonly MapMark[]) =>
    Math.max(firstBay, ...marks.map(mark => mark.y + mark.height)) + 12
  const marks = [...(drawn?.marks ?? []), ...inside, ...outside]
  const enclosures = assembly.build.parts.filter(({ kind }) => kind === 'enclosure')
  return {
    width,
    height: Math.max(
      isNarrow ? endOf(marks) + 2 : at.y + at.height + 14,
      endOf([...inside, ...outside]),
    ),
    board: board ? at : null,
    chipset: drawn?.chipset ?? null,
    marks,
    tracks: drawn?.tracks ?? [],
    housing: {
      ...column,
      width: columnWidth,
      height: (assembly.housing ? endOf(inside) : firstBay) - column.y,
    },
    outside:
      outside.length > 0 && enclosures.length > 0
        ? {
            x: column.x,
            y: outside[0]!.y - 26,
            width: columnWidth,
            height: endOf(outside) - outside[0]!.y + 26,
            label: enclosures.map(partLabel).join(', '),
          }
        : null,
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

interface HousingAsked {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly firstBay: number
  readonly drives: DriveLabels
}

/**
 * The supply and the bays of the machine, and below them those of enclosures; drives without a bay
 * are drawn too.
 */
function housingMarks(
  assembled: Assembly,
  { x, y, width, firstBay, drives }: HousingAsked,
): { readonly inside: MapMark[]; readonly outside: MapMark[] } {
  const { supply, build, bays35: own, housing } = assembled
  const { large, small } = inBays(assembled, drives)
  const perRow = own > 12 ? 3 : own > 6 ? 2 : 1
  const mark = (
    id: string,
    label: string,
    { holds, at, from, columns, height }: BayPlace,
  ): MapMark => {
    const bayWidth = (width - 20 - (columns - 1) * bayGap) / columns
    return {
      id,
      kind: 'bay',
      x: x + 10 + (at % columns) * (bayWidth + bayGap),
      y: from + Math.floor(at / columns) * (height + bayGap),
      width: bayWidth,
      height,
      label,
      holds: holds ?? null,
      offBy: null,
    }
  }
  const smallFrom = firstBay + Math.ceil(own / perRow) * (bayHeight + bayGap)
  const smallBays = housing?.bays25 ?? 0
  const outsideFrom = smallFrom + Math.ceil(smallBays / 2) * (smallBayHeight + bayGap) + 44
  const labelOf = (bay: number) =>
    bay < own + build.enclosureBays ? `Bay ${bay - own + 1} of the enclosure` : 'No bay'
  const count = Math.max(own + build.enclosureBays, large.length)
  return {
    inside: [
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
      ...Array.from({ length: own }, (_, at) =>
        mark(`bay-${at + 1}`, `Bay ${at + 1}`, {
          holds: large[at],
          at,
          from: firstBay,
          columns: perRow,
          height: bayHeight,
        }),
      ),
      ...Array.from({ length: smallBays }, (_, at) =>
        mark(`small-bay-${at + 1}`, `2.5" bay ${at + 1}`, {
          holds: small[at],
          at,
          from: smallFrom,
          columns: 2,
          height: smallBayHeight,
        }),
      ),
    ],
    outside: Array.from({ length: count - own }, (_, at) =>
      mark(`bay-${own + at + 1}`, labelOf(own + at), {
        holds: large[own + at],
        at,
        from: outsideFrom,
        columns: perRow,
        height: bayHeight,
      }),
    ),
  }
}

/** Where a bay is drawn among its like, and what is in it. */
interface BayPlace {
  readonly holds: string | undefined
  readonly at: number
  readonly from: number
  readonly columns: number
  readonly height: number
}
