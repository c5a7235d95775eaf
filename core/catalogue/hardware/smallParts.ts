import type {
  Cable,
  Controller,
  Cooler,
  Enclosure,
  Fan,
  NetworkCard,
  OpticalDrive,
  SystemDisk,
  UpsUnit,
  VideoCardShape,
} from './hardwarePart'

const desktopSockets = ['L2', 'L3', 'L4', 'R1', 'R2', 'R3']
const cooler = {
  kind: 'cooler',
  sockets: desktopSockets,
  passive: false,
  idleW: 1,
  loadW: 2,
} as const
// prettier-ignore
export const coolers: readonly Cooler[] = [
  { ...cooler, id: 'fern-low', label: 'Fern, low', heightMm: 37, carriesW: 65, noiseDb: 27, price: 28 },
  { ...cooler, id: 'fern-flat', label: 'Fern, flat', heightMm: 60, carriesW: 80, noiseDb: 24, price: 38 },
  { ...cooler, id: 'fern-boxed', label: 'Fern, as it comes with a processor', sockets: ['L1', ...desktopSockets], heightMm: 70, carriesW: 65, noiseDb: 29, price: 12 },
  { ...cooler, id: 'fern-tower', label: 'Fern, tower', heightMm: 125, carriesW: 120, noiseDb: 22, price: 35 },
  { ...cooler, id: 'fern-tall', label: 'Fern, tall tower', heightMm: 158, carriesW: 200, noiseDb: 20, price: 52 },
  { ...cooler, id: 'fern-slow', label: 'Fern, tall tower, slow', heightMm: 160, carriesW: 140, noiseDb: 14, price: 64 },
  { ...cooler, id: 'fern-double', label: 'Fern, double tower', heightMm: 165, carriesW: 230, noiseDb: 18, price: 88 },
  { ...cooler, id: 'fern-passive', label: 'Fern, passive', heightMm: 128, carriesW: 45, passive: true, noiseDb: 0, idleW: 0, loadW: 0, price: 62 },
  { ...cooler, id: 'fern-server', label: 'Fern, for servers', sockets: ['B1', 'B2', 'B3'], heightMm: 126, carriesW: 160, noiseDb: 26, price: 58 },
  { ...cooler, id: 'fern-rack', label: 'Fern, for racks', sockets: ['B1', 'B2', 'B3', ...desktopSockets], heightMm: 62, carriesW: 130, noiseDb: 40, price: 48 },
]

const controller = {
  kind: 'controller',
  mode: 'plain',
  outside: 0,
  breakouts: 0,
  lowHeight: true,
  lengthMm: 170,
  knownTo: 'all',
} as const
// prettier-ignore
export const controllers: readonly Controller[] = [
  { ...controller, id: 'knot-2', label: 'Knot 2', ports: 2, lanes: 1, length: 1, generation: 3, idleW: 1.5, loadW: 2, price: 18, notes: 'One lane for both drives.' },
  { ...controller, id: 'knot-5', label: 'Knot 5', ports: 5, lanes: 1, length: 1, generation: 3, idleW: 2, loadW: 3, price: 30, notes: 'Five ports on one lane: slow when all are read at once.' },
  { ...controller, id: 'knot-6', label: 'Knot 6', ports: 6, lanes: 2, length: 4, generation: 3, idleW: 3, loadW: 4, price: 42 },
  { ...controller, id: 'splice-8', label: 'Splice 8', ports: 8, lanes: 8, length: 8, generation: 2, breakouts: 2, idleW: 8, loadW: 10, price: 55, knownTo: 'servers', notes: 'Used server card that hands on plain disks; wants air.' },
  { ...controller, id: 'splice-8n', label: 'Splice 8 N', ports: 8, lanes: 8, length: 8, generation: 3, breakouts: 2, idleW: 9, loadW: 12, price: 110, knownTo: 'servers' },
  { ...controller, id: 'splice-16', label: 'Splice 16', ports: 16, lanes: 8, length: 8, generation: 3, breakouts: 4, idleW: 11, loadW: 15, price: 190, knownTo: 'servers' },
  { ...controller, id: 'knot-4e', label: 'Knot 4 E, outside sockets', ports: 0, outside: 4, lanes: 2, length: 4, generation: 3, idleW: 2, loadW: 3, price: 48, notes: 'Four data sockets at its bracket, for an enclosure by cable.' },
  { ...controller, id: 'splice-8e', label: 'Splice 8 E, outside sockets', ports: 0, outside: 8, lanes: 8, length: 8, generation: 3, idleW: 9, loadW: 12, price: 75, knownTo: 'servers', notes: 'Eight data sockets at its bracket, for enclosures by cable.' },
  { ...controller, id: 'splice-8r', label: 'Splice 8, arrays', ports: 8, lanes: 8, length: 8, generation: 3, mode: 'raid', breakouts: 2, lowHeight: false, idleW: 11, loadW: 14, price: 70, knownTo: 'servers', notes: 'Builds its own arrays; drives are readable behind such a card only.' },
]

