import { counted } from '../../units/counted'
import { soldText } from '../../catalogue/sold'
import type { HardwarePart } from '../../catalogue/hardware/hardwarePart'
import { videoCardShapes } from '../../catalogue/hardware/smallParts'
import { entryOf } from '../../catalogue/catalogue'
import type { PartKind, PartLists } from '../knownParts'
import { takes, type PlaceState } from './placement'

/** An entry of the catalogue that can be put into a machine. */
export interface PartEntry {
  readonly id: string
  readonly kind: PartKind
  readonly label: string
  readonly price: number | null
  readonly text: string
}

function hardwareText(part: HardwarePart): string {
  switch (part.kind) {
    case 'board':
      return (
        `${part.form}, ${part.socket ? `socket ${part.socket}` : 'processor soldered'}, ` +
        `${part.memory.slots} × ${part.memory.type}, ` +
        `${part.places.filter(({ kind }) => kind === 'data').length} data ports` +
        soldText(part.sold)
      )
    case 'case':
      return `${counted(part.bays35, 'bay')}${part.hotSwap ? ', front trays' : ''}, ${part.forms.join(', ')}`
    case 'supply':
      return `${part.form}, ${part.ratingW} W, ${part.efficiency}`
    case 'cooler':
      return `${part.heightMm} mm, ${part.carriesW} W`
    case 'controller':
      return `${counted(part.ports, 'port')}, ×${part.lanes}`
    case 'networkCard':
      return `${part.mbps} Mb/s, ${part.medium}`
    case 'ssd':
      return `${part.sizeGB} GB, ${part.link === 'nvme' ? 'NVMe' : 'SATA'}`
    case 'fan':
      return `${part.sizeMm} mm, ${part.rpm} rpm`
    case 'cable':
      return part.notes ?? `gives ${part.gives}`
    case 'enclosure':
      return `${counted(part.bays, 'bay')}, ${part.throughputMBps} MB/s`
    case 'ups':
      return `${part.ratingVA} VA, ${part.ratingW} W`
    case 'optical':
      return part.link === 'usb' ? 'by USB' : 'inside'
  }
}

/** The entries of a kind that are sold, as they stand in the catalogue. */
export function entriesOfKind(
  kind: PartKind,
  { processors, videoEngines, memoryModules, hardware }: PartLists,
): PartEntry[] {
  switch (kind) {
    case 'processor':
      return processors
        .filter(({ socket, price }) => socket !== null && price > 0)
        .map(({ id, name, price, cores, socket, engine, sold }) => ({
          id,
          kind,
          label: name,
          price,
          text:
            `socket ${socket}, ${cores} cores${engine === 'none' ? ', no engine' : ''}` +
            soldText(sold),
        }))
    case 'card':
      return videoEngines
        .filter(engine => engine.kind === 'card')
        .map(({ id, label, price, years, sold }) => ({
          id,
          kind,
          label,
          price,
          text: `${years}${soldText(sold)}`,
        }))
    case 'memory':
      return memoryModules.map(({ id, label, price, type, ecc }) => ({
        id,
        kind,
        label,
        price,
        text: `${type}${ecc ? ', ECC' : ''}`,
      }))
    default:
      return hardware
        .filter(part => part.kind === kind && part.comesWith === undefined)
        .map(part => ({
          id: part.id,
          kind,
          label: part.label,
          price: part.price,
          text: hardwareText(part),
        }))
  }
}

/** Whether an entry goes into a place of the board, whatever else is there. */
export function goesInto(
  entry: Pick<PartEntry, 'id' | 'kind'>,
  { place }: Pick<PlaceState, 'place'>,
  lists: PartLists,
): boolean {
  const part = entryOf(lists.hardware, entry.id)
  switch (entry.kind) {
    case 'card':
      return takes(place, {
        wants: 'slot',
        length: videoCardShapes.find(({ engine }) => engine === entry.id)?.length ?? 16,
      })
    case 'controller':
    case 'networkCard':
      return (
        part !== null && 'length' in part && takes(place, { wants: 'slot', length: part.length })
      )
    case 'cable':
      return (
        part?.kind === 'cable' &&
        part.use === 'm2Card' &&
        takes(place, { wants: 'slot', length: 4 })
      )
    case 'ssd':
      return (
        part?.kind === 'ssd' &&
        part.shape !== 'stick' &&
        takes(place, { wants: part.shape === 'm2' ? part.link : 'data', length: 0 })
      )
    case 'optical':
      return (
        part?.kind === 'optical' &&
        part.link === 'data' &&
        takes(place, { wants: 'data', length: 0 })
      )
    case 'board':
    case 'case':
    case 'supply':
    case 'processor':
    case 'cooler':
    case 'memory':
    case 'fan':
    case 'enclosure':
    case 'ups':
      return false
  }
}

/** Kinds that a place of the board can take. */
export function kindsFor({ place }: Pick<PlaceState, 'place'>): PartKind[] {
  return place.kind === 'slot'
    ? ['card', 'controller', 'networkCard', 'cable']
    : place.kind === 'm2'
      ? ['ssd']
      : ['ssd', 'optical']
}
