import { videoCardShapes } from '../../catalogue/hardware/smallParts'
import type { Board, PlaceUser } from '../../catalogue/hardware/hardwarePart'
import type { MachineBase } from '../../catalogue/machineBases'
import type { Surge } from '../../drives/surge'
import type { DriveForms } from './driveForms'
import { partLabel, type KnownPart } from '../knownParts'

/** The data drives of a plan, as far as putting them in goes. */
export interface DriveLoad extends DriveForms {
  /** watts of all of them, DC, likely: with nothing to do, at work */
  readonly idleW: number
  readonly activeW: number
  /** while one title is read */
  readonly readW: number
  /** with the platters of those that turn stopped */
  readonly asleepW: number
  /** the same of those that turn */
  readonly turningIdleW: number
  readonly turningActiveW: number
  /** in cases of their own on USB, which are not in the count; their watts are in the sums */
  readonly inOwnCase: number
  readonly ownCaseIdleW: number
  readonly ownCaseActiveW: number
  /** what each of those that turn inside takes while it spins up, the largest first */
  readonly surges: readonly Surge[]
}

/** One piece that takes a place of the board. */
export interface Item {
  /** part and copy, '3.0'; data drives begin with 'drive', the base's own disk is 'base' */
  readonly key: string
  /** index in the plan's parts; null for what is no part */
  readonly partIndex: number | null
  readonly label: string
  readonly kind: 'card' | 'controller' | 'networkCard' | 'ssd' | 'optical' | 'm2Card' | 'drive'
  readonly wants: PlaceUser
  /** lanes and slot length it is made for; 0 for what hangs on a data port */
  readonly lanes: number
  readonly length: number
  readonly generation: number
  readonly lengthMm: number
  readonly lowHeight: boolean
  /** openings at the back of the case that it takes */
  readonly openings: number
  /** plugs for cards that it wants of the supply */
  readonly cardPlugs: number
  /** data ports that it gives, and sockets outside */
  readonly ports: number
  readonly outside: number
  /** where the plan puts it; '' where that is left open */
  readonly at: string
}

const plain = {
  lanes: 0,
  length: 0,
  generation: 3,
  lengthMm: 0,
  lowHeight: true,
  openings: 0,
  cardPlugs: 0,
  ports: 0,
  outside: 0,
} as const

/** What kind of place a piece wants, and what it needs there. */
type Shape = Omit<Item, 'key' | 'partIndex' | 'label' | 'at'>

const cardShape = ({
  lanes,
  length,
  generation,
  lengthMm,
  lowHeight,
}: Pick<Item, 'lanes' | 'length' | 'generation' | 'lengthMm' | 'lowHeight'>) => ({
  ...plain,
  wants: 'slot' as const,
  openings: 1,
  lanes,
  length,
  generation,
  lengthMm,
  lowHeight,
})

/** The shape of a part; null for what takes no place of the board. */
function shapeOf(known: KnownPart): Shape | null {
  switch (known.kind) {
    case 'card': {
      const shape = videoCardShapes.find(({ engine }) => engine === known.entry.id)
      return {
        ...plain,
        kind: 'card',
        wants: 'slot',
        lanes: shape?.lanes ?? 16,
        length: 16,
        generation: shape?.generation ?? 3,
        lengthMm: shape?.lengthMm ?? 200,
        lowHeight: shape?.lowHeight ?? false,
        openings: shape?.openings ?? 2,
        cardPlugs: shape?.plugs ?? 0,
      }
    }
    case 'controller':
      return {
        ...cardShape(known.entry),
        kind: 'controller',
        ports: known.entry.ports,
        outside: known.entry.outside,
      }
    case 'networkCard':
      return { ...cardShape(known.entry), kind: 'networkCard' }
    case 'cable':
      return known.entry.use === 'm2Card'
        ? {
            ...plain,
            kind: 'm2Card',
            wants: 'slot',
            openings: 1,
            lanes: 4,
            length: 4,
            lengthMm: 120,
          }
        : null
    case 'ssd': {
      const { shape, link } = known.entry
      if (shape === 'stick') return null
      return {
        ...plain,
        kind: 'ssd',
        wants: shape === 'm2' ? link : 'data',
        lanes: shape === 'm2' && link === 'nvme' ? 4 : 0,
      }
    }
    case 'optical':
      return known.entry.link === 'data' ? { ...plain, kind: 'optical', wants: 'data' } : null
    case 'board':
    case 'case':
    case 'supply':
    case 'processor':
    case 'cooler':
    case 'memory':
    case 'fan':
    case 'enclosure':
    case 'ups':
      return null
  }
}

/**
 * Everything but memory, processor and what hangs beside that takes a place of the board: cards,
 * SSDs, disc drives, NVMe data drives.
 */
export function cardsAndDisks(
  parts: readonly KnownPart[],
  drives: Pick<DriveForms, 'nvme'>,
): Item[] {
  const items = parts.flatMap((known): Item[] => {
    const { index, part } = known
    const shape = shapeOf(known)
    if (!shape) return []
    return Array.from({ length: part.count }, (_, copy) => ({
      key: `${index}.${copy}`,
      partIndex: index,
      label: partLabel(known),
      at: copy === 0 ? part.at : '',
      ...shape,
    }))
  })
  const nvme = Array.from({ length: drives.nvme }, (_, copy): Item => ({
    ...plain,
    key: `drive.${copy}`,
    partIndex: null,
    label: 'NVMe data drive',
    kind: 'drive',
    wants: 'nvme',
    lanes: 4,
    at: '',
  }))
  return [...items, ...nvme]
}

/** The disk with the system that a machine comes with; null where it is no piece of its own. */
export function systemDiskItem({
  base,
  board,
}: {
  readonly base: MachineBase | null
  readonly board: Board | null
}): Item | null {
  if (!base || base.inside.board !== board) return null
  if (base.systemDisk !== 'nvme' && base.systemDisk !== 'sata') return null
  return {
    ...plain,
    key: 'base',
    partIndex: null,
    label: 'system disk that it came with',
    kind: 'ssd',
    wants: base.systemDisk === 'nvme' ? 'nvme' : 'data',
    lanes: base.systemDisk === 'nvme' ? 4 : 0,
    at: '',
  }
}

/** Of these, what hangs on a data port. */
export function dataUsers(items: readonly Item[]): Item[] {
  return items.filter(({ wants }) => wants === 'data')
}
