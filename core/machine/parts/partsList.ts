import type { Condition } from '../../plan/constants'
import type { Machine } from '../../plan/machine'
import { partLabel, type KnownPart, type MachineBuild, type PartKind } from '../machineBuild'

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

const cents = (amount: number) => Math.round(amount * 100) / 100

/** Every line of a plan's machine and drives, by group, in the order of the plan. */
export function partLines(
  machine: Machine,
  { base, isFromParts, parts, shelved }: MachineBuild,
  drives: readonly DriveLine[],
): PartLine[] {
  const baseLine: PartLine[] = isFromParts
    ? []
    : [
        {
          group: 'core',
          label: machine.name || base?.label || 'Machine',
          index: null,
          ref: base?.id ?? '',
          count: 1,
          condition: machine.condition,
          purpose: 'fitted',
          note: '',
          isDrives: false,
          deadChance: 0,
          priceEach: machine.price ?? base?.price ?? null,
          isUsual: machine.price === null && base !== null,
          toPay: machine.condition === 'owned' ? 0 : (machine.price ?? base?.price ?? null),
        },
      ]
  const line = (known: KnownPart): PartLine => {
    const { part, index, entry, kind } = known
    const priceEach = part.price ?? entry.price ?? null
    return {
      group: groupOf[kind],
      label: partLabel(known),
      index,
      ref: part.ref,
      count: part.count,
      condition: part.condition,
      purpose: part.purpose,
      note: part.note,
      isDrives: false,
      deadChance: part.deadChance,
      priceEach,
      isUsual: part.price === null,
      toPay:
        part.condition === 'owned' ? 0 : priceEach === null ? null : cents(priceEach * part.count),
    }
  }
  const known = [...parts, ...shelved].map(line)
  const strange = machine.parts.flatMap((part, index): PartLine[] =>
    [...parts, ...shelved].some(other => other.index === index)
      ? []
      : [
          {
            group: 'beside',
            label: part.ref,
            index,
            ref: part.ref,
            count: part.count,
            condition: part.condition,
            purpose: part.purpose,
            note: part.note,
            isDrives: false,
            deadChance: part.deadChance,
            priceEach: part.price,
            isUsual: false,
            toPay:
              part.condition === 'owned'
                ? 0
                : part.price === null
                  ? null
                  : cents(part.price * part.count),
          },
        ],
  )
  const lots = drives.map(({ label, count, condition, priceEach, isUsual }): PartLine => ({
    group: 'storage',
    label,
    index: null,
    ref: '',
    count,
    condition,
    purpose: 'fitted',
    note: '',
    isDrives: true,
    deadChance: 0,
    priceEach,
    isUsual,
    toPay: condition === 'owned' ? 0 : cents(priceEach * count),
  }))
  const order = Object.keys(partGroups)
  return [...baseLine, ...known, ...strange, ...lots].sort(
    (a, b) => order.indexOf(a.group) - order.indexOf(b.group),
  )
}

/** @param extras and what finding out that a part is dead costs, in the plan's currency */
export function partTotals(
  lines: readonly PartLine[],
  { extras, diagnosisFee }: { readonly extras: number; readonly diagnosisFee: number },
): PartTotals {
  const sum = (
    of: (line: PartLine) => number | null,
    which: (line: PartLine) => boolean = () => true,
  ) => cents(lines.filter(which).reduce((total, line) => total + (of(line) ?? 0), 0) + extras)
  return {
    risk: cents(
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
