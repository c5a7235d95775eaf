import type { z } from 'zod'
import { quantity, section } from './fields'

export const costsSchema = section({
  pricePerKWh: quantity({
    label: 'Electricity', unit: 'money/kWh', min: 0, max: 1000, fallback: 0.3,
    description: 'What you pay for one kilowatt-hour.',
  }),
  extras: quantity({
    label: 'Extras', unit: 'money', min: 0, max: 1_000_000, fallback: 0,
    description: 'Cables, a UPS, a boot drive, a licence: what is bought besides machine and drives.',
  }),
}, { label: 'Costs', description: 'Prices that belong to no single part.' })

export type Costs = z.infer<typeof costsSchema>