const networkCard = { kind: 'networkCard', lowHeight: true, lengthMm: 130, knownTo: 'all' } as const
// prettier-ignore
export const networkCards: readonly NetworkCard[] = [
  { ...networkCard, id: 'heron-1', label: 'Heron 1 G', mbps: 1000, medium: 'copper', lanes: 1, length: 1, generation: 2, idleW: 1, loadW: 2, price: 15 },
  { ...networkCard, id: 'heron-2', label: 'Heron 2.5 G', mbps: 2500, medium: 'copper', lanes: 1, length: 1, generation: 2, idleW: 1.5, loadW: 2.5, price: 25 },
  { ...networkCard, id: 'heron-10c', label: 'Heron 10 G, copper', mbps: 10_000, medium: 'copper', lanes: 4, length: 4, generation: 3, idleW: 4, loadW: 6, price: 90 },
  { ...networkCard, id: 'heron-10f', label: 'Heron 10 G, fibre', mbps: 10_000, medium: 'fibre', lanes: 8, length: 8, generation: 2, idleW: 1.5, loadW: 3, price: 35, knownTo: 'servers', notes: 'Used; its fibre module is extra.' },
  { ...networkCard, id: 'heron-wifi', label: 'Heron Wi-Fi', mbps: 1200, medium: 'wifi', lanes: 1, length: 1, generation: 2, idleW: 1, loadW: 2, price: 25, knownTo: 'servers', notes: 'A cable is better for a machine that serves others.' },
]

/** Video cards as cards, by the id of their engine. */
// prettier-ignore
export const videoCardShapes: readonly VideoCardShape[] = [
  { engine: 'cardEntry', lanes: 16, length: 16, generation: 3, lengthMm: 170, lowHeight: true, plugs: 0, openings: 1 },
  { engine: 'cardWorkstation', lanes: 16, length: 16, generation: 3, lengthMm: 170, lowHeight: true, plugs: 0, openings: 1 },
  { engine: 'cardModern', lanes: 8, length: 16, generation: 4, lengthMm: 240, lowHeight: false, plugs: 1, openings: 2 },
  { engine: 'cardOldGaming', lanes: 16, length: 16, generation: 3, lengthMm: 270, lowHeight: false, plugs: 1, openings: 2 },
]

