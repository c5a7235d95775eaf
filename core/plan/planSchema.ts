import { z } from 'zod'
import { briefSchema } from './brief'
import { calibrationSchema } from './calibration'
import { choicesSchema } from './choices'
import { commissioningSchema } from './commissioning'
import { conditionsSchema } from './conditions'
import { costsSchema } from './costs'
import { drivesSchema } from './drives'
import { householdSchema } from './household'
import { librarySchema } from './library'
import { machineSchema } from './machine'
import { networkSchema } from './network'
import { rehearsalSchema } from './rehearsal'
import { systemSchema } from './system'

/** Version of the document this program writes; older ones are brought up by {@link readPlan}. */
export const currentSchemaVersion = 10

const nameError = 'Name must be 1 to 80 characters long.'

/** The plan document. A plan with only a name is valid: every other field has a default. */
export const planSchema = z.object({
  schemaVersion: z
    .literal(currentSchemaVersion, { error: `Schema version: ${currentSchemaVersion}.` })
    .default(currentSchemaVersion),
  name: z
    .string({ error: nameError })
    .trim()
    .min(1, { error: nameError })
    .max(80, { error: nameError })
    .meta({ title: 'Name', description: 'What this plan is called.' }),
  brief: briefSchema.prefault({}),
  household: householdSchema.prefault({}),
  library: librarySchema.prefault({}),
  machine: machineSchema.prefault({}),
  drives: drivesSchema.prefault({}),
  system: systemSchema.prefault({}),
  network: networkSchema.prefault({}),
  costs: costsSchema.prefault({}),
  choices: choicesSchema.prefault({}),
  conditions: conditionsSchema.prefault({}),
  calibration: calibrationSchema.prefault({}),
  commissioning: commissioningSchema.prefault({}),
  rehearsal: rehearsalSchema.prefault({}),
  keptAside: z
    .record(z.string().max(500), z.json())
    .default({})
    .meta({
      title: 'Kept aside',
      description:
        'Fields of an imported document that this version does not know, by their path; ' +
        'they are written out again unchanged.',
    }),
})

export type Plan = z.infer<typeof planSchema>
export type PlanInput = z.input<typeof planSchema>

/** A plan of this name with every other field at its default. */
export function newPlan(name: string): Plan {
  return planSchema.parse({ name })
}
