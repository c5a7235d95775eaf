import type { HardwarePart } from '../../catalogue/hardware/hardwarePart'
import { ratedUps, upsCarries, upsNeed, type RatedUps } from './upsSize'

/**
 * Of the energy on the label: what the inverter passes on, and what an ageing battery still holds.
 */
export const inverterShare = 0.85
export const agedShare = 0.8
/** A battery of lead gives less when it is emptied fast. */
const leadAt = { least: 0.5, perDecade: 0.2, minutes: 20 }

/**
 * Minutes that a battery holds a load: m₀ = 60 · Wh · 0.85 · 0.8 ÷ W; lead gives m₀ · clamp(0.5 +
 * 0.2 · log₁₀(m₀ ÷ 20), 0.5, 1).
 * @param watts > 0
 * @example upsMinutes({ energyWh: 84, battery: 'lead' }, 150) // 11.7
 */
export function upsMinutes(
  { energyWh, battery }: Pick<RatedUps, 'energyWh' | 'battery'>,
  watts: number,
): number {
  const full = (60 * energyWh * inverterShare * agedShare) / watts
  if (battery === 'lithium') return full
  return (
    full *
    Math.min(
      1,
      Math.max(leadAt.least, leadAt.least + leadAt.perDecade * Math.log10(full / leadAt.minutes)),
    )
  )
}

/** One UPS of a list for a load. */
export interface UpsRow {
  readonly unit: RatedUps
  readonly minutes: number
  readonly strongEnough: boolean
  readonly longEnough: boolean
}

/**
 * Every UPS of a list for a load at the wall and minutes asked; those that do first, the cheapest
 * first.
 */
export function upsRows(units: readonly RatedUps[], loadW: number, minutes: number): UpsRow[] {
  const { watts } = upsNeed(loadW)
  const rows = units.map(unit => ({
    unit,
    minutes: upsMinutes(unit, watts),
    strongEnough: upsCarries(unit, loadW) === true,
    longEnough: upsMinutes(unit, watts) >= minutes,
  }))
  const does = ({ strongEnough, longEnough }: UpsRow) => Number(strongEnough && longEnough)
  return rows.sort(
    (a, b) => does(b) - does(a) || a.unit.price - b.unit.price || (a.unit.id < b.unit.id ? -1 : 1),
  )
}

/**
 * The UPS that is proposed for a load: the cheapest that carries it as long as is asked, else the
 * cheapest that carries it at all; null where none does.
 */
export function bestUps(
  hardware: readonly HardwarePart[],
  loadW: number,
  minutes: number,
): RatedUps | null {
  const carrying = upsRows(ratedUps(hardware), loadW, minutes).filter(row => row.strongEnough)
  return (carrying.find(row => row.longEnough) ?? carrying[0])?.unit ?? null
}
