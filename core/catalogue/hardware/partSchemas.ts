import { z } from 'zod'
import { soldAs } from '../sold'
import { boardForms, efficiencyClasses } from './partWords'

/*
 * What each kind of part has, once: types are inferred from it, parts that ship are held to it by a
 * test, and parts of one's own are checked by it when they are entered. Lengths in mm, watts DC,
 * sound power in dB(A).
 */

const watts = z.number().min(0).max(2000)
const common = {
  id: z.string().regex(/^[\w-]{1,60}$/),
  label: z.string().max(60),
  price: z.number().min(0).max(1_000_000),
  /** watts, DC, with nothing to do and at work */
  idleW: watts,
  loadW: watts,
  /** it comes with a prebuilt machine, or was in the house before, and is not sold by itself */
  comesWith: z.string().optional(),
  /** what a buyer should know of it */
  notes: z.string().max(120).optional(),
}
const form = z.enum(Object.keys(boardForms) as [keyof typeof boardForms])
const supplyForm = z.enum(['ATX', 'SFX', 'rack', 'brick', 'own'])
const length = z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)])
const card = {
  lanes: z.number().int().min(1).max(16),
  length,
  generation: z.number().int().min(1).max(5),
  lowHeight: z.boolean(),
  lengthMm: z.number().min(60).max(600),
  knownTo: z.enum(['all', 'servers']),
}
const count = (max: number) => z.number().int().min(0).max(max)
/** A place on the board that takes something: a data port, an M.2 place or a slot. */
export const placeSchema = z.strictObject({
  id: z.string(),
  label: z.string(),
  kind: z.enum(['data', 'm2', 'slot']),
  /** what it could hold by its length, as × lanes; 0 for a data port */
  length: z.union([z.literal(0), length]),
  /** lanes that are wired to it, and their generation */
  lanes: count(16),
  generation: z.number().int().min(1).max(5),
  from: z.enum(['processor', 'chipset']),
  /** an M.2 place that takes SSDs by SATA too, or by SATA alone */
  takesData: z.enum(['too', 'only']).optional(),
  /** a slot whose end is open, so that longer cards go in */
  openEnded: z.boolean().optional(),
})
/**
 * What a place costs elsewhere on the board when it is taken: places that go dead, and slots that
 * are left with fewer lanes. Boards list it in their manual only.
 */
export const sharingSchema = z.strictObject({
  when: z.string(),
  /** counts only for an SSD of this kind in an M.2 place */
  by: z.enum(['nvme', 'sata']).optional(),
  off: z.array(z.string()).optional(),
  narrows: z.strictObject({ place: z.string(), lanes: count(16) }).optional(),
})
/** A fan by itself, and of a case. */
const fan = z.strictObject({
  sizeMm: z.number().min(0).max(300),
  rpm: z.number().min(0).max(12_000),
})

