import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import type { MachineBase } from '../../catalogue/machineBases'
import { freshMachine } from '../../machine/freshMachine'
import { machineBuild, type MachineBuild } from '../../machine/machineBuild'
import { systemOf } from '../../machine/machineFacts'
import { supplyGoesIn } from '../../machine/power/supplyForms'
import { machinePower } from '../../machine/machinePower'
import { machinePrices } from '../../machine/machinePrices'
import { partsOfKind } from '../../machine/knownParts'
import { newPart, putIn } from '../../machine/partChanges'
import type { Board } from '../../catalogue/hardware/hardwarePart'
import { fromParts } from '../../plan/constants'
import type { Machine } from '../../plan/machine'
import type { Plan } from '../../plan/planSchema'
import { assemblingSkill } from '../conditions/assemblingSkill'
import { machineAtHand, riskAtHand } from '../machineAtHand'
import { systemGroup } from './systemGroup'
import {
  boardFrame,
  bootGroup,
  cards,
  caseGroup,
  coolerGroup,
  enoughBays,
  hasSlots,
  portOf,
  supplyGroup,
} from './boardFrame'
import type { Chosen, Frame, Group, WayId } from './frame'
import {
  type Book,
  bookOf,
  cardOptions,
  fanOptions,
  hardwareOptions,
  memoryOptions,
  none,
  orNone,
  processorOptions,
  sold,
  takesFan,
} from './frameOptions'

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

/** Id of the frame that the plan's own machine makes. */
const ownId = 'own'

/** A machine that is there or is bought whole, with what is put into it or in place of it. */
function machineFrame(
  machine: Machine,
  parts: {
    readonly id: string
    readonly way: WayId
    readonly isOwn: boolean
    /** a change to what is there: it keeps its system, and another case or cooler may go in */
    readonly isChange?: boolean
    /** a part that takes the place of another one, and is paid */
    readonly refs?: readonly string[]
    readonly risk?: number
  },
  book: Book,
): Frame {
  const { plan, catalogue } = book
  const build = machineBuild(machine, catalogue)
  const { base, board, housing } = build
  const power = machinePower(machine, build, {
    mainsVolts: plan.brief.mainsVolts,
    system: systemOf(plan.system.kind, build, catalogue.systemKinds),
  })
  const price = parts.isOwn
    ? (parts.refs ?? []).reduce(
        (sum, ref) => sum + book.priceOf(ref, entryOf(catalogue.hardware, ref)!.price),
        0,
      )
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
    board && !fixed.has('memory')
      ? memoryOptions(
          board,
          { slots: board.memory.slots - sticks, registered: base?.memoryRegistered ?? false },
          book,
        )
      : []
  const needsMemory =
    sticks === 0 && (base ? base.memoryGB === 0 : machine.memoryGB === null && build.memoryGB === 0)
  const canCard = (board === null || hasSlots(board)) && build.cards.length === 0
  const fans = build.parts.reduce(
    (sum, { kind, part }) => (kind === 'fan' ? sum + part.count : sum),
    0,
  )
  const groups: Group[] = [
    { id: 'processor', options: needsProcessor ? swaps : orNone(swaps) },
    { id: 'memory', options: needsMemory ? memory : orNone(memory) },
    { id: 'card', options: canCard ? orNone(cardOptions(book)) : [none] },
    {
      id: 'fan',
      options: housing && takesFan(housing, fans) ? orNone(fanOptions(book)) : [none],
    },
    systemGroup(book, { base, arm: build.processor?.runs === 'ARM', isKept: parts.isChange }),
    { id: 'pool', options: [] },
    ...(parts.isChange && build.isFromParts && board
      ? otherBody(build, board, book)
      : parts.isOwn && !fixed.has('supply')
        ? [
            {
              id: 'supply' as const,
              options: orNone(
                hardwareOptions('supply', book).filter(
                  ({ supply }) =>
                    supply !== build.supply &&
                    (housing === null || supplyGoesIn(supply!.form, housing.supplyForm)),
                ),
              ),
            },
          ]
        : []),
    { id: 'enclosure', options: orNone(hardwareOptions('enclosure', book)), allowed: enoughBays },
    ...cards(board, book),
    ...(base?.systemDisk || build.parts.some(({ kind }) => kind === 'ssd')
      ? []
      : [bootGroup(book, { base, isOwn: parts.isOwn })]),
  ]
  return {
    id: parts.id,
    way: parts.way,
    isOwn: parts.isOwn,
    risk: parts.risk ?? 0,
    sold: base?.sold ?? 'new',
    assembling: base ? assemblingSkill[base.class] : assemblingSkill.kit,
    system: systemOf(plan.system.kind, build, catalogue.systemKinds),
    machine,
    refs: parts.refs ?? [],
    price,
    idleW: power.idleDcW,
    loadW: power.loadDcW,
    losses: power.losses,
    hasSupply: true,
    bays: build.bays,
    air: housing && (fans > 0 ? 'across' : housing.airflow),
    groups,
    replaces: true,
    // The port of the plan's own machine is the plan's: no change makes it faster for nothing.
    portMbps:
      parts.id === ownId
        ? plan.network.serverPortMbps
        : (base?.portMbps ?? (board && !parts.isOwn ? portOf(board) : plan.network.serverPortMbps)),
  }
}

