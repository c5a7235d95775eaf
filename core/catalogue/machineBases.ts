import { dataPorts, m2, memoryPlaces, plainBoard, slot } from './hardware/boards'
import { plainCase } from './hardware/cases'
import type { Board, Case, Supply } from './hardware/hardwarePart'
import { plainSupply } from './hardware/supplies'

/** In what way a machine is sold. */
export const baseClasses = {
  appliance: 'Appliance', office: 'Refurbished office PC', miniPc: 'Mini PC', singleBoard: 'Single-board computer', laptop: 'Old laptop', router: 'Router or streaming box', rack: 'Rack server', kit: 'Board in a case',
} as const
export type BaseClass = keyof typeof baseClasses

/** What cannot be exchanged in a machine. */
export type FixedPart = 'board' | 'processor' | 'memory' | 'case' | 'supply'

/**
 * What a machine is built on: a prebuilt one with its processor, or a board in a case with its supply, ready to take one.
 * Models are invented; prices are planning values in the plan's currency, without drives.
 */
export interface MachineBase {
  readonly id: string
  readonly label: string
  readonly kind: 'prebuilt' | 'board'
  readonly class: BaseClass
  readonly description: string
  /** id of the processor it comes with; null where one is put in */
  readonly processor: string | null
  readonly memoryGB: number
  /** sticks that this memory comes in; 0 where it is soldered or there is none */
  readonly memorySticks: number
  readonly bays: number
  readonly portMbps: 100 | 1000 | 2500 | 10_000
  readonly passivelyCooled: boolean
  /** watts at the wall as it comes, without drives: with nothing to do, and with its processor (where it has one) fully busy */
  readonly idleW: number
  readonly loadW: number
  readonly price: number
  /** the system has a place of its own, so that no data drive is needed for it */
  readonly hasSystemDisk: boolean
  /** heat that its own cooler carries away for long, W; null where a cooler is put in */
  readonly coolsW: number | null
  readonly inside: { readonly board: Board, readonly case: Case, readonly supply: Supply }
  readonly fixed: readonly FixedPart[]
}

type Rest<Whole, Plain> = Omit<Whole, 'id' | 'label' | 'price' | 'comesWith' | keyof Plain> & Partial<Pick<Whole, keyof Plain & keyof Whole>>
type BoardRest = Rest<Board, typeof plainBoard> & { readonly idleW?: number, readonly loadW?: number }

/** Parts that come with a machine and are not sold by themselves. Their watts are in those of the machine. */
function insideOf(of: { readonly id: string, readonly label: string }, parts: { readonly board: Omit<BoardRest, 'idleW' | 'loadW'>, readonly case: Rest<Case, typeof plainCase>, readonly supply: Rest<Supply, typeof plainSupply> }): MachineBase['inside'] {
  const own = (what: string) => ({ id: `${of.id}-${what}`, label: `${what.charAt(0).toUpperCase()}${what.slice(1)} of the ${of.label}`, price: 0, comesWith: of.id, idleW: 0, loadW: 0 })
  return { board: { ...plainBoard, ...parts.board, ...own('board') }, case: { ...plainCase, ...parts.case, ...own('case') }, supply: { ...plainSupply, ...parts.supply, ...own('supply') } }
}

const sealed = ['board', 'processor', 'case', 'supply'] as const
const appliance = { kind: 'prebuilt', class: 'appliance', passivelyCooled: false, hasSystemDisk: true, coolsW: 40, fixed: sealed } as const
const office = { kind: 'prebuilt', class: 'office', passivelyCooled: false, hasSystemDisk: true, coolsW: 95, fixed: ['board', 'case', 'supply'] } as const
const miniPc = { kind: 'prebuilt', class: 'miniPc', passivelyCooled: false, hasSystemDisk: true, coolsW: 45, bays: 0, fixed: sealed } as const
const kit = { kind: 'board', class: 'kit', passivelyCooled: false, hasSystemDisk: false, processor: null, memoryGB: 0, memorySticks: 0, fixed: [] } as const

