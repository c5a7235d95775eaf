import type { Costs } from './costs'

/** What a kilowatt-hour costs by hour and by where it comes from. */
export type EnergyPrices = Pick<
  Costs,
  'pricePerKWh' | 'nightShare' | 'nightPricePerKWh' | 'solarShare' | 'solarPricePerKWh'
>

/**
 * The average price of a kilowatt-hour, by share of energy: what comes from one's own roof, and of
 * the rest what is used at the night rate.
 * @example averagePricePerKWh({ pricePerKWh: 0.3, nightShare: 0.5, nightPricePerKWh: 0.2,
 *   solarShare: 0.2, solarPricePerKWh: 0.1 }) // 0.22
 */
export function averagePricePerKWh({
  pricePerKWh,
  nightShare,
  nightPricePerKWh,
  solarShare,
  solarPricePerKWh,
}: EnergyPrices): number {
  const bought =
    nightPricePerKWh === null
      ? pricePerKWh
      : (1 - nightShare) * pricePerKWh + nightShare * nightPricePerKWh
  return (1 - solarShare) * bought + solarShare * solarPricePerKWh
}
