import type { z } from 'zod'
import { quantity, section, text } from './fields'

/** The last run of thousands of evenings, and what it was run for. */
export const rehearsalSchema = section(
  {
    mark: text({
      label: 'Rehearsed for',
      max: 20,
      description: 'Of habits, titles, machine, drives and lines at the time.',
    }),
    evenings: quantity({
      label: 'Evenings',
      unit: 'evenings',
      min: 0,
      max: 1_000_000,
      whole: true,
      fallback: 0,
      description: 'How many evenings were played. 0 where none were.',
    }),
    disturbed: quantity({
      label: 'Disturbed',
      unit: 'evenings',
      min: 0,
      max: 1_000_000,
      whole: true,
      fallback: 0,
      description: 'How many of them were disturbed.',
    }),
    blame: text({
      label: 'To blame',
      max: 60,
      description: 'What was to blame most often.',
    }),
    blameShare: quantity({
      label: 'Share of it',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0,
      description: 'Of all that disturbed, how much it was.',
    }),
  },
  { label: 'Rehearsal', description: 'What rehearsed evenings came to.' },
)
export type KeptRehearsal = z.infer<typeof rehearsalSchema>
