import type { DocumentMigration, RawDocument } from './documentMigration'

const isRecord = (value: unknown): value is RawDocument =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Hours a day that a plan of version 7 has where it says none. */
const usualHours = { convertingHoursPerDay: 2, watchingHoursPerDay: 5 }

/**
 * Version 8: hours of watching and converting may be left empty, and then follow from the habits.
 * Plans that were made before keep the numbers that they had.
 */
export const toHoursByHabits: DocumentMigration = {
  from: 7,
  up: document => {
    const { choices = {} } = document
    return isRecord(choices) ? { ...document, choices: { ...usualHours, ...choices } } : document
  },
}
