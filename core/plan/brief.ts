import type { z } from 'zod'
import { choice, optionalQuantity, section, text } from './fields'

export const briefSchema = section({
  who: text({
    label: 'Who it serves', max: 500,
    description: 'The people and the purpose, in your own words.',
  }),
  place: choice({
    label: 'Where it stands', fallback: 'cupboard',
    description: 'The place decides how much noise, heat and size are acceptable.',
    options: { livingRoom: 'Living room', study: 'Study', cupboard: 'Cupboard', cellar: 'Cellar', loft: 'Loft', workshop: 'Workshop' },
  }),
  currency: choice({
    label: 'Currency', fallback: 'EUR',
    description: 'The currency of every price in this plan. Numeron does not exchange currencies.',
    options: { EUR: 'EUR', GBP: 'GBP', USD: 'USD', CHF: 'CHF', SEK: 'SEK', DKK: 'DKK', NOK: 'NOK', PLN: 'PLN', CAD: 'CAD', AUD: 'AUD', JPY: 'JPY', INR: 'INR' },
  }),
  budget: optionalQuantity({
    label: 'Budget', unit: 'money', min: 0, max: 1_000_000,
    description: 'The most you can pay now for machine, drives and extras. Leave it empty if you do not know.',
  }),
}, { label: 'Brief', description: 'Why, for whom, where, and with how much money.' })

export type Brief = z.infer<typeof briefSchema>