const ssd = { kind: 'ssd' } as const
// prettier-ignore
export const systemDisks: readonly SystemDisk[] = [
  { ...ssd, id: 'flint-120', label: 'Flint 120 GB, SATA', link: 'sata', shape: '2.5', sizeGB: 120, idleW: 0.5, loadW: 3, price: 18 },
  { ...ssd, id: 'flint-250', label: 'Flint 250 GB, SATA', link: 'sata', shape: '2.5', sizeGB: 250, idleW: 0.5, loadW: 3, price: 26 },
  { ...ssd, id: 'flint-250m', label: 'Flint 250 GB, M.2 SATA', link: 'sata', shape: 'm2', sizeGB: 250, idleW: 0.5, loadW: 3, price: 28 },
  { ...ssd, id: 'flint-500n', label: 'Flint 500 GB, NVMe', link: 'nvme', shape: 'm2', sizeGB: 500, idleW: 0.8, loadW: 5, price: 38 },
  { ...ssd, id: 'flint-1000n', label: 'Flint 1 TB, NVMe', link: 'nvme', shape: 'm2', sizeGB: 1000, idleW: 0.8, loadW: 5, price: 62 },
  { ...ssd, id: 'flint-2000n', label: 'Flint 2 TB, NVMe', link: 'nvme', shape: 'm2', sizeGB: 2000, idleW: 0.8, loadW: 5, price: 118 },
  { ...ssd, id: 'flint-stick', label: 'Flint boot stick, 32 GB', link: 'sata', shape: 'stick', sizeGB: 32, idleW: 0.1, loadW: 0.5, price: 9 },
]

const fan = { kind: 'fan' } as const
// prettier-ignore
export const fans: readonly Fan[] = [
  { ...fan, id: 'sedge-120s', label: 'Sedge 120 mm, slow', sizeMm: 120, rpm: 700, idleW: 0.6, loadW: 0.6, price: 12 },
  { ...fan, id: 'sedge-120', label: 'Sedge 120 mm', sizeMm: 120, rpm: 1100, idleW: 1, loadW: 1, price: 10 },
  { ...fan, id: 'sedge-140', label: 'Sedge 140 mm', sizeMm: 140, rpm: 900, idleW: 1, loadW: 1, price: 14 },
  { ...fan, id: 'sedge-120f', label: 'Sedge 120 mm, fast', sizeMm: 120, rpm: 1500, idleW: 1.5, loadW: 1.5, price: 11 },
]

const cable = { kind: 'cable', idleW: 0, loadW: 0 } as const
// prettier-ignore
export const cables: readonly Cable[] = [
  { ...cable, id: 'twine-data', label: 'Data cable', use: 'data', gives: 1, price: 3 },
  { ...cable, id: 'twine-breakout', label: 'Breakout cable, four data ports', use: 'breakout', gives: 4, price: 12 },
  { ...cable, id: 'twine-split', label: 'Power splitter, two for one, crimped', use: 'splitter', gives: 1, price: 6 },
  { ...cable, id: 'twine-split4', label: 'Power splitter, four for one, crimped', use: 'splitter', gives: 3, price: 10 },
  { ...cable, id: 'twine-moulded', label: 'Power adapter, moulded plug', use: 'splitter', gives: 1, moulded: true, price: 3, notes: 'Such plugs have burnt: do not use them.' },
  { ...cable, id: 'twine-extend', label: 'Lead, 60 cm longer', use: 'extension', gives: 1, price: 5 },
  { ...cable, id: 'twine-fans', label: 'Fan splitter, two for one', use: 'fanSplitter', gives: 1, price: 4 },
  { ...cable, id: 'twine-picture', label: 'Picture plug, stands in for a screen', use: 'picturePlug', gives: 1, price: 6 },
  { ...cable, id: 'twine-console', label: 'Remote console box, screen and keys over the network', use: 'consoleBox', gives: 1, idleW: 2, loadW: 2, price: 45 },
  { ...cable, id: 'twine-filter', label: 'Dust filter for fans', use: 'dustFilter', gives: 1, price: 8 },
  { ...cable, id: 'twine-paste', label: 'Thermal paste', use: 'paste', gives: 1, price: 6 },
  { ...cable, id: 'twine-clock', label: 'Battery for the clock of the board', use: 'clockBattery', gives: 1, price: 3 },
  { ...cable, id: 'twine-bay', label: 'Frame for a 3.5" drive in a 5.25" bay', use: 'bayAdapter', gives: 1, price: 10 },
  { ...cable, id: 'twine-frame', label: 'Frame for a 2.5" drive in a 3.5" bay', use: 'driveFrame', gives: 1, price: 4 },
  { ...cable, id: 'twine-m2', label: 'Card that takes an M.2 SSD in a slot', use: 'm2Card', gives: 1, price: 14 },
]

