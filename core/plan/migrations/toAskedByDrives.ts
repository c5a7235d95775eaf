import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Failed drives that a plan of version 8 must survive where it says nothing. */
const usualSurvivesAtLeast = 1

/**
 * Version 9: how many failed drives must be survived may be left empty, and then follows from the
 * drives and the copies. Plans that were made before keep the number that they had.
 */
export const toAskedByDrives: DocumentMigration = {
  from: 8,
  up: document => {
    const { choices = {} } = document
    return isRecord(choices)
      ? { ...document, choices: { survivesAtLeast: usualSurvivesAtLeast, ...choices } }
      : document
  },
}
