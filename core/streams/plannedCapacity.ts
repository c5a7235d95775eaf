import { mapEstimate } from '../band'
import type { WorkTable } from '../catalogue/workTable'
import { exactly, type Estimate } from '../figure'
import type { Hardware } from '../machine/hardware'
import { calibrated, type Correction } from '../calibration/correction'
import type { Choices } from '../plan/choices'
import { processorCapacity } from './capacity'
import { softwareCorrection } from './measuredConversions'
import { scoreFromCores } from './scoreFromCores'

/**
 * What is known of a processor's multi-thread score, and where from: as entered, by cores, clock
 * and year, or the catalogue's.
 */
export interface PlannedScore {
  readonly score: Estimate
  readonly from: 'entered' | 'clock' | 'catalogue'
}

type ScoreParts = Pick<
  Hardware,
  'score' | 'cores' | 'sustainedGHz' | 'designYear' | 'coreKind' | 'threadsPerCore' | 'processor'
>

/**
 * The score as it is entered, else by cores, clock and year, else that of the processor in the
 * catalogue; null while none is known.
 */
export function plannedScore({
  score,
  cores,
  sustainedGHz,
  designYear,
  coreKind,
  threadsPerCore,
  processor,
}: ScoreParts): PlannedScore | null {
  if (score !== null) return { score: exactly(score), from: 'entered' }
  if (sustainedGHz !== null && designYear !== null) {
    return {
      score: scoreFromCores({
        cores,
        gigahertz: sustainedGHz,
        year: designYear,
        kind: coreKind,
        threadsPerCore,
      }),
      from: 'clock',
    }
  }
  return processor && { score: exactly(processor.score), from: 'catalogue' }
}

/** Of what was measured, how it scatters when it is measured again. */
export const measuredSpread = 0.1

/** Capacity as a measurement of this machine found it; null while it was not measured. */
export function measuredCapacity(
  { measuredStreams, measuredLow }: Pick<Hardware, 'measuredStreams' | 'measuredLow'>,
  reserveShare: number,
): Estimate | null {
  if (measuredStreams === null || measuredStreams <= 0) return null
  const left = 1 - reserveShare
  return {
    low:
      Math.min(
        measuredStreams * (1 - measuredSpread),
        measuredLow === null || measuredLow === 0
          ? Infinity
          : Math.min(measuredLow, measuredStreams),
      ) * left,
    likely: measuredStreams * left,
    high: measuredStreams * (1 + measuredSpread) * left,
  }
}

/**
 * Capacity of the plan's processor in reference streams of software conversion: measured, else by
 * its score; null while neither is known.
 */
export function plannedCapacity(
  machine: CapacityParts,
  how: CapacityChoices & Pick<Choices, 'systemReserveShare'>,
): Estimate | null {
  const measured = measuredCapacity(machine, how.systemReserveShare)
  if (measured) return measured
  const before = scoredCapacity(machine, how)
  return (
    before &&
    mapEstimate(
      calibrated(before, capacityCorrection(machine, how)),
      capacity => capacity * (1 - how.systemReserveShare),
    )
  )
}

type CapacityParts = ScoreParts &
  Pick<Hardware, 'measuredStreams' | 'measuredLow' | 'passivelyCooled' | 'trials'>
type CapacityChoices = Pick<Choices, 'pointsPerStream' | 'toneMapping'> & {
  readonly table: WorkTable
}

/** Capacity by the score, before the reserve; null while no score is known. */
export function scoredCapacity(
  machine: CapacityParts,
  { pointsPerStream }: Pick<CapacityChoices, 'pointsPerStream'>,
): Estimate | null {
  const known = plannedScore(machine)
  return (
    known &&
    processorCapacity({
      score: known.score,
      pointsPerStream,
      reserveShare: 0,
      passivelyCooled: machine.passivelyCooled,
    })
  )
}

/**
 * What measurements make of the capacity before the reserve; null where none count, or a
 * measurement was applied that stands for the estimate.
 */
export function capacityCorrection(
  machine: CapacityParts,
  { pointsPerStream, toneMapping, table }: CapacityChoices,
): Correction | null {
  const trials = machine.trials.filter(({ figure }) => figure === 'software')
  if (trials.length === 0 || measuredCapacity(machine, 0)) return null
  const before = scoredCapacity(machine, { pointsPerStream })
  return before && softwareCorrection(before, trials, { table, toneMapping, cores: machine.cores })
}
