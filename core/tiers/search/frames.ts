import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import type {
  Board,
  Case,
  Cooler,
  HardwarePart,
  Supply,
  SystemDisk,
} from '../../catalogue/hardware/hardwarePart'
import type { MachineBase } from '../../catalogue/machineBases'
import type { Processor } from '../../catalogue/processors'
import { minCooling } from '../../machine/fit/rules/coolerHeat'
import { freshMachine } from '../../machine/freshMachine'
import { machineBuild } from '../../machine/machineBuild'
import { caseFansW, machinePower } from '../../machine/machinePower'
import { machinePrices } from '../../machine/machinePrices'
import { newPart, putIn } from '../../machine/partChanges'
import type { SupplyLosses } from '../../machine/power/supplyCurve'
import { fromParts } from '../../plan/constants'
import type { Machine } from '../../plan/machine'
import type { Network } from '../../plan/network'
import type { Plan } from '../../plan/planSchema'
import { machineAtHand } from '../tryAtHand'

/** A way of building. */
export const ways = {
  stay: 'Stay as it is',
  router: 'Drives on a router or a streaming box',
  appliance: 'Appliance',
  office: 'Refurbished office PC',
  miniPc: 'Mini PC with an enclosure',
  singleBoard: 'Single-board computer',
  laptop: 'Old laptop',
  rack: 'Used rack server',
  selfBuilt: 'Self-built, new',
  atHand: 'Around what is at hand',
  shared: 'A computer also used for work or games',
  twoMachines: 'Two machines',
} as const
export type WayId = keyof typeof ways

/** One choice of a group: parts that go in together, with what they add. */
export interface Option {
  readonly refs: readonly string[]
  readonly price: number
  /** watts DC, added */
  readonly idleW: number
  readonly loadW: number
  /** what the steps behind it look at */
  readonly processor?: Processor
  readonly supply?: Supply
  readonly housing?: Case
  readonly bays?: number
  readonly portMbps?: number
}
export interface Group {
  readonly id:
    | 'processor'
    | 'memory'
    | 'card'
    | 'pool'
    | 'supply'
    | 'case'
    | 'cooler'
    | 'boot'
    | 'enclosure'
    | 'controller'
    | 'networkCard'
  readonly options: readonly Option[]
  /** whether an option goes with what was chosen before; only what a rule of fit would refuse */
  readonly allowed?: (option: Option, chosen: Chosen) => boolean
}
/** What was chosen so far, as far as later steps look at it. */
export interface Chosen {
  readonly processor?: Processor
  readonly supply?: Supply
  readonly housing?: Case
  readonly bays: number
  readonly count: number
}

/** What a machine is put together on, and the steps in which the rest of it is chosen. */
export interface Frame {
  readonly id: string
  readonly way: WayId
  readonly machine: Machine
  readonly price: number
  readonly idleW: number
  readonly loadW: number
  /** of its supply; null where one is chosen, or none is known */
  readonly losses: SupplyLosses | null
  readonly hasSupply: boolean
  readonly bays: number
  readonly portMbps: Network['serverPortMbps']
  readonly groups: readonly Group[]
  /** the machine with parts put in: in place of what there is one of, or beside it */
  readonly replaces: boolean
}

/** Processors dearer than this are left out: none of the needs of a home asks for one. */
export const maxProcessorPrice = 700
/** Sticks of memory that are bought together. */
const stickCounts = [1, 2] as const
const none: Option = { refs: [], price: 0, idleW: 0, loadW: 0 }

/** Prices as this plan pays them: nothing for what lies there already, owned. */
export function priceBook({
  parts,
}: Machine): (ref: string, price: number, count?: number) => number {
  const owned = new Map<string, number>()
  for (const { ref, condition, count } of parts)
    if (condition === 'owned') owned.set(ref, (owned.get(ref) ?? 0) + count)
  return (ref, price, count = 1) => Math.max(0, count - (owned.get(ref) ?? 0)) * price
}

interface Book {
  readonly plan: Plan
  readonly catalogue: Catalogue
  readonly priceOf: ReturnType<typeof priceBook>
  /** options by kind, made once: own parts are thousands */ readonly known: Map<string, Option[]>
}