const trays = (count: number) => ({ bays35: count, bays25: 0, hotSwap: count, bayLights: true, airflow: 'across' }) as const
const brick = (ratingW: number, bays: number) => ({ form: 'brick', ratingW, amps12: ratingW / 12, efficiency: 'brick', driveLeads: Array.from({ length: Math.ceil(bays / 4) }, (_, index) => Math.min(4, bays - index * 4)), fourPinPlugs: 0, cardPlugs: 0, noiseDb: 0, ownPlugs: true }) as const
const officeSupply = (ratingW: number, plugs: readonly number[]) => ({ form: 'own', ratingW, amps12: Math.round(ratingW / 13), efficiency: 'bronze', driveLeads: plugs, fourPinPlugs: 0, cardPlugs: 0, noiseDb: 26, ownPlugs: true }) as const
const soldered = (processor: string) => ({ socket: null, processor, form: 'own', fanHeaders: 1 }) as const
const noSlots = { cardSlots: 0, fullHeight: false, coolerMm: 40, cardMm: 0, fanMounts: 1, supplyForm: 'brick' } as const
const noBays = { ...noSlots, bays35: 0, airflow: 'none', reach: 'dismantle', fans: [] } as const

interface Row extends Omit<MachineBase, 'inside'> {
  readonly parts: Parameters<typeof insideOf>[1]
}

