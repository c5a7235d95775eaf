import { exactly, type Estimate } from '../figure'
import type { Choices } from '../plan/choices'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { processorCapacity } from './capacity'
import { pointsPerCoreGHz, scoreFromCores } from './scoreFromCores'

/** What is known of a processor's multi-thread score. */
export interface PlannedScore {
  readonly score: Estimate
  /** how it came about, with its numbers */
  readonly formula: string
  readonly inputs: readonly string[]
  readonly source: string
}

const scoreRule = 'Score rule: about 2 000 points of the multi-thread score convert one 1080p stream; the band is 25 % either way.'

/** The score as it is entered, else by cores, clock and year; null while neither is known. */
export function plannedScore(machine: Pick<Machine, 'score' | 'cores' | 'sustainedGHz' | 'designYear' | 'coreKind' | 'threadsPerCore'>): PlannedScore | null {
  const { score, cores, sustainedGHz, designYear, coreKind, threadsPerCore } = machine
  if (score !== null) return { score: exactly(score), formula: `${n(score)} points`, inputs: ['machine.score'], source: scoreRule }
  if (sustainedGHz === null || designYear === null) return null
  const known = scoreFromCores({ cores, gigahertz: sustainedGHz, year: designYear, kind: coreKind, threadsPerCore })
  return {
    score: known,
    formula: `${cores} cores × ${n(sustainedGHz)} GHz × ${n(pointsPerCoreGHz(designYear, coreKind), 3)} points${threadsPerCore === 2 ? ' × 1.2' : ''} = ${n(known.likely, 3)} points`,
    inputs: ['machine.cores', 'machine.sustainedGHz', 'machine.designYear', 'machine.coreKind', 'machine.threadsPerCore'],
    source: `The score is not known: cores × sustained GHz × points per core-GHz by year of design, 35 % either way. ${scoreRule}`,
  }
}

/** Of what a bench measured, how it scatters when it is run again. */
const measuredSpread = 0.1

/** Capacity as a bench of this machine found it; null while it was not measured. */
export function measuredCapacity({ measuredStreams, measuredLow }: Pick<Machine, 'measuredStreams' | 'measuredLow'>, reserveShare: number): Estimate | null {
  if (measuredStreams === null || measuredStreams <= 0) return null
  const left = 1 - reserveShare
  return { low: Math.min(measuredStreams * (1 - measuredSpread), measuredLow === null || measuredLow === 0 ? Infinity : Math.min(measuredLow, measuredStreams)) * left, likely: measuredStreams * left, high: measuredStreams * (1 + measuredSpread) * left }
}

/** Capacity of the plan's processor in reference streams of software conversion: measured, else by its score; null while neither is known. */
export function plannedCapacity(machine: Machine, choices: Choices): Estimate | null {
  const measured = measuredCapacity(machine, choices.systemReserveShare)
  if (measured) return measured
  const known = plannedScore(machine)
  return known && processorCapacity({ score: known.score, pointsPerStream: choices.pointsPerStream, reserveShare: choices.systemReserveShare, passivelyCooled: machine.passivelyCooled })
}