function bookOf(plan: Plan, catalogue: Catalogue): Book {
  return { plan, catalogue, priceOf: priceBook(plan.machine), known: new Map() }
}

/** What is sold, and what there is of one's own. */
const sold = <Part extends { readonly comesWith?: string | undefined; readonly price: number }>(
  part: Part,
) => part.comesWith === undefined && part.price >= 0

type OptionKind = 'supply' | 'case' | 'cooler' | 'ssd' | 'enclosure' | 'controller' | 'networkCard'
function hardwareOptions(kind: OptionKind, book: Book): Option[] {
  let known = book.known.get(kind)
  if (!known)
    book.known.set(kind, (known = cheapestOfAlike(makeOptions(kind, book), book.catalogue)))
  return known
}
/**
 * Of parts that differ in name and price alone the cheapest, of equals the first by id: no build
 * with another is better.
 */
export function cheapestOfAlike(
  options: readonly Option[],
  { hardware }: Pick<Catalogue, 'hardware'>,
): Option[] {
  const best = new Map<string, Option>()
  for (const option of options) {
    const { id, label, price, notes, ...same } = entryOf(
      hardware,
      option.refs[0]!,
    )! as HardwarePart & { readonly notes?: string }
    void [id, label, price, notes]
    const key = JSON.stringify(same)
    const known = best.get(key)
    if (
      !known ||
      option.price < known.price ||
      (option.price === known.price && option.refs[0]! < known.refs[0]!)
    )
      best.set(key, option)
  }
  return [...best.values()]
}
function makeOptions(kind: OptionKind, { catalogue, priceOf }: Book): Option[] {
  return catalogue.hardware.flatMap((part): Option[] => {
    if (part.kind !== kind || !sold(part)) return []
    const option = {
      refs: [part.id],
      price: priceOf(part.id, part.price),
      idleW: part.idleW,
      loadW: part.loadW,
    }
    switch (part.kind) {
      case 'supply':
        return [{ ...option, supply: part }]
      case 'case': {
        const fans = caseFansW(part)
        return [{ ...option, housing: part, bays: part.bays35, idleW: fans, loadW: fans }]
      }
      case 'controller': {
        if (part.mode !== 'plain') return []
        const cable = catalogue.hardware.find(
          other => other.kind === 'cable' && other.use === 'breakout',
        )
        const cables =
          part.breakouts > 0 && cable ? Array.from({ length: part.breakouts }, () => cable.id) : []
        return [
          {
            ...option,
            refs: [part.id, ...cables],
            price: option.price + (cable ? priceOf(cable.id, cable.price, part.breakouts) : 0),
          },
        ]
      }
      case 'networkCard':
        return part.medium === 'wifi' ? [] : [{ ...option, portMbps: part.mbps }]
      case 'enclosure':
        return [{ ...option, bays: part.bays }]
      default:
        return [option]
    }
  })
}

function memoryOptions(
  { memory }: Board,
  slots: number,
  { plan, catalogue, priceOf }: Book,
): Option[] {
  return catalogue.memoryModules.flatMap(({ id, type, shape, ecc, memoryGB, powerW, price }) =>
    type !== memory.type || shape !== memory.shape || (ecc && !plan.machine.wantsEcc) || price < 0
      ? []
      : stickCounts
          .filter(count => count <= slots && count * memoryGB <= memory.maxGB)
          .map((count): Option => ({
            refs: Array.from({ length: count }, () => id),
            price: priceOf(id, price, count),
            idleW: count * powerW,
            loadW: count * powerW,
          })),
  )
}

function processorOptions(socket: string | null, { catalogue, priceOf }: Book): Option[] {
  if (socket === null) return []
  return catalogue.processors.flatMap(processor =>
    processor.socket !== socket || processor.price > maxProcessorPrice || processor.price < 0
      ? []
      : [
          {
            refs: [processor.id],
            price: priceOf(processor.id, processor.price),
            idleW: processor.idleW,
            loadW: processor.maxW,
            processor,
          },
        ],
  )
}

