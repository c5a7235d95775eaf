import type { Input } from '../node'

/** What the average price of a kilowatt-hour follows from. */
export const energyPrice: readonly Input[] = [
  'costs.pricePerKWh',
  'costs.nightShare',
  'costs.nightPricePerKWh',
  'costs.solarShare',
  'costs.solarPricePerKWh',
]
