import { z } from 'zod'
import { accessFields } from './access'
import { calendarFields } from './calendar'
import { dayField } from './driveRegister'
import { signOffFields } from './signOff'
import { choice, listOf, optionalQuantity, section, text } from './fields'

/** What became of a step of the run-book. */
export const stepStates = {
  open: 'Open',
  done: 'Done',
  skipped: 'Skipped',
  failed: 'It is not so',
} as const
export type StepState = keyof typeof stepStates

/** Most letters of what a tick was made for. */
export const basisLength = 40

const stepEntrySchema = z.object({
  step: text({ label: 'Step', max: 40, description: 'Which step of the run-book.' }),
  state: choice({
    label: 'State',
    fallback: 'open',
    options: stepStates,
    description: 'What became of the step.',
  }),
  day: dayField({ label: 'Day', description: 'When it was done.' }),
  who: text({ label: 'Who', max: 60, description: 'Who did it.' }),
  reason: text({ label: 'Reason', max: 200, description: 'Why the step is skipped.' }),
  note: text({ label: 'Note', max: 1000, description: 'What is worth remembering of it.' }),
  measured: text({
    label: 'Measured',
    max: 80,
    description: 'A value that was read, with its unit.',
  }),
  photo: text({
    label: 'Photo',
    max: 200,
    description: 'Where a photo of it is kept, such as a file name.',
  }),
  handsMin: optionalQuantity({
    label: 'Minutes of work',
    unit: 'min',
    min: 0,
    max: 10_000,
    description: 'How long the work takes you. Leave it empty for the planning value.',
  }),
  basis: text({
    label: 'Made for',
    max: basisLength,
    description: 'Board, drives, layout and system at the time it was ticked.',
  }),
})

/** Most entries: every step, and some of older run-books. */
export const maxStepEntries = 200

export const commissioningSchema = section(
  {
    steps: listOf(stepEntrySchema, {
      label: 'Steps',
      max: maxStepEntries,
      description: 'What was ticked, skipped, failed or noted in the run-book.',
    }),
    ...accessFields,
    ...calendarFields,
    ...signOffFields,
  },
  { label: 'Commissioning', description: 'How far the machine is set up.' },
)

export type Commissioning = z.infer<typeof commissioningSchema>
export type StepEntry = Commissioning['steps'][number]