function cardOptions({ catalogue, priceOf }: Book): Option[] {
  return catalogue.videoEngines.flatMap(engine =>
    engine.kind === 'card' && engine.price !== null && engine.price >= 0
      ? [
          {
            refs: [engine.id],
            price: priceOf(engine.id, engine.price),
            idleW: engine.idleW,
            loadW: engine.loadW,
          },
        ]
      : [],
  )
}

const hasSlots = ({ places }: Board) => places.some(({ kind }) => kind === 'slot')
const orNone = (options: readonly Option[]) => [none, ...options]
const plugsOf = ({ driveLeads }: Supply) => driveLeads.reduce((sum, plugs) => sum + plugs, 0)
const portOf = ({ networkMbps }: Board): Network['serverPortMbps'] =>
  (Math.max(0, ...networkMbps) || 100) as Network['serverPortMbps']

const enoughBays = ({ bays = 0 }: Option, { bays: there, count }: Chosen): boolean =>
  there + bays >= count
/** Data ports that are left whatever else is put into a board. */
function surePorts({ places, sharing }: Board): number {
  const dead = new Set(sharing.flatMap(({ off = [] }) => off))
  return places.filter(({ kind, id }) => kind === 'data' && !dead.has(id)).length
}
/**
 * A controller is of use only where ports may be too few; a network card only for a faster port
 * than the board has.
 */
function cards(board: Board | null, book: Book): Group[] {
  if (board && !hasSlots(board)) return []
  const fastest = Math.max(0, ...(board?.networkMbps ?? []))
  return [
    {
      id: 'controller',
      options: orNone(hardwareOptions('controller', book)),
      allowed: (option, { count }) =>
        option.refs.length === 0 || board === null || count + 1 > surePorts(board),
    },
    {
      id: 'networkCard',
      options: orNone(
        hardwareOptions('networkCard', book).filter(({ portMbps }) => portMbps! > fastest),
      ),
    },
  ]
}
/**
 * Of disks for the system the cheapest of each kind of place; sticks only for systems that boot
 * from nothing else.
 */
function bootGroup(book: Book): Group {
  const { catalogue, plan } = book
  const system = catalogue.systemKinds.find(({ id }) => id === plan.system.kind)
  const wantsStick = system?.bootsFrom.includes('ssd') === false
  const best = new Map<string, Option>()
  for (const option of hardwareOptions('ssd', book)) {
    const disk = entryOf(catalogue.hardware, option.refs[0]!) as SystemDisk
    if ((disk.shape === 'stick') !== wantsStick) continue
    const kind = `${disk.shape} ${disk.link}`
    const known = best.get(kind)
    if (
      !known ||
      option.price < known.price ||
      (option.price === known.price && option.idleW < known.idleW)
    )
      best.set(kind, option)
  }
  return { id: 'boot', options: [...best.values()] }
}

/** A board that is bought, with everything around it. */
function boardFrame(board: Board, book: Book): Frame {
  const { plan, priceOf, catalogue } = book
  const own =
    board.processor === null
      ? null
      : (catalogue.processors.find(({ id }) => id === board.processor) ?? null)
  return {
    id: board.id,
    way: 'selfBuilt',
    replaces: false,
    hasSupply: false,
    losses: null,
    bays: 0,
    portMbps: portOf(board),
    price: priceOf(board.id, board.price),
    idleW: board.idleW + (own?.idleW ?? 0),
    loadW: board.loadW + (own?.maxW ?? 0),
    machine: freshMachine(plan.machine, {
      name: `Self-built, ${board.label}`,
      base: fromParts,
      parts: [partOf(board.id, book)],
    }),
    groups: [
      ...(board.socket === null
        ? []
        : [{ id: 'processor' as const, options: processorOptions(board.socket, book) }]),
      { id: 'memory', options: memoryOptions(board, board.memory.slots, book) },
      { id: 'card', options: hasSlots(board) ? orNone(cardOptions(book)) : [none] },
      { id: 'pool', options: [] },
      { id: 'supply', options: hardwareOptions('supply', book) },
      {
        id: 'case',
        options: hardwareOptions('case', book),
        allowed: ({ housing }, { supply, count }) =>
          housing!.forms.includes(board.form) &&
          housing!.supplyForm === supply!.form &&
          housing!.bays35 >= count &&
          (housing!.hotSwap >= 12 || plugsOf(supply!) >= count),
      },
      ...(board.socket === null
        ? []
        : [
            {
              id: 'cooler' as const,
              options: hardwareOptions('cooler', book),
              allowed: (option: Option, { processor, housing }: Chosen) => {
                const cooler = entryOf(catalogue.hardware, option.refs[0]!) as Cooler
                return (
                  cooler.sockets.includes(board.socket!) &&
                  cooler.heightMm <= housing!.coolerMm &&
                  cooler.carriesW >= minCooling * processor!.maxW
                )
              },
            },
          ]),
      bootGroup(book),
      ...cards(board, book),
    ],
  }
}

