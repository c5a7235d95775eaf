import { z } from 'zod'
import { basisLength, maxStepEntries } from '../../plan/commissioning'
import { tickSchema } from './carriedTicks'

/** Ticks that a run-book link sends, and what the run-book they were made in stood for. */
export const sentTicksSchema = z.strictObject({
  basis: z.string().max(basisLength),
  ticks: z.array(tickSchema).min(1).max(maxStepEntries),
})
export type SentTicks = z.infer<typeof sentTicksSchema>