/**
 * A case, a supply and a cooler in place of those that are there, or what is there where it goes
 * with the rest.
 */
function otherBody(
  { housing, supply, processor, bays, parts }: MachineBuild,
  board: Board,
  book: Book,
): Group[] {
  const cooler = partsOfKind(parts, 'cooler').at(-1)?.entry
  const isThere = new Set(parts.map(({ part }) => part.ref))
  const there = {
    ...(housing ? { housing } : {}),
    ...(supply ? { supply } : {}),
    ...(processor ? { processor } : {}),
  }
  /** The options of a group, judged beside what stays of the machine. */
  const inPlace = (group: Group, stays: ((chosen: Chosen) => boolean) | null): Group => ({
    ...group,
    options: [
      ...(stays ? [none] : []),
      ...group.options.filter(({ refs }) => !isThere.has(refs[0]!)),
    ],
    allowed: (option, chosen) => {
      const all = { ...there, ...chosen }
      return option.refs.length === 0 ? stays!(all) : !all.housing || group.allowed!(option, all)
    },
  })
  const cases = caseGroup(board, book)
  return [
    inPlace(
      {
        ...cases,
        options: cases.options.map(option => ({ ...option, bays: option.housing!.bays35 - bays })),
        allowed: (option, chosen) => cases.allowed!(option, chosen),
      },
      housing ? () => housing.forms.includes(board.form) : null,
    ),
    inPlace(
      supplyGroup(book),
      supply ? ({ housing: put }) => !put || supplyGoesIn(supply.form, put.supplyForm) : null,
    ),
    ...(board.socket === null
      ? []
      : [
          inPlace(
            coolerGroup(board, book),
            cooler ? ({ housing: put }) => !put || cooler.heightMm <= put.coolerMm : null,
          ),
        ]),
  ]
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

/** Id of the frame that a computer at hand makes. */
export const frameAtHand = (index: number) => `hand-${index}`

/** A computer on which somebody works or plays is a way of its own. */
const wayAtHand = ({ usedHoursPerDay }: Pick<Machine, 'usedHoursPerDay'>): WayId =>
  usedHoursPerDay > 0 ? 'shared' : 'atHand'

/** The plan's own machine, with what may be put into it. */
export function ownFrame(plan: Plan, catalogue: Catalogue): Frame {
  return machineFrame(
    plan.machine,
    { id: ownId, way: wayAtHand(plan.machine), isOwn: true },
    bookOf(plan, catalogue),
  )
}

/** The machine on another board, without the processor and the memory that do not go into it. */
function onBoard(machine: Machine, board: Board, catalogue: Catalogue): Machine {
  const { parts } = machineBuild(machine, catalogue)
  const staysOut = new Set(
    parts.flatMap(known =>
      (known.kind === 'processor' && known.entry.socket !== board.socket) ||
      (known.kind === 'memory' &&
        (known.entry.type !== board.memory.type || known.entry.shape !== board.memory.shape))
        ? [known.part.ref]
        : [],
    ),
  )
  const kept = { ...machine, parts: machine.parts.filter(({ ref }) => !staysOut.has(ref)) }
  return putIn(kept, board.id, { lists: catalogue })
}

/**
 * What a change of the plan's own machine may begin with: the machine as it is, or with another
 * board in it where it is built from parts.
 */
export function changedFrames(plan: Plan, catalogue: Catalogue): Frame[] {
  const book = bookOf(plan, catalogue)
  const frame = (machine: Machine, refs: readonly string[]) =>
    machineFrame(
      machine,
      { id: ownId, way: wayAtHand(plan.machine), isOwn: true, isChange: true, refs },
      book,
    )
  const { board, isFromParts } = machineBuild(plan.machine, catalogue)
  const others = catalogue.hardware.filter(
    (part): part is Board =>
      part.kind === 'board' && sold(part) && part.form !== 'own' && part.id !== board?.id,
  )
  return [
    frame(plan.machine, []),
    ...(isFromParts && board
      ? others.map(other => frame(onBoard(plan.machine, other, catalogue), [other.id]))
      : []),
  ]
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
        freshMachine(plan.machine, { name: base.label, base: base.id, parts: [] }, catalogue),
        { id: base.id, way: wayOfClass[base.class], isOwn: false },
        book,
      ),
    )
  const atHand = plan.machine.atHand.map((computer, index) =>
    machineFrame(
      {
        ...machineAtHand({
          ...computer,
          name:
            computer.name ||
            entryOf(catalogue.machineBases, computer.ref)?.label ||
            `Computer ${index + 1}`,
        }),
        parts: freshMachine(plan.machine, { base: computer.ref, parts: [] }, catalogue).parts,
        ownParts: plan.machine.ownParts,
        atHand: plan.machine.atHand,
        diagnosisFee: plan.machine.diagnosisFee,
      },
      {
        id: frameAtHand(index),
        way: wayAtHand(computer),
        isOwn: true,
        risk: riskAtHand(computer, { plan, catalogue }).sum,
      },
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
