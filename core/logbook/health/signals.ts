import type { DriveReport } from '../driveValues'
import { grownBy, type Counter } from './growth'

export type SignalLevel = 'told' | 'lead' | 'watch' | 'replace'

/** What a signal stands on. */
export type SignalBasis = 'published' | 'planned'

/** A signal of a drive, with the numbers that its sentence needs. */
export interface Signal {
  readonly id: SignalId
  readonly level: SignalLevel
  /** speaks of unreadable places on the disk */
  readonly ofSectors: boolean
  readonly value: number
  /** what it has grown by; null where that is not known */
  readonly grown: number | null
  readonly basis: SignalBasis
}

export type SignalId =
  | 'ownVerdict'
  | 'threshold'
  | 'wasAtThreshold'
  | 'selfTest'
  | 'noSelfTest'
  | 'pending'
  | 'offline'
  | 'reallocated'
  | 'uncorrectable'
  | 'endToEnd'
  | 'spinRetries'
  | 'crc'
  | 'timeouts'
  | 'slowLink'
  | 'mediaErrors'
  | 'spare'
  | 'degraded'
  | 'readOnly'
  | 'hotWarning'
  | 'cacheBackup'
  | 'wear'
  | 'warm'
  | 'hours'
  | 'loadCycles'

/** Limits of the signals: at watch, at replace, and of growth. */
export const limits = {
  pendingReplace: 10,
  reallocatedReplace: 50,
  reallocatedGrowth: 5,
  uncorrectableReplace: 10,
  uncorrectableGrowth: 2,
  crcGrowth: 1,
  timeoutsGrowth: 10,
  mediaReplace: 10,
  mediaGrowth: 2,
  spareAbove: 10,
  spareAlways: 90,
  wearWatch: 80,
  wearReplace: 100,
  warmC: 50,
  warmSsdC: 70,
  /** where the drive does not say its limit */
  hottestC: 60,
  hottestSsdC: 80,
  /** the fifth year of use begins, and the seventh */
  fifthYearHours: 35_064,
  seventhYearHours: 52_596,
  loadCycles: 300_000,
} as const

/** Attributes of temperature: that they were at their threshold is told, and no more. */
const temperatureAttributes: ReadonlySet<number> = new Set([190, 194])

export interface SignalQuestion {
  readonly newest: DriveReport
  readonly before: DriveReport | null
  /** hours of use between two long self-tests */
  readonly longTestEveryHours: number
}

type Found = Omit<Signal, 'ofSectors' | 'grown' | 'basis'> & {
  readonly grown?: number | null
  readonly ofSectors?: boolean
  readonly basis: SignalBasis
}

const level = (replace: boolean, watch: boolean): SignalLevel | null =>
  replace ? 'replace' : watch ? 'watch' : null

/** A counter that asks for a look from 1 on, and for another drive from a limit or by growth. */
function counterSignal(
  counter: Counter & SignalId,
  { newest, before }: SignalQuestion,
  {
    replaceFrom,
    growth,
    ofSectors = false,
    basis = 'published',
  }: {
    readonly replaceFrom: number
    readonly growth: number
    readonly ofSectors?: boolean
    readonly basis?: SignalBasis
  },
): Found[] {
  const value = newest[counter]
  if (value === null || value <= 0) return []
  const grown = grownBy(counter, newest, before)
  const found = level(value >= replaceFrom || (grown ?? 0) >= growth, true)!
  return [{ id: counter, level: found, value, grown, ofSectors, basis }]
}

/** Sectors that wait: those that came after there were some already are what counts. */
function waitingSignal(counter: 'pending' | 'offline', question: SignalQuestion): Found[] {
  const { newest, before } = question
  const value = newest[counter]
  if (value === null || value <= 0) return []
  const grown = grownBy(counter, newest, before)
  const grewAgain = (before?.[counter] ?? 0) > 0 && (grown ?? 0) > 0
  return [
    {
      id: counter,
      level: value >= limits.pendingReplace || grewAgain ? 'replace' : 'watch',
      value,
      grown,
      ofSectors: true,
      basis: 'published',
    },
  ]
}

function ownVerdicts({ newest }: SignalQuestion): Found[] {
  const { passed, atThreshold, wasAtThreshold } = newest
  const judged = (ids: readonly number[]) => ids.filter(id => !temperatureAttributes.has(id))
  const warm = (ids: readonly number[]) => ids.filter(id => temperatureAttributes.has(id))
  const at = (
    id: 'threshold' | 'wasAtThreshold',
    found: SignalLevel,
    ids: readonly number[],
  ): Found[] => (ids.length ? [{ id, level: found, value: ids[0]!, basis: 'published' }] : [])
  return [
    ...(passed === false
      ? [{ id: 'ownVerdict', level: 'replace', value: 1, basis: 'published' } as const]
      : []),
    ...at('threshold', 'replace', judged(atThreshold)),
    ...at('wasAtThreshold', 'watch', judged(wasAtThreshold)),
    ...at('wasAtThreshold', 'told', warm([...atThreshold, ...wasAtThreshold])),
  ]
}