/** A schema for each kind of part; another kind is an entry here and its word in partWords.ts. */
export const partSchemas = {
  board: z.strictObject({
    ...common,
    kind: z.literal('board'),
    year: z.number().min(0).max(2040),
    sold: z.enum(soldAs),
    form,
    /** null where the processor is soldered */
    socket: z.string().nullable(),
    /** id of the processor that is soldered to it */
    processor: z.string().nullable(),
    memory: z.strictObject({
      type: z.enum(['DDR2', 'DDR3', 'DDR4', 'DDR5']),
      shape: z.enum(['DIMM', 'SO-DIMM', 'soldered']),
      slots: count(24),
      maxGB: z.number().min(0).max(4096),
      ecc: z.boolean(),
      /** it takes registered sticks, as servers do; never beside plain ones */
      registered: z.boolean(),
    }),
    places: z.array(placeSchema).max(80),
    sharing: z.array(sharingSchema),
    /** network ports, Mb/s */
    networkMbps: z.array(z.number().min(0).max(100_000)).min(1),
    wifi: z.boolean(),
    /** it shows a picture when the processor has an engine, always (a chip of its own), or never */
    display: z.enum(['withEngine', 'own', 'none']),
    /** it starts without a screen and a video card */
    startsHeadless: z.boolean(),
    remoteManagement: z.boolean(),
    fanHeaders: count(10),
  }),
  case: z.strictObject({
    ...common,
    kind: z.literal('case'),
    /** by its owner: an open shelf, printed mounts, a drilled tower */
    made: z.enum(['shelf', 'printed', 'drilled']).optional(),
    forms: z.array(form).min(1),
    bays35: count(60),
    bays25: count(60),
    bays525: count(12),
    /** bays whose drives are pulled from the front while it runs */
    hotSwap: count(60),
    /** a lamp shows which bay failed */
    bayLights: z.boolean(),
    /** how a drive is got at where it is no hot-swap tray */
    reach: z.enum(['side', 'behind', 'dismantle']),
    /** slots for cards at the back, and whether cards of full height go in */
    cardSlots: count(10),
    fullHeight: z.boolean(),
    coolerMm: z.number().min(0).max(400),
    cardMm: z.number().min(0).max(600),
    widthMm: z.number().min(0).max(1000),
    heightMm: z.number().min(0).max(1000),
    depthMm: z.number().min(0).max(1200),
    supplyForm,
    /** fans that it comes with */
    fans: z.array(fan).max(8),
    fanMounts: count(12),
    /** what air does at the drives */
    airflow: z.enum(['across', 'slow', 'none']),
    /** rack units; 0 for one that stands */
    rackUnits: count(8),
    weightKg: z.number().min(0.5).max(50),
    /** what its lining takes off the sound of what is inside, dB */
    dampsDb: z.number().min(0).max(20),
    /** heat that a closed case without fans carries away through its walls, W; null with fans */
    carriesW: z.number().min(1).max(1000).nullable(),
  }),
  supply: z.strictObject({
    ...common,
    kind: z.literal('supply'),
    form: supplyForm,
    ratingW: z.number().min(0).max(3000),
    /** at 12 V */
    amps12: z.number().min(0).max(250),
    efficiency: z.enum(efficiencyClasses),
    /** plugs on each of its leads for drives */
    driveLeads: z.array(count(60)),
    /** plugs of the old four-pin kind, all together */
    fourPinPlugs: count(10),
    /** plugs for video cards */
    cardPlugs: count(12),
    leadMm: z.number().min(100).max(1000),
    /** sound power, dB(A) */
    noiseDb: z.number().min(0).max(90),
    /** its maker's own shape or plugs: nothing else goes in its place */
    ownPlugs: z.boolean(),
  }),
  cooler: z.strictObject({
    ...common,
    kind: z.literal('cooler'),
    sockets: z.array(z.string()),
    heightMm: z.number().min(0).max(1000),
    /** heat that it carries away for long, W */
    carriesW: z.number().min(0).max(1000),
    passive: z.boolean(),
    noiseDb: z.number().min(0).max(90),
  }),
  controller: z.strictObject({
    ...common,
    kind: z.literal('controller'),
    ports: count(40),
    /** sockets at its bracket, for drives that hang outside */
    outside: count(40),
    /** hands the plain disks on, or builds arrays of its own */
    mode: z.enum(['plain', 'raid']),
    /** its sockets need breakout cables, each of four ports */
    breakouts: count(8),
    ...card,
  }),
  networkCard: z.strictObject({
    ...common,
    kind: z.literal('networkCard'),
    mbps: z.number().min(0).max(100_000),
    medium: z.enum(['copper', 'fibre', 'wifi']),
    ...card,
  }),
  ssd: z.strictObject({
    ...common,
    kind: z.literal('ssd'),
    link: z.enum(['nvme', 'sata']),
    shape: z.enum(['m2', '2.5', 'stick']),
    sizeGB: z.number().min(0).max(100_000),
  }),
  fan: z.strictObject({ ...common, kind: z.literal('fan'), ...fan.shape }),
  cable: z.strictObject({
    ...common,
    kind: z.literal('cable'),
    use: z.enum([
      'data',
      'breakout',
      'splitter',
      'bayAdapter',
      'driveFrame',
      'm2Card',
      'extension',
      'fanSplitter',
      'picturePlug',
      'consoleBox',
      'dustFilter',
      'paste',
      'clockBattery',
    ]),
    /** plugs, ports or bays that one of them gives */
    gives: count(8),
    /** a plug that is moulded round its wires: it can short and burn */
    moulded: z.boolean().optional(),
  }),
  enclosure: z.strictObject({
    ...common,
    kind: z.literal('enclosure'),
    link: z.enum(['usb', 'cable']),
    bays: count(60),
    throughputMBps: z.number().min(0).max(20_000),
    /** fed by a supply of its own, else by the port */
    ownSupply: z.boolean(),
    noiseDb: z.number().min(0).max(90),
    widthMm: z.number().min(0).max(1000),
    heightMm: z.number().min(0).max(1000),
    depthMm: z.number().min(0).max(1200),
  }),
  ups: z.strictObject({
    ...common,
    kind: z.literal('ups'),
    /** null where nobody has read its label */
    ratingVA: z.number().min(0).max(20_000).nullable(),
    ratingW: z.number().min(0).max(3000).nullable(),
    energyWh: z.number().min(0).max(10_000).nullable(),
    battery: z.enum(['lead', 'lithium']),
  }),
  optical: z.strictObject({ ...common, kind: z.literal('optical'), link: z.enum(['data', 'usb']) }),
} as const satisfies Readonly<Record<string, z.ZodType>>
