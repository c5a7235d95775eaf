import { z } from 'zod'
import { listOf, quantity, text } from './fields'
import { dayField } from './driveRegister'

const intervalSchema = z.object({
  code: text({ label: 'Entry', max: 20, description: 'Which kind of entry.' }),
  days: quantity({
    label: 'Every',
    unit: 'days',
    min: 1,
    max: 4000,
    fallback: 30,
    description: 'Days between two of them; rounded up where the drives need more nights.',
  }),
})
const exportedSchema = z.object({
  uid: text({ label: 'Id', max: 160, description: 'The id by which a calendar knows it.' }),
  sequence: quantity({
    label: 'Change',
    unit: 'changes',
    min: 0,
    max: 2_000_000_000,
    whole: true,
    fallback: 0,
    description: 'Grows with each change.',
  }),
  mark: text({ label: 'Mark', max: 40, description: 'Tells whether it has changed.' }),
  title: text({ label: 'Title', max: 200, description: 'What it was called.' }),
  start: dayField({ label: 'First day', description: 'When it was first due.' }),
  gone: dayField({ label: 'Fell away', description: 'When it fell away; empty while it stands.' }),
})

/** What the calendar keeps; fields of the commissioning. */
export const calendarFields = {
  signedOn: dayField({
    label: 'Signed off on',
    description: 'The day of sign-off; the calendar begins on the next.',
  }),
  intervals: listOf(intervalSchema, {
    label: 'Intervals',
    max: 40,
    description: 'Intervals of your own in the calendar.',
  }),
  exported: listOf(exportedSchema, {
    label: 'Exported entries',
    max: 600,
    description: 'What calendars were given, so that the next export changes them.',
  }),
}
export type ExportedEntry = z.infer<typeof exportedSchema>
