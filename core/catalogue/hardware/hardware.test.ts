import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { catalogue } from '../catalogue'
import { baseClasses } from '../machineBases'
import {
  boardForms,
  efficiencyClasses,
  hardwareKinds,
  type Board,
  type HardwareKind,
} from './hardwarePart'
import { videoCardShapes } from './smallParts'

const watts = z.number().min(0).max(400)
const common = {
  id: z.string().regex(/^[\w-]{1,60}$/),
  label: z.string().min(3).max(60),
  price: z.number().min(0).max(5000),
  idleW: watts,
  loadW: watts,
  comesWith: z.string().optional(),
  notes: z.string().min(10).max(120).optional(),
}
const form = z.enum(Object.keys(boardForms) as [keyof typeof boardForms])
const supplyForm = z.enum(['ATX', 'SFX', 'rack', 'brick', 'own'])
const length = z.union([z.literal(1), z.literal(4), z.literal(8), z.literal(16)])
const card = {
  lanes: z.number().int().min(1).max(16),
  length,
  generation: z.number().int().min(1).max(5),
  lowHeight: z.boolean(),
  lengthMm: z.number().min(60).max(400),
  knownTo: z.enum(['all', 'servers']),
}
const count = (max: number) => z.number().int().min(0).max(max)
const place = z.strictObject({
  id: z.string(),
  label: z.string(),
  kind: z.enum(['data', 'm2', 'slot']),
  length: z.union([z.literal(0), length]),
  lanes: count(16),
  generation: z.number().int().min(1).max(5),
  from: z.enum(['processor', 'chipset']),
  takesData: z.enum(['too', 'only']).optional(),
  openEnded: z.boolean().optional(),
})
const fan = z.strictObject({
  sizeMm: z.number().min(40).max(200),
  rpm: z.number().min(300).max(12_000),
})
const schemas: Record<HardwareKind, z.ZodType> = {
  board: z.strictObject({
    ...common,
    kind: z.literal('board'),
    year: z.number().min(2005).max(2026),
    form,
    socket: z.string().nullable(),
    processor: z.string().nullable(),
    memory: z.strictObject({
      type: z.enum(['DDR2', 'DDR3', 'DDR4', 'DDR5']),
      shape: z.enum(['DIMM', 'SO-DIMM', 'soldered']),
      slots: count(24),
      maxGB: z.number().min(1).max(1024),
      ecc: z.boolean(),
    }),
    places: z.array(place).max(40),
    sharing: z.array(
      z.strictObject({
        when: z.string(),
        by: z.enum(['nvme', 'sata']).optional(),
        off: z.array(z.string()).optional(),
        narrows: z.strictObject({ place: z.string(), lanes: count(8) }).optional(),
      }),
    ),
    networkMbps: z.array(z.number()).min(1),
    wifi: z.boolean(),
    display: z.enum(['withEngine', 'own', 'none']),
    startsHeadless: z.boolean(),
    remoteManagement: z.boolean(),
    fanHeaders: count(10),
  }),
  case: z.strictObject({
    ...common,
    kind: z.literal('case'),
    forms: z.array(form).min(1),
    bays35: count(40),
    bays25: count(12),
    bays525: count(6),
    hotSwap: count(40),
    bayLights: z.boolean(),
    reach: z.enum(['side', 'behind', 'dismantle']),
    cardSlots: count(10),
    fullHeight: z.boolean(),
    coolerMm: z.number().min(20).max(250),
    cardMm: z.number().min(0).max(500),
    widthMm: z.number().min(50).max(600),
    heightMm: z.number().min(15).max(800),
    depthMm: z.number().min(50).max(900),
    supplyForm,
    fans: z.array(fan).max(8),
    fanMounts: count(12),
    airflow: z.enum(['across', 'slow', 'none']),
    rackUnits: count(8),
    weightKg: z.number().min(0.5).max(50),
  }),
  supply: z.strictObject({
    ...common,
    kind: z.literal('supply'),
    form: supplyForm,
    ratingW: z.number().min(40).max(1600),
    amps12: z.number().min(3).max(140),
    efficiency: z.enum(efficiencyClasses),
    driveLeads: z.array(z.number().int().min(0).max(8)),
    fourPinPlugs: count(10),
    cardPlugs: count(8),
    leadMm: z.number().min(100).max(1000),
    noiseDb: z.number().min(0).max(60),
    ownPlugs: z.boolean(),
  }),
  cooler: z.strictObject({
    ...common,
    kind: z.literal('cooler'),
    sockets: z.array(z.string()).min(1),
    heightMm: z.number().min(20).max(200),
    carriesW: z.number().min(10).max(400),
    passive: z.boolean(),
    noiseDb: z.number().min(0).max(50),
  }),
  controller: z.strictObject({
    ...common,
    kind: z.literal('controller'),
    ports: count(32),
    mode: z.enum(['plain', 'raid']),
    breakouts: count(8),
    ...card,
  }),
  networkCard: z.strictObject({
    ...common,
    kind: z.literal('networkCard'),
    mbps: z.number().min(100),
    medium: z.enum(['copper', 'fibre', 'wifi']),
    ...card,
  }),
  ssd: z.strictObject({
    ...common,
    kind: z.literal('ssd'),
    link: z.enum(['nvme', 'sata']),
    shape: z.enum(['m2', '2.5', 'stick']),
    sizeGB: z.number().min(8).max(8000),
  }),
  fan: z.strictObject({ ...common, kind: z.literal('fan'), ...fan.shape }),
  cable: z.strictObject({
    ...common,
    kind: z.literal('cable'),
    use: z.enum(['data', 'breakout', 'splitter', 'bayAdapter', 'm2Card', 'extension']),
    gives: count(8),
    moulded: z.boolean().optional(),
  }),
  enclosure: z.strictObject({
    ...common,
    kind: z.literal('enclosure'),
    link: z.enum(['usb', 'cable']),
    bays: count(16),
    throughputMBps: z.number().min(20),
    ownSupply: z.boolean(),
    noiseDb: z.number().min(0).max(60),
  }),
  ups: z.strictObject({
    ...common,
    kind: z.literal('ups'),
    ratingVA: z.number(),
    ratingW: z.number(),
    energyWh: z.number().min(20),
    battery: z.enum(['lead', 'lithium']),
  }),
  optical: z.strictObject({ ...common, kind: z.literal('optical'), link: z.enum(['data', 'usb']) }),
}
const inside = catalogue.machineBases.flatMap(base => [
  base.inside.board,
  base.inside.case,
  base.inside.supply,
])
const allBoards = [...catalogue.hardware, ...inside].filter(
  (part): part is Board => part.kind === 'board',
)

