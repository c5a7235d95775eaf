import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Own hours to build in a plan of version 9 that says nothing. */
const usualBuildHours = 8

/**
 * Version 10: own hours to build may be left empty, and then follow from the way of building. Plans
 * that were made before keep the number that they had.
 */
export const toHoursByWay: DocumentMigration = {
  from: 9,
  up: document => {
    const { costs = {} } = document
    return isRecord(costs)
      ? { ...document, costs: { buildHours: usualBuildHours, ...costs } }
      : document
  },
}
