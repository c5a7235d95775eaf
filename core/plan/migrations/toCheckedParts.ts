import { ownPartFaults } from '../../catalogue/hardware/ownPartCheck'
import type { OwnPart } from '../../catalogue/hardware/ownPart'
import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether an own part is one in its shape, and yet none in what it says of itself. */
function isFaulty(part: unknown): boolean {
  if (!isRecord(part) || !isRecord(part.traits) || typeof part.kind !== 'string') return false
  try {
    return ownPartFaults({ label: '', price: null, ...part } as unknown as OwnPart).length > 0
  } catch {
    return false
  }
}

/**
 * Version 5: a part of one's own is held to the schema of its kind. One that is not so (a network
 * card with a link by SATA) is kept aside under its path, and the parts that refer to it are
 * reported as not known.
 */
export const toCheckedParts: DocumentMigration = {
  from: 4,
  up(document) {
    const { machine, keptAside } = document
    if (!isRecord(machine) || !Array.isArray(machine.ownParts)) return document
    const parts = machine.ownParts as unknown[]
    const faulty = parts.flatMap((part, index) =>
      isFaulty(part) ? [[`machine.ownParts.${index}`, part] as const] : [],
    )
    if (faulty.length === 0) return document
    return {
      ...document,
      machine: { ...machine, ownParts: parts.filter(part => !isFaulty(part)) },
      keptAside: { ...(isRecord(keptAside) ? keptAside : {}), ...Object.fromEntries(faulty) },
    }
  },
}
