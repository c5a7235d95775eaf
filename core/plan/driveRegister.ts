import { z } from 'zod'
import { choice, optionalQuantity, text } from './fields'
import { maxDrives } from './constants'

const dayError = (label: string) => `${label} must be a day such as 2026-12-24.`
/** A day as '2026-12-24'; '' where it is not known. */
export function dayField({ label, description }: Record<'label' | 'description', string>) {
  const error = dayError(label)
  return z
    .string({ error })
    .regex(/^$|^(19|20|21)\d\d-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, { error })
    .default('')
    .meta({ title: label, description })
}

/** What a drive's reports say of it. */
export const driveVerdicts = {
  notKnown: 'Not known',
  keep: 'Keep',
  watch: 'Watch',
  watchSectors: 'Watch: it cannot read some places',
  replace: 'Replace',
} as const
export type KeptVerdict = keyof typeof driveVerdicts

/** One drive that is there: how it is told from the others, and until when it can go back. */
export const registerEntrySchema = z.object({
  serial: text({ label: 'Serial', max: 40, description: 'The end of it is on the label.' }),
  lot: text({ label: 'Drive', max: 60, description: 'Which of the drives of the plan it is.' }),
  bay: optionalQuantity({
    label: 'Bay',
    unit: 'bay',
    min: 1,
    max: maxDrives,
    whole: true,
    description: 'In which bay it sits.',
  }),
  bought: dayField({ label: 'Bought', description: 'The day on the receipt.' }),
  lastReturn: dayField({
    label: 'Last day to return it',
    description: 'Until then the shop takes it back.',
  }),
  warrantyUntil: dayField({ label: 'Warranty until', description: 'The last day of it.' }),
  health: choice({
    label: 'Verdict',
    fallback: 'notKnown',
    options: driveVerdicts,
    description: 'What its own reports say, as the logbook reads them.',
  }),
  healthDay: dayField({ label: 'Last report', description: 'The day of its newest report.' }),
})
export type RegisterEntry = z.infer<typeof registerEntrySchema>