describe('parts that ship', () => {
  it('are what their kind says, and so are those inside prebuilt machines', () => {
    for (const part of [...catalogue.hardware, ...inside])
      expect(schemas[part.kind].safeParse(part).error?.issues ?? [], part.id).toEqual([])
    expect(Object.keys(schemas).sort()).toEqual(Object.keys(hardwareKinds).sort())
  })
  it('are enough of each kind to choose from, and of every class of prebuilt machine', () => {
    const ofKind = (kind: HardwareKind) =>
      catalogue.hardware.filter(part => part.kind === kind).length
    expect(
      [ofKind('board'), ofKind('case'), ofKind('supply')].map(
        (have, at) => have >= [20, 14, 12][at]!,
      ),
    ).toEqual([true, true, true])
    for (const kind of Object.keys(hardwareKinds) as HardwareKind[])
      expect(ofKind(kind), kind).toBeGreaterThanOrEqual(2)
    expect(
      catalogue.machineBases.filter(({ kind }) => kind === 'prebuilt').length,
    ).toBeGreaterThanOrEqual(14)
    for (const name of Object.keys(baseClasses))
      expect(
        catalogue.machineBases.some(base => base.class === name),
        name,
      ).toBe(true)
  })
  it('have ids of their own over all lists, and take no less at work than at rest', () => {
    const ids = [
      ...catalogue.hardware,
      ...catalogue.processors,
      ...catalogue.videoEngines,
      ...catalogue.memoryModules,
      ...catalogue.machineBases,
    ].map(({ id }) => id)
    expect(ids.filter((id, index) => ids.indexOf(id) !== index)).toEqual([])
    for (const { id, idleW, loadW } of catalogue.hardware)
      expect(idleW, id).toBeLessThanOrEqual(loadW)
  })
  it('of each socket there are boards, processors and coolers', () => {
    const sockets = new Set(allBoards.flatMap(({ socket }) => socket ?? []))
    for (const socket of sockets) {
      expect(
        catalogue.processors.some(entry => entry.socket === socket),
        socket,
      ).toBe(true)
      expect(
        catalogue.hardware.some(part => part.kind === 'cooler' && part.sockets.includes(socket)),
        socket,
      ).toBe(true)
    }
    for (const { id, socket } of catalogue.processors)
      if (socket !== null) expect(sockets, id).toContain(socket)
  })
})