const rows: readonly Row[] = [
  {
    ...appliance, id: 'punt-2', label: 'Punt 2', description: 'Two-bay appliance with an ARM chip: shares, and titles that play as they are.',
    processor: 'rill-2', memoryGB: 4, memorySticks: 0, bays: 2, portMbps: 1000, coolsW: 10, idleW: 6, loadW: 12, price: 160, fixed: [...sealed, 'memory'],
    parts: { board: { ...soldered('rill-2'), year: 2020, memory: memoryPlaces('DDR4', [0, 4], { shape: 'soldered' }), places: dataPorts(2), networkMbps: [1000] }, case: { ...noSlots, ...trays(2), forms: ['own'], widthMm: 105, heightMm: 165, depthMm: 225, weightKg: 2, fans: [{ sizeMm: 92, rpm: 900 }] }, supply: brick(65, 2) },
  },
  {
    ...appliance, id: 'wherry-2', label: 'Wherry 2', description: 'Two-bay appliance with a small four-core processor; its system comes with it.',
    processor: 'beck-19', memoryGB: 4, memorySticks: 1, bays: 2, portMbps: 1000, idleW: 9, loadW: 19, price: 240,
    parts: { board: { ...soldered('beck-19'), year: 2020, memory: memoryPlaces('DDR4', [2, 8], { shape: 'SO-DIMM' }), places: dataPorts(2), networkMbps: [1000] }, case: { ...noSlots, ...trays(2), forms: ['own'], widthMm: 110, heightMm: 165, depthMm: 230, weightKg: 2, fans: [{ sizeMm: 92, rpm: 900 }] }, supply: brick(65, 2) },
  },
  {
    ...kit, id: 'towpath', label: 'Towpath', description: 'A used office board in a small case with three bays.', bays: 3, portMbps: 1000, idleW: 13, loadW: 15, price: 120, coolsW: 95,
    parts: { board: { year: 2018, form: 'microATX', socket: 'L3', memory: memoryPlaces('DDR4', [2, 32]), places: [slot(1, [16, 3]), m2(1, 3, { takesData: 'too' }), slot(2, [1, 3]), ...dataPorts(4)], sharing: [{ when: 'm2-1', by: 'sata', off: ['data-4'] }], networkMbps: [1000] }, case: { forms: ['mini-ITX', 'microATX'], bays35: 3, bays525: 1, widthMm: 180, heightMm: 360, depthMm: 400, weightKg: 6, reach: 'side' }, supply: { form: 'ATX', ratingW: 300, amps12: 22, efficiency: 'bronze', driveLeads: [3, 2], cardPlugs: 0 } },
  },
  {
    ...appliance, id: 'wherry-4', label: 'Wherry 4', description: 'Four-bay appliance with an efficient four-core processor and a faster port.',
    processor: 'beck-23', memoryGB: 8, memorySticks: 1, bays: 4, portMbps: 2500, idleW: 14, loadW: 30, price: 520,
    parts: { board: { ...soldered('beck-23'), year: 2023, memory: memoryPlaces('DDR5', [1, 16], { shape: 'SO-DIMM' }), places: [...dataPorts(4), m2(1, 3, { lanes: 1 }), m2(2, 3, { lanes: 1 })], networkMbps: [2500, 2500] }, case: { ...noSlots, ...trays(4), forms: ['own'], widthMm: 170, heightMm: 170, depthMm: 230, weightKg: 3, fans: [{ sizeMm: 92, rpm: 900 }, { sizeMm: 92, rpm: 900 }], fanMounts: 2 }, supply: brick(120, 4) },
  },
  {
    ...kit, id: 'millrace', label: 'Millrace', description: 'A small new board in a quiet case with six bays.', bays: 6, portMbps: 2500, idleW: 11, loadW: 14, price: 350, coolsW: 95,
    parts: { board: { year: 2022, form: 'mini-ITX', socket: 'L4', memory: memoryPlaces('DDR4', [2, 64]), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), m2(2, 3), ...dataPorts(6)], sharing: [{ when: 'm2-2', off: ['data-5', 'data-6'] }], networkMbps: [2500], fanHeaders: 3 }, case: { forms: ['mini-ITX'], bays35: 6, cardSlots: 2, coolerMm: 125, widthMm: 250, heightMm: 330, depthMm: 380, weightKg: 7, airflow: 'across', supplyForm: 'SFX', fans: [{ sizeMm: 120, rpm: 900 }, { sizeMm: 120, rpm: 900 }], fanMounts: 3 }, supply: { form: 'SFX', ratingW: 450, amps12: 37.5, efficiency: 'gold', driveLeads: [4, 4], leadMm: 350, noiseDb: 22 } },
  },
  {
    ...appliance, id: 'wherry-6', label: 'Wherry 6', description: 'Six-bay appliance with a mobile processor that converts well.',
    processor: 'burn-21', memoryGB: 8, memorySticks: 1, bays: 6, portMbps: 2500, idleW: 22, loadW: 48, price: 890,
    parts: { board: { ...soldered('burn-21'), year: 2022, memory: memoryPlaces('DDR4', [2, 64], { shape: 'SO-DIMM' }), places: [...dataPorts(6), m2(1, 3, { lanes: 2 }), m2(2, 3, { lanes: 2 }), slot(1, [4, 3])], networkMbps: [2500, 2500] }, case: { ...noSlots, ...trays(6), forms: ['own'], cardSlots: 1, cardMm: 160, widthMm: 260, heightMm: 185, depthMm: 240, weightKg: 5, fans: [{ sizeMm: 92, rpm: 1100 }, { sizeMm: 92, rpm: 1100 }], fanMounts: 2 }, supply: brick(220, 6) },
  },
  {
    ...appliance, id: 'lighter-8', label: 'Lighter 8', description: 'Eight-bay appliance with room for years and a fast port.',
    processor: 'bore-19', memoryGB: 16, memorySticks: 1, bays: 8, portMbps: 10_000, idleW: 27, loadW: 64, price: 1290,
    parts: { board: { ...soldered('bore-19'), year: 2021, memory: memoryPlaces('DDR4', [4, 64], { ecc: true, shape: 'SO-DIMM' }), places: [...dataPorts(8), m2(1, 3), m2(2, 3), slot(1, [8, 3], { from: 'processor' })], display: 'none', networkMbps: [10_000, 1000] }, case: { ...noSlots, ...trays(8), forms: ['own'], cardSlots: 1, cardMm: 170, widthMm: 340, heightMm: 170, depthMm: 240, weightKg: 6, fans: [{ sizeMm: 120, rpm: 1100 }, { sizeMm: 120, rpm: 1100 }], fanMounts: 2 }, supply: brick(280, 8) },
  },
  {
    ...kit, id: 'weir', label: 'Weir', description: 'A board for error-correcting memory in a case with eight front bays.', bays: 8, portMbps: 10_000, idleW: 16, loadW: 20, price: 830, coolsW: 200,
    parts: { board: { year: 2022, form: 'microATX', socket: 'R3', memory: memoryPlaces('DDR5', [4, 192], { ecc: true }), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), slot(2, [8, 4], { lanes: 4 }), m2(2, 4), ...dataPorts(8)], sharing: [{ when: 'm2-2', off: ['data-7', 'data-8'] }], display: 'own', remoteManagement: true, networkMbps: [10_000, 1000], fanHeaders: 5 }, case: { forms: ['mini-ITX', 'microATX'], ...trays(8), bays25: 2, cardSlots: 4, coolerMm: 150, widthMm: 280, heightMm: 380, depthMm: 400, weightKg: 9, fans: [{ sizeMm: 140, rpm: 900 }, { sizeMm: 140, rpm: 900 }], fanMounts: 3 }, supply: { form: 'ATX', ratingW: 650, amps12: 54, efficiency: 'gold', driveLeads: [4, 4, 4], cardPlugs: 2, noiseDb: 21 } },
  },
  {
    ...appliance, id: 'barge-12', label: 'Barge 12', description: 'Twelve-bay appliance for a rack; loud.',
    processor: 'bore-21', memoryGB: 16, memorySticks: 1, bays: 12, portMbps: 10_000, coolsW: 110, idleW: 62, loadW: 150, price: 2190,
    parts: { board: { ...soldered('bore-21'), year: 2021, memory: memoryPlaces('DDR4', [4, 128], { ecc: true }), places: [...dataPorts(12), m2(1, 4), m2(2, 4), slot(1, [8, 4], { from: 'processor' }), slot(2, [8, 4], { from: 'processor' })], display: 'own', remoteManagement: true, networkMbps: [10_000, 10_000, 1000], fanHeaders: 4 }, case: { ...trays(12), forms: ['own'], cardSlots: 2, fullHeight: false, coolerMm: 60, cardMm: 180, widthMm: 430, heightMm: 88, depthMm: 600, rackUnits: 2, weightKg: 15, supplyForm: 'own', fans: [{ sizeMm: 80, rpm: 4000 }, { sizeMm: 80, rpm: 4000 }, { sizeMm: 80, rpm: 4000 }], fanMounts: 3 }, supply: { form: 'own', ratingW: 500, amps12: 41, efficiency: 'platinum', driveLeads: [4, 4, 4], noiseDb: 45, ownPlugs: true } },
  },
  {
    ...office, id: 'clerk-15', label: 'Clerk 15', description: 'Flat office PC with one bay and its maker\'s own supply.', processor: 'leat-15', memoryGB: 8, memorySticks: 2, bays: 1, portMbps: 1000, idleW: 15, loadW: 62, price: 95,
    parts: { board: { year: 2015, form: 'own', socket: 'L3', memory: memoryPlaces('DDR4', [4, 64]), places: [slot(1, [16, 3]), slot(2, [4, 2], { lanes: 1 }), m2(1, 3, { lanes: 2 }), ...dataPorts(3)], networkMbps: [1000], fanHeaders: 1 }, case: { forms: ['own'], bays35: 1, bays25: 1, cardSlots: 2, fullHeight: false, coolerMm: 60, cardMm: 170, widthMm: 290, heightMm: 95, depthMm: 310, weightKg: 6, reach: 'dismantle', supplyForm: 'own', fanMounts: 1, fans: [{ sizeMm: 92, rpm: 1300 }] }, supply: officeSupply(180, [2]) },
  },
  {
    ...office, id: 'clerk-17', label: 'Clerk 17', description: 'Office tower with two bays and one for a disc drive.', processor: 'leat-17', memoryGB: 16, memorySticks: 2, bays: 2, portMbps: 1000, idleW: 17, loadW: 70, price: 150,
    parts: { board: { year: 2017, form: 'own', socket: 'L3', memory: memoryPlaces('DDR4', [4, 64]), places: [slot(1, [16, 3]), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(1, 3, { takesData: 'too' }), ...dataPorts(4)], sharing: [{ when: 'm2-1', by: 'sata', off: ['data-4'] }], networkMbps: [1000], fanHeaders: 2 }, case: { forms: ['own'], bays35: 2, bays25: 1, bays525: 1, cardSlots: 4, coolerMm: 120, cardMm: 260, widthMm: 170, heightMm: 350, depthMm: 310, weightKg: 8, supplyForm: 'own', fanMounts: 2, fans: [{ sizeMm: 92, rpm: 1200 }] }, supply: officeSupply(260, [2, 2]) },
  },
  {
    ...office, id: 'clerk-20', label: 'Clerk 20', description: 'Six-core office tower with two bays.', processor: 'leat-20', memoryGB: 16, memorySticks: 1, bays: 2, portMbps: 1000, idleW: 16, loadW: 78, price: 260,
    parts: { board: { year: 2020, form: 'own', socket: 'L3', memory: memoryPlaces('DDR4', [4, 128]), places: [slot(1, [16, 3]), slot(2, [4, 3], { lanes: 1 }), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(1, 3), m2(2, 3), ...dataPorts(4)], sharing: [{ when: 'm2-2', off: ['data-4'] }], networkMbps: [1000], fanHeaders: 2 }, case: { forms: ['own'], bays35: 2, bays25: 1, bays525: 1, cardSlots: 4, coolerMm: 120, cardMm: 260, widthMm: 160, heightMm: 340, depthMm: 300, weightKg: 7, supplyForm: 'own', fanMounts: 2, fans: [{ sizeMm: 92, rpm: 1200 }] }, supply: officeSupply(260, [2, 2]) },
  },
  {
    ...miniPc, id: 'pebble-18', label: 'Pebble 18', description: 'Used mini PC; drives hang on in an enclosure.', processor: 'burn-18', memoryGB: 8, memorySticks: 1, portMbps: 1000, coolsW: 30, idleW: 8, loadW: 34, price: 130,
    parts: { board: { ...soldered('burn-18'), year: 2018, memory: memoryPlaces('DDR4', [2, 32], { shape: 'SO-DIMM' }), places: [m2(1, 3), ...dataPorts(1)], networkMbps: [1000], wifi: true }, case: { ...noBays, forms: ['own'], bays25: 1, widthMm: 120, heightMm: 50, depthMm: 115, weightKg: 1, fans: [{ sizeMm: 60, rpm: 2000 }] }, supply: brick(65, 1) },
  },
  {
    ...miniPc, id: 'pebble-21', label: 'Pebble 21', description: 'Mini PC with a good video engine; drives hang on in an enclosure.', processor: 'burn-21', memoryGB: 16, memorySticks: 2, portMbps: 2500, idleW: 9, loadW: 40, price: 320,
    parts: { board: { ...soldered('burn-21'), year: 2021, memory: memoryPlaces('DDR4', [2, 64], { shape: 'SO-DIMM' }), places: [m2(1, 4), ...dataPorts(1)], networkMbps: [2500], wifi: true }, case: { ...noBays, forms: ['own'], bays25: 1, widthMm: 120, heightMm: 50, depthMm: 115, weightKg: 1, fans: [{ sizeMm: 60, rpm: 1800 }] }, supply: brick(90, 1) },
  },
  {
    ...miniPc, id: 'pebble-23', label: 'Pebble 23', description: 'Strong mini PC with two fast ports.', processor: 'burn-23', memoryGB: 16, memorySticks: 2, portMbps: 2500, coolsW: 55, idleW: 11, loadW: 68, price: 480,
    parts: { board: { ...soldered('burn-23'), year: 2023, memory: memoryPlaces('DDR5', [2, 96], { shape: 'SO-DIMM' }), places: [m2(1, 4), m2(2, 4)], networkMbps: [2500, 2500], wifi: true }, case: { ...noBays, forms: ['own'], widthMm: 125, heightMm: 55, depthMm: 130, weightKg: 1, fans: [{ sizeMm: 60, rpm: 2200 }] }, supply: brick(120, 0) },
  },
  {
    ...miniPc, id: 'coracle', label: 'Coracle', class: 'singleBoard', description: 'Single-board computer with a carrier for four drives.', processor: 'rill-3', memoryGB: 8, memorySticks: 0, bays: 4, portMbps: 2500, coolsW: 15, idleW: 6, loadW: 16, price: 230, fixed: [...sealed, 'memory'],
    parts: { board: { ...soldered('rill-3'), year: 2023, memory: memoryPlaces('DDR4', [0, 8], { shape: 'soldered' }), places: [...dataPorts(4), m2(1, 3, { lanes: 2 })], networkMbps: [2500] }, case: { ...noSlots, forms: ['own'], bays35: 4, bays25: 0, reach: 'dismantle', widthMm: 180, heightMm: 160, depthMm: 190, weightKg: 2, fans: [{ sizeMm: 92, rpm: 1000 }], airflow: 'across' }, supply: brick(150, 4) },
  },
  {
    ...miniPc, id: 'folio-18', label: 'Folio 18', class: 'laptop', description: 'Old laptop: no bays; its battery is a small UPS, and may swell.', processor: 'burn-18', memoryGB: 8, memorySticks: 1, portMbps: 1000, coolsW: 20, idleW: 9, loadW: 38, price: 110,
    parts: { board: { ...soldered('burn-18'), year: 2018, memory: memoryPlaces('DDR4', [2, 32], { shape: 'SO-DIMM' }), places: [m2(1, 3)], networkMbps: [1000], wifi: true, display: 'own' }, case: { ...noBays, forms: ['own'], widthMm: 325, heightMm: 20, depthMm: 220, weightKg: 2, fans: [{ sizeMm: 60, rpm: 2500 }] }, supply: brick(65, 0) },
  },
  {
    ...miniPc, id: 'culvert-20', label: 'Culvert 20', class: 'router', description: 'Router that shares drives: for titles that play as they are. Its watts are those beyond a plain router\'s.', processor: 'rill-1', memoryGB: 4, memorySticks: 0, portMbps: 1000, passivelyCooled: true, coolsW: 8, idleW: 2, loadW: 5, price: 130, fixed: [...sealed, 'memory'],
    parts: { board: { ...soldered('rill-1'), year: 2020, memory: memoryPlaces('DDR4', [0, 4], { shape: 'soldered' }), places: [], networkMbps: [1000, 1000], wifi: true }, case: { ...noBays, forms: ['own'], widthMm: 230, heightMm: 40, depthMm: 160, weightKg: 1 }, supply: brick(40, 0) },
  },
  {
    ...miniPc, id: 'eddy-21', label: 'Eddy 21', class: 'router', description: 'Streaming box that serves as well: no conversions, and its one plug for drives.', processor: 'rill-1', memoryGB: 4, memorySticks: 0, portMbps: 1000, passivelyCooled: true, coolsW: 8, idleW: 3, loadW: 7, price: 150, fixed: [...sealed, 'memory'],
    parts: { board: { ...soldered('rill-1'), year: 2021, memory: memoryPlaces('DDR4', [0, 4], { shape: 'soldered' }), places: [], networkMbps: [1000], wifi: true, display: 'own' }, case: { ...noBays, forms: ['own'], widthMm: 110, heightMm: 25, depthMm: 110, weightKg: 1 }, supply: brick(40, 0) },
  },
  {
    ...office, id: 'crane-10', label: 'Crane 10', class: 'rack', description: 'Used rack server with two processors: nearly free, loud, and very costly to run.', processor: 'bore-10', memoryGB: 32, memorySticks: 8, bays: 8, portMbps: 1000, coolsW: 190, idleW: 165, loadW: 310, price: 90, hasSystemDisk: false,
    parts: { board: { year: 2010, form: 'own', socket: 'B1', memory: memoryPlaces('DDR3', [12, 192], { ecc: true }), places: [slot(1, [8, 2], { from: 'processor' }), slot(2, [8, 2], { from: 'processor' }), ...dataPorts(10)], display: 'own', remoteManagement: true, networkMbps: [1000, 1000, 1000, 1000], fanHeaders: 6 }, case: { ...trays(8), forms: ['own'], cardSlots: 2, fullHeight: false, coolerMm: 60, cardMm: 240, widthMm: 430, heightMm: 88, depthMm: 680, rackUnits: 2, weightKg: 24, supplyForm: 'own', fans: [{ sizeMm: 60, rpm: 6000 }, { sizeMm: 60, rpm: 6000 }, { sizeMm: 60, rpm: 6000 }, { sizeMm: 60, rpm: 6000 }], fanMounts: 4 }, supply: { form: 'own', ratingW: 750, amps12: 62, efficiency: 'silver', driveLeads: [4, 4, 2], noiseDb: 48, ownPlugs: true } },
  },
  {
    ...office, id: 'crane-14', label: 'Crane 14', class: 'office', description: 'Used workstation tower with error-correcting memory and four bays.', processor: 'bore-14', memoryGB: 32, memorySticks: 4, bays: 4, portMbps: 1000, coolsW: 160, idleW: 72, loadW: 205, price: 190,
    parts: { board: { year: 2014, form: 'own', socket: 'B2', memory: memoryPlaces('DDR4', [8, 256], { ecc: true }), places: [slot(1, [16, 3]), slot(2, [8, 3], { from: 'processor' }), slot(3, [16, 3]), slot(4, [4, 2]), ...dataPorts(6)], display: 'none', startsHeadless: true, networkMbps: [1000, 1000], fanHeaders: 4 }, case: { forms: ['own'], bays35: 4, bays25: 0, bays525: 2, cardSlots: 6, coolerMm: 150, cardMm: 310, widthMm: 180, heightMm: 430, depthMm: 500, weightKg: 16, supplyForm: 'own', fanMounts: 3, fans: [{ sizeMm: 120, rpm: 1300 }, { sizeMm: 92, rpm: 1500 }], airflow: 'across' }, supply: { form: 'own', ratingW: 650, amps12: 50, efficiency: 'gold', driveLeads: [4, 3], fourPinPlugs: 0, cardPlugs: 2, noiseDb: 28, ownPlugs: true } },
  },
]

export const machineBases: readonly MachineBase[] = rows.map(({ parts, ...base }) => ({ ...base, inside: insideOf(base, parts) }))
