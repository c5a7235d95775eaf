import type { DocumentMigration, RawDocument } from './documentMigration'

function isRecord(value: unknown): value is RawDocument {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** What version 2 took for what a machine did not say. */
const oldMachine = { cores: 4, memoryGB: 8, engine: 'none', bays: 4, boxIdleW: 20, boxLoadW: 60 }

/** In version 2 a price of nothing meant that it was there already. */
function conditionOf(price: unknown): 'new' | 'owned' {
  return typeof price === 'number' && price > 0 ? 'new' : 'owned'
}

/**
 * Cards were a list of their own; now they are parts. The processor's figures stay as they were
 * entered.
 */
function upMachine({ cards, processor, ...machine }: RawDocument): RawDocument {
  return {
    ...oldMachine,
    ...machine,
    condition: conditionOf(machine.price),
    price: machine.price ?? 0,
    ...(typeof processor === 'string' && processor !== '' ? { processor } : {}),
    ...(Array.isArray(cards)
      ? {
          parts: cards.map(card =>
            isRecord(card) ? { ref: card.class ?? 'cardEntry', count: 1 } : card,
          ),
        }
      : {}),
  }
}

function upLot(lot: unknown): unknown {
  return isRecord(lot)
    ? { ...lot, condition: conditionOf(lot.priceEach), priceEach: lot.priceEach ?? 0 }
    : lot
}

/**
 * Version 3: the machine is a base and parts, what is owned is said apart from what costs nothing,
 * and a layout that was
 * never chosen follows the drives. What an older document left out stands at its old default, so
 * that no figure moves.
 */
export const toPartsAndPrices: DocumentMigration = {
  from: 2,
  up(document) {
    const { machine = {}, drives = {} } = document
    return {
      ...document,
      machine: isRecord(machine) ? upMachine(machine) : machine,
      drives: isRecord(drives)
        ? {
            layout: 'mirror',
            ...drives,
            ...(Array.isArray(drives.lots) ? { lots: drives.lots.map(upLot) } : {}),
          }
        : drives,
    }
  },
}
