import { requireWithin } from '../../errors'
import type { Brief } from '../../plan/brief'

/**
 * Sound power, dB(A): of a drive while it seeks, by how fast it turns; a drive with nothing to do
 * is quieter.
 */
export const driveDb = {
  slow: { still: 25, seeking: 29 },
  fast: { still: 30, seeking: 34 },
} as const
/** Of a fan of 120 to 140 mm, by turns a minute. */
const fanDbByRpm = [
  [700, 16],
  [1100, 25],
  [1500, 33],
] as const
/** No fan is louder: those of a rack. */
export const rackFanDb = 55
/** Smaller fans sound by the speed of their tips: as one of this size that turns slower. */
const usualFanMm = 120
/** A closed cupboard takes so much away. */
export const cupboardDb = 5
/** What may arrive at the ear, dB(A), by room. */
export const noiseCeilings: Readonly<Record<Brief['opensTo'], number>> = {
  bedroom: 20,
  livingRoom: 28,
  study: 33,
  office: 33,
  cellar: 45,
  loft: 45,
  workshop: 45,
}

/**
 * A fan's sound power on straight lines through 700, 1100 and 1500 turns a minute.
 * @throws {CoreRangeError} FAN_RPM
 * @example fanDb(900) // 20.5
 */
export function fanDb(turns: number, sizeMm: number = usualFanMm): number {
  requireWithin('FAN_RPM', turns, { min: 0 })
  const rpm = turns * Math.min(1, sizeMm / usualFanMm)
  const right = rpm <= fanDbByRpm[1][0] ? 1 : 2
  const [[fromRpm, fromDb], [toRpm, toDb]] = [fanDbByRpm[right - 1]!, fanDbByRpm[right]!]
  return Math.min(
    rackFanDb,
    Math.max(0, fromDb + ((toDb - fromDb) * (rpm - fromRpm)) / (toRpm - fromRpm)),
  )
}

/** Sources of sound added up: 10·log₁₀ Σ 10^(Lw/10); null where nothing sounds. */
export function soundSum(sources: readonly number[]): number | null {
  const power = sources.reduce((sum, db) => (db > 0 ? sum + 10 ** (db / 10) : sum), 0)
  return power > 0 ? 10 * Math.log10(power) : null
}

/**
 * Noise at the ear, dB(A): the sum − 8 − 20·log₁₀(distance), 5 less out of a closed cupboard, not
 * below 0.
 * @throws {CoreRangeError} EAR_DISTANCE
 * @example four drives at 28, two fans at 22, a supply at 24: sum 34.9; at 2 m 20.9
 */
export function noiseAtEar(
  sources: readonly number[],
  { distanceM, inCupboard }: { readonly distanceM: number; readonly inCupboard: boolean },
): number {
  requireWithin('EAR_DISTANCE', distanceM, { min: 0.01 })
  const sum = soundSum(sources)
  return sum === null
    ? 0
    : Math.max(0, sum - 8 - 20 * Math.log10(distanceM) - (inCupboard ? cupboardDb : 0))
}

/** The ceiling of the place: in a cupboard that of the room it opens to. */
export function noiseCeiling({ place, opensTo }: Pick<Brief, 'place' | 'opensTo'>): number {
  return noiseCeilings[place === 'cupboard' || place === 'notSaid' ? opensTo : place]
}
