import type { z } from 'zod'
import { workTableFileSchema } from '../catalogue/workTableFile'
import { section } from './fields'
import { trialFields } from './trials'

export const calibrationSchema = section(
  {
    workTable: workTableFileSchema
      .nullable()
      .default(null)
      .meta({
        title: 'Work table',
        description:
          'Coefficients of conversions that were measured elsewhere. If this is empty, the ' +
          'built-in ones are used.',
      }),
    ...trialFields,
  },
  { label: 'Calibration', description: 'Measured values that replace the built-in ones.' },
)

export type Calibration = z.infer<typeof calibrationSchema>
