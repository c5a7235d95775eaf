import type { DocumentMigration, RawDocument } from './migrations/documentMigration'
import { toAskedByDrives } from './migrations/toAskedByDrives'
import { toCheckedParts } from './migrations/toCheckedParts'
import { toHabitsAndKinds } from './migrations/toHabitsAndKinds'
import { toHoursByHabits } from './migrations/toHoursByHabits'
import { toHoursByWay } from './migrations/toHoursByWay'
import { toPartsAndPrices } from './migrations/toPartsAndPrices'
import { toSentQualities } from './migrations/toSentQualities'
import { toUpsPart } from './migrations/toUpsPart'
import { toWholeCents } from './migrations/toWholeCents'

/** Every step from version 1 upwards, in order. */
export const documentMigrations: readonly DocumentMigration[] = [
  toHabitsAndKinds,
  toPartsAndPrices,
  toSentQualities,
  toCheckedParts,
  toWholeCents,
  toUpsPart,
  toHoursByHabits,
  toAskedByDrives,
  toHoursByWay,
]

/**
 * Runs the steps that lead from a document's version to the target.
 * @throws {Error} never for a version in 1..target with all steps present; a missing step is a bug
 *   and throws
 */
export function migrateDocument(
  document: RawDocument,
  { from: fromVersion, to: target }: { readonly from: number; readonly to: number },
  steps = documentMigrations,
): RawDocument {
  let current = document
  for (let version = fromVersion; version < target; version++) {
    const step = steps.find(candidate => candidate.from === version)
    if (!step) throw new Error(`no document migration from version ${version}`)
    current = { ...step.up(current), schemaVersion: version + 1 }
  }
  return current
}
