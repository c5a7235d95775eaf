/*
 * What a machine is put together from, besides processors, video engines, memory and drives, which
 * have lists of their own.
 * Models are invented; prices are planning values in the plan's currency, watts DC.
 */

interface Common {
  readonly id: string
  readonly label: string
  readonly price: number
  /** watts, DC, with nothing to do and at work */
  readonly idleW: number
  readonly loadW: number
  /** it comes with a prebuilt machine and is not sold by itself */
  readonly comesWith?: string
  /** what a buyer should know of it */
  readonly notes?: string
}

/** Sizes of boards, mm, from the smallest; 'own' fits one case only, its maker's. */
export const boardForms = {
  'mini-ITX': [170, 170],
  microATX: [244, 244],
  ATX: [305, 244],
  extended: [305, 330],
  own: [200, 200],
} as const
export type BoardForm = keyof typeof boardForms

export type MemoryType = 'DDR2' | 'DDR3' | 'DDR4' | 'DDR5'
export type MemoryShape = 'DIMM' | 'SO-DIMM' | 'soldered'

/** What lanes come out of. */
export type LaneSource = 'processor' | 'chipset'

/** A place on the board that takes something: a data port, an M.2 place or a slot. */
export interface BoardPlace {
  readonly id: string
  readonly label: string
  readonly kind: 'data' | 'm2' | 'slot'
  /** what it could hold by its length, as × lanes; 0 for a data port */
  readonly length: 0 | 1 | 4 | 8 | 16
  /** lanes that are wired to it, and their generation */
  readonly lanes: number
  readonly generation: number
  readonly from: LaneSource
  /** an M.2 place that takes SSDs by SATA too, or by SATA alone */
  readonly takesData?: 'too' | 'only'
  /** a slot whose end is open, so that longer cards go in */
  readonly openEnded?: boolean
}

/** What wants a place: a data port, an M.2 place for an SSD of either kind, or a slot. */
export type PlaceUser = 'data' | 'nvme' | 'sata' | 'slot'

/**
 * What a place costs elsewhere on the board when it is taken: places that go dead, and slots that
 * are left with fewer lanes.
 * Boards list it in their manual only.
 */
export interface SharingRule {
  readonly when: string
  /** counts only for an SSD of this kind in an M.2 place */
  readonly by?: 'nvme' | 'sata'
  readonly off?: readonly string[]
  readonly narrows?: { readonly place: string; readonly lanes: number }
}

export interface Board extends Common {
  readonly kind: 'board'
  readonly year: number
  readonly form: BoardForm
  /** null where the processor is soldered */
  readonly socket: string | null
  /** id of the processor that is soldered to it */
  readonly processor: string | null
  readonly memory: {
    readonly type: MemoryType
    readonly shape: MemoryShape
    readonly slots: number
    readonly maxGB: number
    readonly ecc: boolean
  }
  readonly places: readonly BoardPlace[]
  readonly sharing: readonly SharingRule[]
  /** network ports, Mb/s */
  readonly networkMbps: readonly number[]
  readonly wifi: boolean
  /** it shows a picture when the processor has an engine, always (a chip of its own), or never */
  readonly display: 'withEngine' | 'own' | 'none'
  /** it starts without a screen and a video card */
  readonly startsHeadless: boolean
  readonly remoteManagement: boolean
  readonly fanHeaders: number
}

export interface Case extends Common {
  readonly kind: 'case'
  readonly forms: readonly BoardForm[]
  readonly bays35: number
  readonly bays25: number
  readonly bays525: number
  /** bays whose drives are pulled from the front while it runs */
  readonly hotSwap: number
  /** a lamp shows which bay failed */
  readonly bayLights: boolean
  /** how a drive is got at where it is no hot-swap tray */
  readonly reach: 'side' | 'behind' | 'dismantle'
  /** slots for cards at the back, and whether cards of full height go in */
  readonly cardSlots: number
  readonly fullHeight: boolean
  readonly coolerMm: number
  readonly cardMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly depthMm: number
  readonly supplyForm: SupplyForm
  /** fans that it comes with */
  readonly fans: readonly { readonly sizeMm: number; readonly rpm: number }[]
  readonly fanMounts: number
  /** what air does at the drives */
  readonly airflow: 'across' | 'slow' | 'none'
  /** rack units; 0 for one that stands */
  readonly rackUnits: number
  readonly weightKg: number
}

