import type { DriveModel } from '../catalogue/driveModels'

/** What a drive that turns takes while it spins up, DC. */
export interface Surge {
  readonly watts: number
  /** at 12 V */
  readonly amps12: number
}

/** Of a 3.5" drive of which no model is known. */
export const usualSurge: Surge = { watts: 25, amps12: 2 }

/** As the model's data sheet has it, all of it at 12 V; else the usual one. */
export function surgeOf(model: Pick<DriveModel, 'surgeW'> | null): Surge {
  return model ? { watts: model.surgeW, amps12: model.surgeW / 12 } : usualSurge
}

/** The surges of drives that start at different moments, the largest first. */
export function largestFirst(surges: readonly Surge[]): Surge[] {
  return [...surges].sort((a, b) => b.watts - a.watts || b.amps12 - a.amps12)
}
