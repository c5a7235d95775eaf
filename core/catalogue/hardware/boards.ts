import type { Board, BoardPlace, LaneSource, MemoryShape, MemoryType } from './hardwarePart'

/** Data ports, numbered on: dataPorts(4) makes data-1 … data-4. */
export function dataPorts(count: number, first = 1): BoardPlace[] {
  return Array.from({ length: count }, (_, index) => ({ id: `data-${first + index}`, label: `Data port ${first + index}`, kind: 'data', length: 0, lanes: 0, generation: 3, from: 'chipset' }))
}
type Wiring = Partial<Pick<BoardPlace, 'lanes' | 'takesData' | 'openEnded'>> & { readonly from?: LaneSource }
/** An M.2 place; four lanes of the chipset unless said. */
export function m2(number: number, generation: number, { lanes = 4, from = 'chipset', ...rest }: Wiring = {}): BoardPlace {
  return { id: `m2-${number}`, label: `M.2 place ${number}`, kind: 'm2', length: 4, lanes, generation, from, ...rest }
}
/** A slot, from the socket downwards; as many lanes as it is long unless said. */
export function slot(number: number, [length, generation]: readonly [length: 1 | 4 | 8 | 16, generation: number], { lanes = length, from = length === 16 ? 'processor' : 'chipset', ...rest }: Wiring = {}): BoardPlace {
  return { id: `slot-${number}`, label: `Slot ${number} (×${length})`, kind: 'slot', length, lanes, generation, from, ...rest }
}
export function memoryPlaces(type: MemoryType, [slots, maxGB]: readonly [slots: number, maxGB: number], { ecc = false, shape = 'DIMM' }: { readonly ecc?: boolean, readonly shape?: MemoryShape } = {}): Board['memory'] {
  return { type, slots, maxGB, ecc, shape }
}

export const plainBoard = {
  kind: 'board', processor: null, sharing: [], wifi: false, display: 'withEngine', startsHeadless: true, remoteManagement: false, networkMbps: [1000], fanHeaders: 3,
} as const satisfies Partial<Board>

