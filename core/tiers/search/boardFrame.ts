import { entryOf } from '../../catalogue/catalogue'
import type { Board, Cooler, SystemDisk } from '../../catalogue/hardware/hardwarePart'
import { fromParts } from '../../plan/constants'
import { freshMachine } from '../../machine/freshMachine'
import { systemOf } from '../../machine/machineFacts'
import { supplyGoesIn } from '../../machine/power/supplyForms'
import { assemblingSkill } from '../conditions/assemblingSkill'
import { systemGroup } from './systemGroup'
import { minCooling } from '../../machine/fit/rules/coolerHeat'
import type { MachineBase } from '../../catalogue/machineBases'
import type { Network } from '../../plan/network'
import type { Chosen, Frame, Group, Option } from './frame'
import { upsPrice } from './ofHousehold'
import {
  type Book,
  orNone,
  hardwareOptions,
  processorOptions,
  plugsOf,
  none,
  memoryOptions,
  cardOptions,
  fanOptions,
  partOf,
  takesFan,
} from './frameOptions'

export const hasSlots = ({ places }: Board) => places.some(({ kind }) => kind === 'slot')
export const portOf = ({ networkMbps }: Board): Network['serverPortMbps'] =>
  (Math.max(0, ...networkMbps) || 100) as Network['serverPortMbps']
export const enoughBays = ({ bays = 0 }: Option, { bays: there, turning }: Chosen): boolean =>
  there + bays >= turning

/** Data ports that are left whatever else is put into a board. */
function surePorts({ places, sharing }: Board): number {
  const dead = new Set(sharing.flatMap(({ off = [] }) => off))
  return places.filter(({ kind, id }) => kind === 'data' && !dead.has(id)).length
}

/**
 * A controller is of use only where ports may be too few; a network card only for a faster port
 * than the board has.
 */
export function cards(board: Board | null, book: Book): Group[] {
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
 * from nothing else. A machine that is there may go without.
 */
export function bootGroup(
  book: Book,
  { base, isOwn }: { readonly base: MachineBase | null; readonly isOwn: boolean },
): Group {
  const { catalogue, plan } = book
  const usual = systemOf(plan.system.kind, { base }, catalogue.systemKinds)
  const best = new Map<string, Option>()
  const isStick = ({ refs }: Option) =>
    (entryOf(catalogue.hardware, refs[0]!) as SystemDisk).shape === 'stick'
  for (const option of hardwareOptions('ssd', book)) {
    const disk = entryOf(catalogue.hardware, option.refs[0]!) as SystemDisk
    const kind = `${disk.shape} ${disk.link}`
    const known = best.get(kind)
    if (
      !known ||
      option.price < known.price ||
      (option.price === known.price && option.idleW < known.idleW)
    )
      best.set(kind, option)
  }
  return {
    id: 'boot',
    options: isOwn
      ? orNone([...best.values()].map(option => ({ ...option, mends: 'systemApart' as const })))
      : [...best.values()],
    allowed: (option, { system = usual }) =>
      option.refs.length === 0 || isStick(option) === (system?.bootsFrom.includes('ssd') === false),
  }
}

/** Cases that a board goes into, with a bay for each drive. */
export function caseGroup({ form }: Board, book: Book): Group {
  return {
    id: 'case',
    options: hardwareOptions('case', book),
    allowed: ({ housing }, { turning }) =>
      housing!.forms.includes(form) && housing!.bays35 >= turning,
  }
}

/** Supplies that go into the case, with a plug for each drive. */
export function supplyGroup(book: Book): Group {
  return {
    id: 'supply',
    options: hardwareOptions('supply', book),
    allowed: ({ supply }, { housing, count }) =>
      supplyGoesIn(supply!.form, housing!.supplyForm) &&
      (housing!.hotSwap >= 12 || plugsOf(supply!) >= count),
  }
}

/** Coolers that fit the socket and the case, and carry what the processor makes. */
export function coolerGroup({ socket }: Board, book: Book): Group {
  return {
    id: 'cooler',
    options: hardwareOptions('cooler', book),
    allowed: ({ refs }, { processor, housing }) => {
      const cooler = entryOf(book.catalogue.hardware, refs[0]!) as Cooler
      return (
        cooler.sockets.includes(socket!) &&
        cooler.heightMm <= housing!.coolerMm &&
        cooler.carriesW >= minCooling * processor!.maxW
      )
    },
  }
}

/** A board that is bought, with everything around it. */
export function boardFrame(board: Board, book: Book): Frame {
  const { plan, priceOf, catalogue } = book
  const own =
    board.processor === null
      ? null
      : (catalogue.processors.find(({ id }) => id === board.processor) ?? null)
  const system = systemOf(plan.system.kind, { base: null }, catalogue.systemKinds)
  return {
    id: board.id,
    way: 'selfBuilt',
    isOwn: false,
    risk: 0,
    sold: board.sold,
    assembling: assemblingSkill.kit,
    system,
    replaces: false,
    hasSupply: false,
    losses: null,
    bays: 0,
    air: null,
    portMbps: portOf(board),
    price: priceOf(board.id, board.price) + upsPrice(plan, catalogue),
    idleW: board.idleW + (own?.idleW ?? 0) + (system?.idleW ?? 0),
    loadW: board.loadW + (own?.maxW ?? 0),
    machine: freshMachine(
      plan.machine,
      { name: `Self-built, ${board.label}`, base: fromParts, parts: [partOf(board.id, book)] },
      catalogue,
    ),
    groups: [
      ...(board.socket === null
        ? []
        : [{ id: 'processor' as const, options: processorOptions(board.socket, book) }]),
      {
        id: 'memory',
        options: memoryOptions(board, { slots: board.memory.slots, registered: false }, book),
      },
      { id: 'card', options: hasSlots(board) ? orNone(cardOptions(book)) : [none] },
      systemGroup(book, { base: null, arm: own?.runs === 'ARM' }),
      { id: 'pool', options: [] },
      caseGroup(board, book),
      {
        id: 'fan',
        options: orNone(fanOptions(book)),
        allowed: (option, { housing }) => option.refs.length === 0 || takesFan(housing!),
      },
      supplyGroup(book),
      ...(board.socket === null ? [] : [coolerGroup(board, book)]),
      bootGroup(book, { base: null, isOwn: false }),
      ...cards(board, book),
    ],
  }
}