/** The last long self-test, or a later short one that failed. */
function selfTestSignals({ newest, longTestEveryHours }: SignalQuestion): Found[] {
  const ended = newest.selfTests.filter(({ end }) => end === 'passed' || end === 'failed')
  const lastLong = ended.findIndex(({ length }) => length === 'long')
  const later = lastLong < 0 ? ended : ended.slice(0, lastLong)
  const failed =
    later.find(({ length, end }) => length === 'short' && end === 'failed') ??
    (ended[lastLong]?.end === 'failed' ? ended[lastLong] : undefined)
  if (failed)
    return [{ id: 'selfTest', level: 'replace', value: failed.atHours ?? 0, basis: 'published' }]
  const atHours = ended[lastLong]?.atHours ?? null
  const { hours } = newest
  if (atHours === null || hours === null) return []
  const since = hours - atHours
  return since > 2 * longTestEveryHours
    ? [{ id: 'noSelfTest', level: 'watch', value: since, basis: 'published' }]
    : []
}

function leadSignals(question: SignalQuestion): Found[] {
  const { newest, before } = question
  const grew = (counter: 'crc' | 'timeouts', from: number): Found[] => {
    const grown = grownBy(counter, newest, before)
    return grown !== null && grown >= from
      ? [{ id: counter, level: 'lead', value: newest[counter]!, grown, basis: 'published' }]
      : []
  }
  return [
    ...grew('crc', limits.crcGrowth),
    ...grew('timeouts', limits.timeoutsGrowth),
    ...(newest.linkSlow
      ? [{ id: 'slowLink', level: 'lead', value: 1, basis: 'published' } as const]
      : []),
  ]
}

function mechanicalSignals({ newest, before }: SignalQuestion): Found[] {
  const { endToEnd, spinRetries, loadCycles } = newest
  const retriesGrown = grownBy('spinRetries', newest, before)
  return [
    ...((endToEnd ?? 0) > 0
      ? [{ id: 'endToEnd', level: 'replace', value: endToEnd!, basis: 'planned' } as const]
      : []),
    ...((spinRetries ?? 0) > 0
      ? [
          {
            id: 'spinRetries',
            level: (retriesGrown ?? 0) > 0 ? 'replace' : 'watch',
            value: spinRetries!,
            grown: retriesGrown,
            basis: 'planned',
          } as const,
        ]
      : []),
    ...((loadCycles ?? 0) >= limits.loadCycles
      ? [{ id: 'loadCycles', level: 'watch', value: loadCycles!, basis: 'published' } as const]
      : []),
  ]
}

/** What SSDs say of themselves: bits of the critical warning, spare blocks and wear. */
function flashSignals({ newest }: SignalQuestion): Found[] {
  const { sparePercent, spareThreshold, criticalWarning, wearPercent } = newest
  const bit = (at: number) => criticalWarning !== null && (criticalWarning & (1 << at)) !== 0
  const spareLow =
    bit(0) || (sparePercent !== null && spareThreshold !== null && sparePercent < spareThreshold)
  const spareNear =
    sparePercent !== null &&
    sparePercent < limits.spareAlways &&
    sparePercent < (spareThreshold ?? 0) + limits.spareAbove
  const spare = level(spareLow, spareNear)
  const warned = (
    id: 'degraded' | 'readOnly' | 'hotWarning' | 'cacheBackup',
    at: number,
    found: SignalLevel,
  ): Found[] => (bit(at) ? [{ id, level: found, value: 1, basis: 'published' }] : [])
  const worn =
    wearPercent === null
      ? null
      : level(wearPercent >= limits.wearReplace, wearPercent >= limits.wearWatch)
  return [
    ...(spare
      ? [{ id: 'spare', level: spare, value: sparePercent ?? 0, basis: 'published' } as const]
      : []),
    ...warned('hotWarning', 1, 'watch'),
    ...warned('degraded', 2, 'replace'),
    ...warned('readOnly', 3, 'replace'),
    ...warned('cacheBackup', 4, 'watch'),
    ...(worn
      ? [{ id: 'wear', level: worn, value: wearPercent!, basis: 'published' } as const]
      : []),
  ]
}

function ageSignals({ newest }: SignalQuestion): Found[] {
  const { temperatureC, hours, turns } = newest
  const isSsd = turns === false
  return [
    ...(temperatureC !== null && temperatureC >= (isSsd ? limits.warmSsdC : limits.warmC)
      ? [{ id: 'warm', level: 'watch', value: temperatureC, basis: 'published' } as const]
      : []),
    ...(hours !== null && !isSsd && hours >= limits.fifthYearHours
      ? [{ id: 'hours', level: 'watch', value: hours, basis: 'planned' } as const]
      : []),
  ]
}

/** Everything that a drive's reports say against it, each once. */
export function signalsOf(question: SignalQuestion): Signal[] {
  const sectors = { ofSectors: true }
  return [
    ...ownVerdicts(question),
    ...selfTestSignals(question),
    ...waitingSignal('pending', question),
    ...waitingSignal('offline', question),
    ...counterSignal('reallocated', question, {
      ...sectors,
      replaceFrom: limits.reallocatedReplace,
      growth: limits.reallocatedGrowth,
    }),
    ...counterSignal('uncorrectable', question, {
      ...sectors,
      replaceFrom: limits.uncorrectableReplace,
      growth: limits.uncorrectableGrowth,
    }),
    ...counterSignal('mediaErrors', question, {
      replaceFrom: limits.mediaReplace,
      growth: limits.mediaGrowth,
      basis: 'planned',
    }),
    ...mechanicalSignals(question),
    ...flashSignals(question),
    ...ageSignals(question),
    ...leadSignals(question),
  ].map(found => ({ ofSectors: false, grown: null, ...found }))
}

/** Whether a drive has to be cooled today: it is at its limit. */
export function isTooHot({ temperatureC, limitC, turns }: DriveReport): boolean {
  if (temperatureC === null) return false
  return temperatureC >= (limitC ?? (turns === false ? limits.hottestSsdC : limits.hottestC))
}