describe('boards', () => {
  it.each(allBoards)(
    '$id shares only places that it has, never in a circle, and names each once',
    board => {
      const places = new Map(board.places.map(place => [place.id, place]))
      expect(places.size).toBe(board.places.length)
      for (const { when, by, off = [], narrows } of board.sharing) {
        expect(
          [when, ...off, ...(narrows ? [narrows.place] : [])].filter(id => !places.has(id)),
        ).toEqual([])
        expect(off.length > 0 || narrows !== undefined).toBe(true)
        if (narrows) expect(narrows.lanes).toBeLessThan(places.get(narrows.place)!.lanes)
        if (by) expect(places.get(when)!.kind).toBe('m2')
        if (by === 'sata') expect(places.get(when)!.takesData).toBeDefined()
      }
      const visit = (id: string, above: readonly string[]): void => {
        expect(above).not.toContain(id)
        for (const rule of board.sharing)
          if (rule.when === id) rule.off?.forEach(next => visit(next, [...above, id]))
      }
      board.places.forEach(({ id }) => visit(id, []))
      for (const { lanes, length, kind } of board.places)
        expect(lanes <= length || kind === 'data').toBe(true)
      if (board.processor)
        expect(catalogue.processors.map(({ id }) => id)).toContain(board.processor)
      expect(board.socket === null).toBe(board.processor !== null)
    },
  )
  it('many of them have a rule that nobody would guess', () =>
    expect(allBoards.filter(({ sharing }) => sharing.length > 0).length).toBeGreaterThanOrEqual(15))
})

describe('prebuilt machines', () => {
  it.each(catalogue.machineBases)(
    '$id: bays, memory, ports and processor are those of what is inside',
    base => {
      const { board, case: housing } = base.inside
      expect(housing.bays35 >= base.bays || base.bays === 0).toBe(true)
      expect(base.memorySticks).toBeLessThanOrEqual(board.memory.slots)
      expect(base.memoryGB).toBeLessThanOrEqual(board.memory.maxGB)
      expect(Math.max(...board.networkMbps)).toBe(base.portMbps)
      if (board.processor) expect(base.processor).toBe(board.processor)
      if (base.processor && board.socket)
        expect(catalogue.processors.find(({ id }) => id === base.processor)!.socket).toBe(
          board.socket,
        )
      expect(board.places.filter(({ kind }) => kind === 'data').length).toBeGreaterThanOrEqual(
        base.bays,
      )
    },
  )
  it('every video card is known as a card', () => {
    expect(videoCardShapes.map(({ engine }) => engine).sort()).toEqual(
      catalogue.videoEngines
        .filter(({ kind }) => kind === 'card')
        .map(({ id }) => id)
        .sort(),
    )
  })
})