const enclosure = { kind: 'enclosure' } as const
// prettier-ignore
export const enclosures: readonly Enclosure[] = [
  { ...enclosure, id: 'trug-1', label: 'Trug 1, fed by the port', link: 'usb', bays: 1, throughputMBps: 400, ownSupply: false, noiseDb: 0, widthMm: 80, heightMm: 20, depthMm: 130, idleW: 0.5, loadW: 1, price: 20, notes: 'For 2.5" drives only.' },
  { ...enclosure, id: 'trug-2', label: 'Trug 2', link: 'usb', bays: 2, throughputMBps: 430, ownSupply: true, noiseDb: 26, widthMm: 115, heightMm: 75, depthMm: 180, idleW: 2, loadW: 3, price: 75 },
  { ...enclosure, id: 'trug-4', label: 'Trug 4', link: 'usb', bays: 4, throughputMBps: 430, ownSupply: true, noiseDb: 28, widthMm: 125, heightMm: 165, depthMm: 220, idleW: 4, loadW: 5, price: 130 },
  { ...enclosure, id: 'trug-5', label: 'Trug 5, fast', link: 'usb', bays: 5, throughputMBps: 900, ownSupply: true, noiseDb: 29, widthMm: 125, heightMm: 200, depthMm: 230, idleW: 5, loadW: 6, price: 210 },
  { ...enclosure, id: 'trug-4c', label: 'Trug 4, by cable', link: 'cable', bays: 4, throughputMBps: 1100, ownSupply: true, noiseDb: 28, widthMm: 125, heightMm: 165, depthMm: 220, idleW: 4, loadW: 5, price: 190, notes: 'Hangs on a controller card with four outside sockets.' },
  { ...enclosure, id: 'trug-8c', label: 'Trug 8, by cable', link: 'cable', bays: 8, throughputMBps: 2200, ownSupply: true, noiseDb: 34, widthMm: 210, heightMm: 170, depthMm: 260, idleW: 8, loadW: 10, price: 340, notes: 'Hangs on a controller card with eight outside sockets.' },
]

const ups = { kind: 'ups', idleW: 0, loadW: 0 } as const
// prettier-ignore
export const upsUnits: readonly UpsUnit[] = [
  { ...ups, id: 'weight-there', label: 'UPS that was there before', ratingVA: null, ratingW: null, energyWh: null, battery: 'lead', price: 0, comesWith: 'house', notes: 'Read its label, and choose a UPS of that size in its place.' },
  { ...ups, id: 'weight-400', label: 'Weight 400', ratingVA: 400, ratingW: 240, energyWh: 60, battery: 'lead', price: 62 },
  { ...ups, id: 'weight-650', label: 'Weight 650', ratingVA: 650, ratingW: 390, energyWh: 84, battery: 'lead', price: 92 },
  { ...ups, id: 'weight-1000', label: 'Weight 1000', ratingVA: 1000, ratingW: 600, energyWh: 168, battery: 'lead', price: 175 },
  { ...ups, id: 'weight-1500', label: 'Weight 1500', ratingVA: 1500, ratingW: 1000, energyWh: 216, battery: 'lead', price: 290 },
  { ...ups, id: 'weight-600l', label: 'Weight 600 L', ratingVA: 600, ratingW: 360, energyWh: 220, battery: 'lithium', price: 280, notes: 'Lithium battery: keep it off fabrics, and out of the heat.' },
]

export const opticalDrives: readonly OpticalDrive[] = [
  {
    kind: 'optical',
    id: 'dew-in',
    label: 'Disc drive, 5.25"',
    link: 'data',
    idleW: 1,
    loadW: 12,
    price: 55,
  },
  {
    kind: 'optical',
    id: 'dew-usb',
    label: 'Disc drive, USB',
    link: 'usb',
    idleW: 0.5,
    loadW: 5,
    price: 70,
  },
]
