import type { z } from 'zod'
import { workTableFileSchema } from '../catalogue/workTableFile'
import { section } from './fields'

export const calibrationSchema = section({
  workTable: workTableFileSchema.nullable().default(null).meta({
    title: 'Work table', description: 'Coefficients of conversions measured elsewhere, in the place of those that ship. Empty: those that ship.',
  }),
}, { label: 'Calibration', description: 'What was measured, in the place of what ships.' })

export type Calibration = z.infer<typeof calibrationSchema>
