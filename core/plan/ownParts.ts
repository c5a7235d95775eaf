import { z } from 'zod'
import { ownPartKinds } from '../catalogue/hardware/ownPart'
import { ownPartFaults } from '../catalogue/hardware/ownPartCheck'
import { maxOwnParts } from './constants'
import { choice, namedListOf, optionalQuantity, reference, text } from './fields'

const traitsError = 'Properties must be named numbers and short texts.'

/** A part of one's own; its properties are those that its kind has. */
export const ownPartSchema = z
  .object({
    id: reference({
      label: 'Short name',
      description: 'The name by which the plan refers to this part.',
    }),
    label: text({ label: 'Part', max: 60, description: 'What you call it.' }),
    kind: choice({
      label: 'Kind',
      fallback: 'board',
      options: ownPartKinds,
      description: 'What kind of part it is; it decides which properties it has.',
    }),
    price: optionalQuantity({
      label: 'Price',
      unit: 'money',
      min: 0,
      max: 1_000_000,
      description: 'What one of them costs.',
    }),
    traits: z
      .record(
        z.string().max(20),
        z.union([z.number(), z.string().max(200)], { error: traitsError }),
        { error: traitsError },
      )
      .default({})
      .meta({ title: 'Properties', description: 'What is known of it, by name.' }),
  })
  .superRefine((part, context) => {
    for (const message of ownPartFaults(part))
      context.addIssue({
        code: 'custom',
        path: ['traits'],
        message: `${part.label || part.id}: ${message}`,
      })
  })

export const ownPartsField = namedListOf(ownPartSchema, {
  label: 'Own parts',
  max: maxOwnParts,
  description: 'Parts beside those of the catalogue, entered or imported.',
})
