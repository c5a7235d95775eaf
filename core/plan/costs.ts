import type { z } from 'zod'
import { quantity, section } from './fields'

export const costsSchema = section({
  pricePerKWh: quantity({
    label: 'Electricity', unit: 'money/kWh', min: 0, max: 1000, fallback: 0.3,
    description: 'What one kilowatt-hour costs you.',
  }),
  extras: quantity({
    label: 'Extras', unit: 'money', min: 0, max: 1_000_000, fallback: 0,
    description: 'Cables, an uninterruptible supply, a boot disk, a licence: what is bought beside box and drives.',
  }),
}, { label: 'Costs', description: 'Prices that belong to no single part.' })

export type Costs = z.infer<typeof costsSchema>
