import type { Condition } from '../../plan/constants'
import type { Machine, MachinePart } from '../../plan/machine'
import { wholeCents } from '../../units/wholeCents'
import type { MachineBuild } from '../machineBuild'
import { partLabel, type PartKind, type KnownPart } from '../knownParts'

/** Groups of a parts list. */
export const partGroups = {
  core: 'Machine',
  housing: 'Case and power',
  storage: 'Storage',
  cards: 'Cards',
  beside: 'Beside the machine',
} as const
export type PartGroup = keyof typeof partGroups

const groupOf: Readonly<Record<PartKind, PartGroup>> = {
  processor: 'core',
  board: 'core',
  memory: 'core',
  cooler: 'core',
  case: 'housing',
  supply: 'housing',
  fan: 'housing',
  cable: 'housing',
  ssd: 'storage',
  controller: 'storage',
  enclosure: 'storage',
  card: 'cards',
  networkCard: 'cards',
  optical: 'beside',
  ups: 'beside',
}

/** One line: a part or a lot of drives, with its price both ways. */
export interface PartLine {
  readonly group: PartGroup
  readonly label: string
  /** index in the plan's parts; null for the base and for drives */
  readonly index: number | null
  /** id in the catalogue; '' for what has none */
  readonly ref: string
  readonly count: number
  readonly condition: Condition
  readonly purpose: 'fitted' | 'spare' | 'later'
  readonly note: string
  /** of one, as it would be bought; null where no price is known */
  readonly priceEach: number | null
  readonly isUsual: boolean
  /** chance that one of them is dead, 0..1 */
  readonly deadChance: number
  /** to pay now; what is owned costs nothing */
  readonly toPay: number | null
  readonly isDrives: boolean
}

export interface DriveLine {
  readonly label: string
  readonly count: number
  readonly condition: Condition
  readonly priceEach: number
  readonly isUsual: boolean
}

/** Sums of a list, to the cent. */
export interface PartTotals {
  readonly toPay: number
  readonly toPayWithoutDrives: number
  /** as if everything had to be bought */
  readonly asIfBought: number
  /** what untested parts cost on average: chance × (a like part + finding out) */
  readonly risk: number
  /** lines without a price: not in the sums */
  readonly unpriced: number
}

/** What so many cost; what is owned costs nothing. */
function toPayFor(condition: Condition, priceEach: number | null, count: number): number | null {
  return condition === 'owned' ? 0 : priceEach === null ? null : wholeCents(priceEach * count)
}

/** Every line of a plan's machine and drives, by group, in the order of the plan. */
export function partLines(
  machine: Machine,
  { base, isFromParts, parts, shelved }: MachineBuild,
  drives: readonly DriveLine[],
): PartLine[] {
  const known = [...parts, ...shelved]
  const order = Object.keys(partGroups)
  return [
    ...(isFromParts ? [] : [baseLine(machine, base)]),
    ...known.map(knownLine),
    ...machine.parts.flatMap((part, index) =>
      known.some(other => other.index === index) ? [] : [strangeLine(part, index)],
    ),
    ...drives.map(drivesLine),
  ].sort((a, b) => order.indexOf(a.group) - order.indexOf(b.group))
}

/** A machine that is bought or owned as one. */
function baseLine({ name, condition, price }: Machine, base: MachineBuild['base']): PartLine {
  const priceEach = price ?? base?.price ?? null
  return {
    ...beside,
    group: 'core',
    label: name || base?.label || 'Machine',
    ref: base?.id ?? '',
    count: 1,
    condition,
    priceEach,
    isUsual: price === null && base !== null,
    toPay: condition === 'owned' ? 0 : priceEach,
  }
}

function knownLine(known: KnownPart): PartLine {
  const { part, index, entry, kind } = known
  return partLine(part, {
    group: groupOf[kind],
    label: partLabel(known),
    index,
    priceEach: part.price ?? entry.price ?? null,
    isUsual: part.price === null,
  })
}

/** A part that the catalogue does not know. */
function strangeLine(part: MachinePart, index: number): PartLine {
  return partLine(part, {
    group: 'beside',
    label: part.ref,
    index,
    priceEach: part.price,
    isUsual: false,
  })
}

function partLine(
  { ref, count, condition, purpose, note, deadChance }: MachinePart,
  own: Pick<PartLine, 'group' | 'label' | 'index' | 'priceEach' | 'isUsual'>,
): PartLine {
  return {
    ...own,
    ref,
    count,
    condition,
    purpose,
    note,
    deadChance,
    isDrives: false,
    toPay: toPayFor(condition, own.priceEach, count),
  }
}

function drivesLine({ label, count, condition, priceEach, isUsual }: DriveLine): PartLine {
  return {
    ...beside,
    group: 'storage',
    label,
    ref: '',
    count,
    condition,
    isDrives: true,
    priceEach,
    isUsual,
    toPay: toPayFor(condition, priceEach, count),
  }
}

/** What a line that is no part of the plan's list has. */
const beside = {
  index: null,
  purpose: 'fitted',
  note: '',
  isDrives: false,
  deadChance: 0,
} as const

/** @param extras and what finding out that a part is dead costs, in the plan's currency */
export function partTotals(
  lines: readonly PartLine[],
  { extras, diagnosisFee }: { readonly extras: number; readonly diagnosisFee: number },
): PartTotals {
  const sum = (
    of: (line: PartLine) => number | null,
    which: (line: PartLine) => boolean = () => true,
  ) => wholeCents(lines.filter(which).reduce((total, line) => total + (of(line) ?? 0), 0) + extras)
  return {
    risk: wholeCents(
      lines.reduce(
        (total, { deadChance, priceEach, count }) =>
          total + deadChance * count * ((priceEach ?? 0) + diagnosisFee),
        0,
      ),
    ),
    toPay: sum(({ toPay }) => toPay),
    toPayWithoutDrives: sum(
      ({ toPay }) => toPay,
      ({ isDrives }) => !isDrives,
    ),
    asIfBought: sum(({ priceEach, count }) => (priceEach === null ? null : priceEach * count)),
    unpriced: lines.filter(
      ({ priceEach, condition }) => priceEach === null && condition !== 'owned',
    ).length,
  }
}
