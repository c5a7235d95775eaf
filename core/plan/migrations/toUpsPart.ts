import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Parts that a plan of version 6 may have. */
const mostParts = 60

/**
 * Version 7: a UPS is a part of the machine. The switch that said that one is there becomes an
 * owned one of unknown rating; where the list of parts is full the switch stays, to be kept aside
 * and reported.
 */
export const toUpsPart: DocumentMigration = {
  from: 6,
  up: document => {
    const { drives } = document
    if (!isRecord(drives) || !('ups' in drives)) return document
    const { ups, ...rest } = drives
    const without = { ...document, drives: rest }
    if (ups !== true) return without
    const machine = isRecord(document.machine) ? document.machine : {}
    const parts: readonly unknown[] = Array.isArray(machine.parts) ? machine.parts : []
    if (parts.length >= mostParts) return document
    return {
      ...without,
      machine: { ...machine, parts: [...parts, { ref: 'weight-there', condition: 'owned' }] },
    }
  },
}