export type SupplyForm = 'ATX' | 'SFX' | 'rack' | 'brick' | 'own'
export const efficiencyClasses = [
  'none',
  'white',
  'bronze',
  'silver',
  'gold',
  'platinum',
  'titanium',
  'brick',
] as const
export type EfficiencyClass = (typeof efficiencyClasses)[number]

export interface Supply extends Common {
  readonly kind: 'supply'
  readonly form: SupplyForm
  readonly ratingW: number
  /** at 12 V */
  readonly amps12: number
  readonly efficiency: EfficiencyClass
  /** plugs on each of its leads for drives */
  readonly driveLeads: readonly number[]
  /** plugs of the old four-pin kind, all together */
  readonly fourPinPlugs: number
  /** plugs for video cards */
  readonly cardPlugs: number
  readonly leadMm: number
  /** sound power, dB(A) */
  readonly noiseDb: number
  /** its maker's own shape or plugs: nothing else goes in its place */
  readonly ownPlugs: boolean
}

export interface Cooler extends Common {
  readonly kind: 'cooler'
  readonly sockets: readonly string[]
  readonly heightMm: number
  /** heat that it carries away for long, W */
  readonly carriesW: number
  readonly passive: boolean
  readonly noiseDb: number
}

export interface Controller extends Common {
  readonly kind: 'controller'
  readonly ports: number
  readonly lanes: number
  readonly length: 1 | 4 | 8 | 16
  readonly generation: number
  /** hands the plain disks on, or builds arrays of its own */
  readonly mode: 'plain' | 'raid'
  /** its sockets need breakout cables, each of four ports */
  readonly breakouts: number
  readonly lowHeight: boolean
  readonly lengthMm: number
  /** kinds of system that know it */
  readonly knownTo: 'all' | 'servers'
}

export interface NetworkCard extends Common {
  readonly kind: 'networkCard'
  readonly mbps: number
  readonly medium: 'copper' | 'fibre' | 'wifi'
  readonly lanes: number
  readonly length: 1 | 4 | 8 | 16
  readonly generation: number
  readonly lowHeight: boolean
  readonly lengthMm: number
  readonly knownTo: 'all' | 'servers'
}

/** What a video engine on a card is as a card. */
export interface VideoCardShape {
  readonly engine: string
  readonly lanes: number
  readonly length: 16
  readonly generation: number
  readonly lengthMm: number
  readonly lowHeight: boolean
  /** plugs that it wants from the supply */
  readonly plugs: number
}

export interface SystemDisk extends Common {
  readonly kind: 'ssd'
  readonly link: 'nvme' | 'sata'
  readonly shape: 'm2' | '2.5' | 'stick'
  readonly sizeGB: number
}

export interface Fan extends Common {
  readonly kind: 'fan'
  readonly sizeMm: number
  readonly rpm: number
}

export interface Cable extends Common {
  readonly kind: 'cable'
  readonly use: 'data' | 'breakout' | 'splitter' | 'bayAdapter' | 'm2Card' | 'extension'
  /** plugs, ports or bays that one of them gives */
  readonly gives: number
  /** a plug that is moulded round its wires: it can short and burn */
  readonly moulded?: boolean
}

export interface Enclosure extends Common {
  readonly kind: 'enclosure'
  readonly link: 'usb' | 'cable'
  readonly bays: number
  readonly throughputMBps: number
  /** fed by a supply of its own, else by the port */
  readonly ownSupply: boolean
  readonly noiseDb: number
}

export interface UpsUnit extends Common {
  readonly kind: 'ups'
  readonly ratingVA: number
  readonly ratingW: number
  readonly energyWh: number
  readonly battery: 'lead' | 'lithium'
}

export interface OpticalDrive extends Common {
  readonly kind: 'optical'
  /** how it hangs on: in a bay with port and plug, or by USB */
  readonly link: 'data' | 'usb'
}

export type HardwarePart =
  | Board
  | Case
  | Supply
  | Cooler
  | Controller
  | NetworkCard
  | SystemDisk
  | Fan
  | Cable
  | Enclosure
  | UpsUnit
  | OpticalDrive
export type HardwareKind = HardwarePart['kind']

/** What people call each kind, as a group of parts. */
export const hardwareKinds: Readonly<Record<HardwareKind, string>> = {
  board: 'Board',
  case: 'Case',
  supply: 'Power supply',
  cooler: 'Cooler',
  controller: 'Controller card',
  networkCard: 'Network card',
  ssd: 'System SSD',
  fan: 'Fan',
  cable: 'Cables and adapters',
  enclosure: 'Drive enclosure',
  ups: 'UPS',
  optical: 'Disc drive',
}
