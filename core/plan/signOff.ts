import { z } from 'zod'
import { dayField } from './driveRegister'
import { listOf, optionalQuantity, text } from './fields'

const measuredSchema = z.object({
  id: text({ label: 'What', max: 20, description: 'What was measured.' }),
  value: optionalQuantity({
    label: 'Measured',
    unit: 'as shown',
    min: -50,
    max: 10_000_000,
    description: 'What was read, in the unit beside it.',
  }),
})
const signatureSchema = z.object({
  who: text({ label: 'Who', max: 60, description: 'Who signs.' }),
  day: dayField({ label: 'Day', description: 'When they signed.' }),
})
const openSchema = z.object({
  what: text({ label: 'Still open', max: 200, description: 'What is still to be done.' }),
  by: dayField({ label: 'By when', description: 'The day by which it is done.' }),
})

/** Day 0: what was measured, who signed, and what is still open; fields of the commissioning. */
export const signOffFields = {
  measured: listOf(measuredSchema, {
    label: 'Measured at sign-off',
    max: 40,
    description: 'What was read on day 0; drift is told from it.',
  }),
  signatures: listOf(signatureSchema, {
    label: 'Signed by',
    max: 6,
    description: 'Two people, each of whom can run the machine alone.',
  }),
  stillOpen: listOf(openSchema, {
    label: 'Still open',
    max: 40,
    description: 'What is still to be done after sign-off.',
  }),
}