/** Boards that are sold by themselves, by socket and year. What a place switches off stands in `sharing`. */
export const boards: readonly Board[] = [
  {
    ...plainBoard, id: 'stile-08', label: 'Stile 08', year: 2008, form: 'ATX', socket: 'L1', memory: memoryPlaces('DDR2', [4, 8]), places: [slot(1, [16, 2]), slot(2, [1, 1]), slot(3, [1, 1]), ...dataPorts(4)],
    display: 'none', startsHeadless: false, idleW: 22, loadW: 26, price: 15, notes: 'Old office board: does not start without a video card.',
  },
  {
    ...plainBoard, id: 'stile-11', label: 'Stile 11', year: 2011, form: 'microATX', socket: 'L2', memory: memoryPlaces('DDR3', [4, 32]), places: [slot(1, [16, 2]), slot(2, [1, 2]), slot(3, [1, 2]), slot(4, [16, 2], { lanes: 4, from: 'chipset' }), ...dataPorts(6)],
    sharing: [{ when: 'slot-4', off: ['slot-2', 'slot-3'] }], idleW: 15, loadW: 18, price: 25, notes: 'Its long lower slot has four lanes, and takes those of both short ones.',
  },
  {
    ...plainBoard, id: 'stile-13w', label: 'Stile 13 W', year: 2013, form: 'ATX', socket: 'L2', memory: memoryPlaces('DDR3', [4, 32], { ecc: true }), places: [slot(1, [16, 3]), slot(2, [1, 2]), slot(3, [16, 3], { lanes: 8 }), slot(4, [4, 2]), ...dataPorts(6)],
    sharing: [{ when: 'slot-3', narrows: { place: 'slot-1', lanes: 8 } }], idleW: 13, loadW: 16, price: 35, notes: 'Workstation board; starts without a screen.',
  },
  {
    ...plainBoard, id: 'lych-15', label: 'Lych 15', year: 2015, form: 'microATX', socket: 'L3', memory: memoryPlaces('DDR4', [4, 64]), places: [slot(1, [16, 3]), m2(1, 3, { takesData: 'too' }), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), ...dataPorts(6)],
    sharing: [{ when: 'm2-1', by: 'sata', off: ['data-1'] }, { when: 'm2-1', by: 'nvme', off: ['data-5', 'data-6'] }], idleW: 13, loadW: 16, price: 45, notes: 'An SSD in its M.2 place switches data ports off.',
  },
  {
    ...plainBoard, id: 'lych-17', label: 'Lych 17', year: 2017, form: 'ATX', socket: 'L3', memory: memoryPlaces('DDR4', [4, 64]), places: [slot(1, [16, 3]), m2(1, 3), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(2, 3, { takesData: 'too', lanes: 2 }), slot(4, [1, 3]), ...dataPorts(6)],
    sharing: [{ when: 'm2-1', off: ['data-5', 'data-6'] }, { when: 'm2-2', by: 'sata', off: ['data-1'] }, { when: 'slot-3', off: ['m2-2'] }], idleW: 14, loadW: 18, price: 60, notes: 'M.2 place 1 switches two data ports off; the lower long slot switches M.2 place 2 off.',
  },
  {
    ...plainBoard, id: 'lych-18m', label: 'Lych 18 M', year: 2018, form: 'mini-ITX', socket: 'L3', memory: memoryPlaces('DDR4', [2, 64]), places: [slot(1, [16, 3]), m2(1, 3), ...dataPorts(4)],
    wifi: true, fanHeaders: 2, idleW: 10, loadW: 12, price: 80, notes: 'One slot: a controller or a faster network card, not both.',
  },
  {
    ...plainBoard, id: 'lych-20', label: 'Lych 20', year: 2020, form: 'microATX', socket: 'L3', memory: memoryPlaces('DDR4', [4, 128]), places: [slot(1, [16, 3]), m2(1, 3), slot(2, [1, 3]), slot(3, [4, 3], { openEnded: true }), m2(2, 3, { takesData: 'too' }), ...dataPorts(6)],
    sharing: [{ when: 'm2-2', by: 'sata', off: ['data-2'] }, { when: 'slot-3', off: ['data-5', 'data-6'] }], networkMbps: [2500], idleW: 12, loadW: 15, price: 85, notes: 'A card in slot 3 switches two data ports off.',
  },
  {
    ...plainBoard, id: 'postern-21', label: 'Postern 21', year: 2021, form: 'microATX', socket: 'L4', memory: memoryPlaces('DDR4', [4, 128]), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(2, 3, { takesData: 'too' }), ...dataPorts(4)],
    sharing: [{ when: 'm2-2', by: 'sata', off: ['data-3'] }], networkMbps: [2500], idleW: 12, loadW: 15, price: 95,
  },
  {
    ...plainBoard, id: 'postern-22', label: 'Postern 22', year: 2022, form: 'ATX', socket: 'L4', memory: memoryPlaces('DDR4', [4, 128]), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(2, 3, { takesData: 'too' }), slot(4, [4, 3], { openEnded: true }), ...dataPorts(6)],
    sharing: [{ when: 'm2-2', off: ['data-5', 'data-6'] }, { when: 'slot-4', narrows: { place: 'slot-3', lanes: 2 } }], networkMbps: [2500], fanHeaders: 5, idleW: 14, loadW: 18, price: 135, notes: 'M.2 place 2 switches two data ports off; slot 4 takes half of the lanes of slot 3.',
  },
  {
    ...plainBoard, id: 'postern-22m', label: 'Postern 22 M', year: 2022, form: 'mini-ITX', socket: 'L4', memory: memoryPlaces('DDR4', [2, 64]), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), m2(2, 3), ...dataPorts(4)],
    sharing: [{ when: 'm2-2', off: ['data-3', 'data-4'] }], networkMbps: [2500], wifi: true, fanHeaders: 2, idleW: 11, loadW: 14, price: 140, notes: 'The M.2 place on its back switches half of the data ports off.',
  },
  {
    ...plainBoard, id: 'postern-24', label: 'Postern 24', year: 2024, form: 'ATX', socket: 'L4', memory: memoryPlaces('DDR5', [4, 192]), places: [slot(1, [16, 5]), m2(1, 4, { from: 'processor' }), slot(2, [4, 4]), slot(3, [16, 4], { lanes: 4, from: 'chipset' }), m2(2, 4), m2(3, 4), ...dataPorts(4)],
    sharing: [{ when: 'm2-3', off: ['slot-2'] }], networkMbps: [2500], fanHeaders: 6, idleW: 16, loadW: 20, price: 190, notes: 'New boards have fewer data ports and more M.2 places.',
  },
  {
    ...plainBoard, id: 'hatch-12', label: 'Hatch 12', year: 2012, form: 'ATX', socket: 'R1', memory: memoryPlaces('DDR3', [4, 32]), places: [slot(1, [16, 2]), slot(2, [1, 2]), slot(3, [16, 2], { lanes: 4, from: 'chipset' }), ...dataPorts(6)],
    display: 'none', startsHeadless: false, idleW: 20, loadW: 25, price: 25, notes: 'Does not start without a video card.',
  },
  {
    ...plainBoard, id: 'hatch-17', label: 'Hatch 17', year: 2017, form: 'microATX', socket: 'R2', memory: memoryPlaces('DDR4', [4, 64], { ecc: true }), places: [slot(1, [16, 3]), m2(1, 3, { takesData: 'too', from: 'processor' }), slot(2, [1, 2]), slot(3, [16, 2], { lanes: 4, from: 'chipset' }), ...dataPorts(4)],
    sharing: [{ when: 'm2-1', by: 'sata', off: ['data-3', 'data-4'] }], startsHeadless: false, idleW: 13, loadW: 17, price: 55, notes: 'Its processors mostly have no engine: it may not start without a card.',
  },
  {
    ...plainBoard, id: 'hatch-20', label: 'Hatch 20', year: 2020, form: 'ATX', socket: 'R2', memory: memoryPlaces('DDR4', [4, 128], { ecc: true }), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), slot(2, [1, 3]), slot(3, [16, 3], { lanes: 4, from: 'chipset' }), m2(2, 3, { takesData: 'too' }), ...dataPorts(6)],
    sharing: [{ when: 'm2-2', off: ['data-5', 'data-6'] }, { when: 'slot-3', off: ['m2-2'] }], networkMbps: [2500], fanHeaders: 5, idleW: 16, loadW: 21, price: 95, notes: 'Slot 3, M.2 place 2 and two data ports share their lanes: one of the three counts.',
  },
  {
    ...plainBoard, id: 'hatch-20m', label: 'Hatch 20 M', year: 2020, form: 'mini-ITX', socket: 'R2', memory: memoryPlaces('DDR4', [2, 64], { ecc: true }), places: [slot(1, [16, 4]), m2(1, 4, { from: 'processor' }), ...dataPorts(4)],
    networkMbps: [2500], wifi: true, fanHeaders: 2, idleW: 13, loadW: 17, price: 120,
  },
  {
    ...plainBoard, id: 'hatch-22', label: 'Hatch 22', year: 2022, form: 'ATX', socket: 'R3', memory: memoryPlaces('DDR5', [4, 192], { ecc: true }), places: [slot(1, [16, 5]), m2(1, 5, { from: 'processor' }), slot(2, [1, 4]), slot(3, [16, 4], { lanes: 4, from: 'chipset' }), m2(2, 4), m2(3, 4), ...dataPorts(6)],
    sharing: [{ when: 'm2-3', off: ['data-5', 'data-6'] }, { when: 'm2-2', narrows: { place: 'slot-3', lanes: 2 } }], networkMbps: [2500], fanHeaders: 6, idleW: 18, loadW: 24, price: 195, notes: 'M.2 place 3 switches two data ports off; M.2 place 2 halves slot 3.',
  },
  {
    ...plainBoard, id: 'turnpike-10', label: 'Turnpike 10', year: 2010, form: 'extended', socket: 'B1', memory: memoryPlaces('DDR3', [12, 192], { ecc: true }), places: [slot(1, [8, 2], { from: 'processor' }), slot(2, [16, 2]), slot(3, [8, 2], { from: 'processor' }), slot(4, [4, 2]), ...dataPorts(6)],
    networkMbps: [1000, 1000], display: 'own', remoteManagement: true, fanHeaders: 6, idleW: 62, loadW: 70, price: 60, notes: 'Two sockets: more watts at idle than a whole new machine.',
  },
  {
    ...plainBoard, id: 'turnpike-14', label: 'Turnpike 14', year: 2014, form: 'ATX', socket: 'B2', memory: memoryPlaces('DDR4', [8, 256], { ecc: true }), places: [slot(1, [16, 3]), slot(2, [8, 3], { from: 'processor' }), slot(3, [16, 3], { lanes: 8 }), slot(4, [4, 2]), ...dataPorts(8)],
    sharing: [{ when: 'slot-3', narrows: { place: 'slot-2', lanes: 4 } }], networkMbps: [1000, 1000], display: 'none', startsHeadless: false, fanHeaders: 5, idleW: 42, loadW: 50, price: 90,
  },
  {
    ...plainBoard, id: 'turnpike-21', label: 'Turnpike 21', year: 2021, form: 'microATX', socket: 'B3', memory: memoryPlaces('DDR4', [4, 128], { ecc: true }), places: [slot(1, [16, 4]), slot(2, [8, 4], { from: 'processor' }), m2(1, 4), slot(3, [4, 3]), m2(2, 3, { takesData: 'too' }), ...dataPorts(8)],
    sharing: [{ when: 'slot-2', narrows: { place: 'slot-1', lanes: 8 } }, { when: 'm2-2', by: 'sata', off: ['data-8'] }, { when: 'm2-2', by: 'nvme', off: ['data-7', 'data-8'] }], networkMbps: [1000, 1000], display: 'own', remoteManagement: true, fanHeaders: 6, idleW: 22, loadW: 28, price: 260, notes: 'A small server board: it is managed over the network.',
  },
  {
    ...plainBoard, id: 'sluicegate-21', label: 'Sluicegate 21', year: 2021, form: 'mini-ITX', socket: null, processor: 'beck-21', memory: memoryPlaces('DDR4', [2, 32], { shape: 'SO-DIMM' }), places: [slot(1, [4, 3], { openEnded: true }), m2(1, 3, { lanes: 2 }), ...dataPorts(6)],
    sharing: [{ when: 'm2-1', off: ['data-6'] }], networkMbps: [2500, 2500], fanHeaders: 2, idleW: 7, loadW: 9, price: 150, notes: 'Small chip soldered on, with six data ports.',
  },
  {
    ...plainBoard, id: 'sluicegate-23', label: 'Sluicegate 23', year: 2023, form: 'mini-ITX', socket: null, processor: 'beck-23', memory: memoryPlaces('DDR5', [1, 32], { shape: 'SO-DIMM' }), places: [slot(1, [1, 3], { openEnded: true }), m2(1, 3, { lanes: 1 }), m2(2, 3, { lanes: 1 }), ...dataPorts(6)],
    sharing: [{ when: 'm2-2', off: ['slot-1'] }], networkMbps: [2500, 2500, 2500, 2500], fanHeaders: 2, idleW: 7, loadW: 9, price: 190, notes: 'Few lanes: every place has one.',
  },
]
