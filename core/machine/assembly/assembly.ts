import type {
  Board,
  BoardPlace,
  Case,
  Cooler,
  PlaceUser,
  Supply,
} from '../../catalogue/hardware/hardwarePart'
import type { MemoryModule } from '../../catalogue/memoryModules'
import type { Processor } from '../../catalogue/processors'
import type { MachineBuild } from '../machineBuild'
import { partsOfKind } from '../knownParts'
import { driveBays, type DriveBays } from './driveBays'
import type { DriveForms } from './driveForms'
import { dataUsers, cardsAndDisks, systemDiskItem, type DriveLoad, type Item } from './items'
import { placeItems, type PlaceState } from './placement'

/** Something of the machine for which the board has no place left. */
export interface Unplaced {
  readonly item: Item
  readonly wants: PlaceUser
}

/** A stick of memory; those that came with the base have no part. */
export interface MemoryStick {
  readonly partIndex: number | null
  readonly module: MemoryModule
}

/**
 * The machine put together: what sits in which place of the board, what that switches off
 * elsewhere, and what finds no place.
 * Without a board of which anything is known, its places are empty and most rules of fit cannot be
 * judged.
 */
export interface Assembly<Load extends DriveForms = DriveLoad> {
  readonly build: MachineBuild
  readonly board: Board | null
  readonly housing: Case | null
  readonly supply: Supply | null
  readonly cooler: Cooler | null
  /** heat that the cooler carries away for long, W; null where there is none */
  readonly coolsW: number | null
  readonly processor: Processor | null
  readonly sticks: readonly MemoryStick[]
  readonly places: readonly PlaceState[]
  readonly unplaced: readonly Unplaced[]
  /** the system disk that it came with gives its place to an SSD that is put in */
  readonly diskOut: boolean
  readonly drives: Load
  /** data ports: of the board that are alive, and of controllers in their slots */
  readonly boardPorts: number
  readonly controllerPorts: number
  /** sockets of controllers in their slots, for drives that hang outside by cable */
  readonly outsideSockets: number
  /** ports that something other than a data drive needs: system SSDs, disc drives */
  readonly otherPorts: number
  /** where the data drives hang */
  readonly bays: DriveBays
  /** drives that hang in enclosures and need no port inside */
  readonly enclosedDrives: number
  /** bays for 3.5" drives in the machine itself */
  readonly bays35: number
}

function sticksOf(build: MachineBuild): MemoryStick[] {
  return partsOfKind(build.parts, 'memory').flatMap(({ index, part, entry }) =>
    Array.from({ length: part.count }, () => ({ partIndex: index, module: entry })),
  )
}

/**
 * Pieces and their places. The system disk that a machine comes with sits in one of them; it comes
 * out where an SSD that is put in needs the place and can hold the system instead.
 */
function placed(build: MachineBuild, drives: DriveForms) {
  const own = cardsAndDisks(build.parts, drives)
  const disk = systemDiskItem(build)
  if (!disk) return { items: own, diskOut: false, ...placeItems(build.board, own) }
  const items = [...own, disk]
  const whole = placeItems(build.board, items)
  if (whole.unplaced.length > 0 && own.some(({ kind }) => kind === 'ssd')) {
    const without = placeItems(build.board, own)
    if (without.unplaced.length < whole.unplaced.length)
      return { items: own, diskOut: true, ...without }
  }
  return { items, diskOut: false, ...whole }
}

export function assembly<Load extends DriveForms>(
  build: MachineBuild,
  drives: Load,
): Assembly<Load> {
  const { board, housing, supply, parts, base, processor } = build
  const { items, places, unplaced, diskOut } = placed(build, drives)
  const cooler = partsOfKind(parts, 'cooler').at(-1)?.entry ?? null
  const bays = driveBays(build, drives)
  const alive = (place: BoardPlace, state: PlaceState) =>
    place.kind === 'data' && state.offBy === null
  const controllers = places.flatMap(({ holds, offBy }) =>
    holds?.kind === 'controller' && offBy === null ? [holds] : [],
  )
  return {
    build,
    board,
    housing,
    supply,
    cooler,
    processor,
    places,
    unplaced,
    diskOut,
    drives,
    bays,
    bays35: Math.max(0, build.bays - build.enclosureBays),
    sticks: sticksOf(build),
    coolsW: cooler?.carriesW ?? (board && base?.inside.board === board ? base.coolsW : null),
    boardPorts: places.filter(state => alive(state.place, state)).length,
    controllerPorts: controllers.reduce((sum, { ports }) => sum + ports, 0),
    outsideSockets: controllers.reduce((sum, { outside }) => sum + outside, 0),
    otherPorts: dataUsers(items).length,
    enclosedDrives: bays.turningOutside + bays.flashOutside,
  }
}

/** Drives that need a data port inside. */
export function drivesOnPorts({
  drives,
  enclosedDrives,
}: Pick<Assembly<DriveForms>, 'drives' | 'enclosedDrives'>): number {
  return Math.max(0, drives.count - drives.nvme - enclosedDrives)
}

/** Memory slots that are taken, the base's own sticks counted. */
export function sticksTaken({ sticks, build }: Pick<Assembly, 'sticks' | 'build'>): number {
  return sticks.length + (build.base?.memorySticks ?? 0)
}