/** A part as it is put into a fresh machine: owned where it lies there already. */
export function partOf(ref: string, { plan }: Pick<Book, 'plan'>): Machine['parts'][number] {
  const owned = plan.machine.parts.find(part => part.ref === ref && part.condition === 'owned')
  return owned ? { ...newPart(ref), condition: 'owned' } : newPart(ref)
}

const wayOfClass: Readonly<Record<MachineBase['class'], WayId>> = {
  appliance: 'appliance',
  office: 'office',
  miniPc: 'miniPc',
  singleBoard: 'singleBoard',
  laptop: 'laptop',
  router: 'router',
  rack: 'rack',
  kit: 'selfBuilt',
}

/** A machine that is there or is bought whole, with what is put into it or in place of it. */
function machineFrame(
  machine: Machine,
  parts: { readonly id: string; readonly way: WayId; readonly isOwn: boolean },
  book: Book,
): Frame {
  const { plan, catalogue } = book
  const build = machineBuild(machine, catalogue)
  const { base, board, housing } = build
  const power = machinePower(machine, build, plan.brief.mainsVolts)
  const price = parts.isOwn
    ? 0
    : machinePrices(machine, build).reduce((sum, line) => sum + (line.toPay ?? 0), 0)
  const fixed = new Set(base?.fixed ?? [])
  const before =
    build.processor && (!base || base.processor !== null || parts.isOwn)
      ? { idleW: build.processor.idleW, loadW: build.processor.maxW }
      : { idleW: 0, loadW: 0 }
  const needsProcessor = build.processor === null && board?.socket != null
  const swaps =
    board?.socket != null &&
    !fixed.has('processor') &&
    (needsProcessor || parts.way === 'office' || parts.isOwn)
      ? processorOptions(board.socket, book)
          .filter(({ processor }) => processor !== build.processor)
          .map(option => ({
            ...option,
            idleW: option.idleW - before.idleW,
            loadW: option.loadW - before.loadW,
          }))
      : []
  const sticks = build.parts.reduce(
    (sum, { kind, part }) => (kind === 'memory' ? sum + part.count : sum),
    base?.memorySticks ?? 0,
  )
  const memory =
    board && !fixed.has('memory') ? memoryOptions(board, board.memory.slots - sticks, book) : []
  const needsMemory =
    sticks === 0 && (base ? base.memoryGB === 0 : machine.memoryGB === null && build.memoryGB === 0)
  const canCard = (board === null || hasSlots(board)) && build.cards.length === 0
  const groups: Group[] = [
    { id: 'processor', options: needsProcessor ? swaps : orNone(swaps) },
    { id: 'memory', options: needsMemory ? memory : orNone(memory) },
    { id: 'card', options: canCard ? orNone(cardOptions(book)) : [none] },
    { id: 'pool', options: [] },
    ...(parts.isOwn && !fixed.has('supply')
      ? [
          {
            id: 'supply' as const,
            options: orNone(
              hardwareOptions('supply', book).filter(
                ({ supply }) =>
                  supply !== build.supply &&
                  (housing === null || supply!.form === housing.supplyForm),
              ),
            ),
          },
        ]
      : []),
    { id: 'enclosure', options: orNone(hardwareOptions('enclosure', book)), allowed: enoughBays },
    ...cards(board, book),
    ...(base?.hasSystemDisk || build.parts.some(({ kind }) => kind === 'ssd') || parts.isOwn
      ? []
      : [bootGroup(book)]),
  ]
  return {
    id: parts.id,
    way: parts.way,
    machine,
    price,
    idleW: power.idleDcW,
    loadW: power.loadDcW,
    losses: power.losses,
    hasSupply: true,
    bays: build.bays,
    groups,
    replaces: true,
    portMbps:
      base?.portMbps ?? (board && !parts.isOwn ? portOf(board) : plan.network.serverPortMbps),
  }
}

/**
 * Whether the plan has a machine that is there already and of which enough is known to judge it.
 */
export function hasMachine({
  machine: { base, condition, score, cores, sustainedGHz, parts },
}: Plan): boolean {
  if (base === fromParts) return parts.some(part => part.condition === 'owned')
  return (
    condition === 'owned' &&
    (base !== 'own' || score !== null || cores !== null || sustainedGHz !== null)
  )
}

/** A computer on which somebody works or plays is a way of its own. */
const wayAtHand = ({ usedHoursPerDay }: Pick<Machine, 'usedHoursPerDay'>): WayId =>
  usedHoursPerDay > 0 ? 'shared' : 'atHand'

/** The plan's own machine, with what may be put into it. */
export function ownFrame(plan: Plan, catalogue: Catalogue): Frame {
  return machineFrame(
    plan.machine,
    { id: 'own', way: wayAtHand(plan.machine), isOwn: true },
    bookOf(plan, catalogue),
  )
}

/**
 * Every frame of a plan: boards and machines of the catalogue, its own machine where it is owned,
 * and computers at hand.
 */
export function framesOf(plan: Plan, catalogue: Catalogue): Frame[] {
  const book = bookOf(plan, catalogue)
  const boards = catalogue.hardware.flatMap(part =>
    part.kind === 'board' && sold(part) && part.form !== 'own' ? [boardFrame(part, book)] : [],
  )
  const bases = catalogue.machineBases
    .filter(({ price }) => price >= 0)
    .map(base =>
      machineFrame(
        freshMachine(plan.machine, { name: base.label, base: base.id, parts: [] }),
        { id: base.id, way: wayOfClass[base.class], isOwn: false },
        book,
      ),
    )
  const atHand = plan.machine.atHand.map((computer, index) =>
    machineFrame(
      {
        ...freshMachine(plan.machine, { base: computer.ref, parts: [] }),
        ...machineAtHand(computer),
        ownParts: plan.machine.ownParts,
        atHand: plan.machine.atHand,
        diagnosisFee: plan.machine.diagnosisFee,
      },
      { id: `hand-${index}`, way: wayAtHand(computer), isOwn: true },
      book,
    ),
  )
  return [...boards, ...bases, ...(hasMachine(plan) ? [ownFrame(plan, catalogue)] : []), ...atHand]
}

/** The machine that a frame and what was chosen come to. */
export function machineOf(
  { machine, replaces }: Frame,
  refs: readonly string[],
  { plan, catalogue }: { readonly plan: Plan; readonly catalogue: Catalogue },
): Machine {
  if (!replaces) return { ...machine, parts: [...machine.parts, ...merged(refs, plan)] }
  return merged(refs, plan).reduce((built, part) => {
    const withIt = putIn(built, part.ref, { lists: catalogue })
    return { ...withIt, parts: [...withIt.parts.slice(0, -1), part] }
  }, machine)
}

/** Equal parts as one line with their count; what is owned counts as owned as far as it goes. */
function merged(refs: readonly string[], plan: Plan): Machine['parts'] {
  const lines: Machine['parts'] = []
  for (const ref of new Set(refs)) {
    const count = refs.filter(other => other === ref).length
    const owned = plan.machine.parts.reduce(
      (sum, part) => (part.ref === ref && part.condition === 'owned' ? sum + part.count : sum),
      0,
    )
    const there = Math.min(owned, count)
    if (there > 0) lines.push({ ...newPart(ref), count: there, condition: 'owned' })
    if (count > there) lines.push({ ...newPart(ref), count: count - there })
  }
  return lines
}
