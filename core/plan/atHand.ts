import { z } from 'zod'
import { machineBases } from '../catalogue/machineBases'
import { maxAtHand, ownEntry } from './constants'
import { otherUseFields } from './otherUse'
import { catalogued, choice, listOf, optionalQuantity, quantity, text } from './fields'

const atHandSchema = z.object({
  name: text({
    label: 'What it is',
    max: 60,
    description: 'A computer or a part that is in the house already.',
  }),
  ref: catalogued({
    label: 'Like',
    fallback: ownEntry,
    options: {
      [ownEntry]: 'By its figures',
      ...Object.fromEntries(
        machineBases.filter(({ kind }) => kind === 'prebuilt').map(({ id, label }) => [id, label]),
      ),
    },
    description: 'The machine of the catalogue that it is most like; or its own figures.',
  }),
  score: optionalQuantity({
    label: 'Processor score',
    unit: 'points',
    min: 1,
    max: 500_000,
    description: 'Multi-thread benchmark score. If this is empty, that of the machine it is like.',
  }),
  memoryGB: optionalQuantity({
    label: 'Memory',
    unit: 'GB',
    min: 1,
    max: 4096,
    description: 'If this is empty, that of the machine it is like.',
  }),
  bays: optionalQuantity({
    label: 'Drive bays',
    unit: 'bays',
    min: 0,
    max: 60,
    whole: true,
    description: 'If this is empty, those of the machine it is like.',
  }),
  idleW: optionalQuantity({
    label: 'Idle, without drives',
    unit: 'W',
    min: 0,
    max: 2000,
    description: 'At the wall. If this is empty, that of the machine it is like.',
  }),
  ...otherUseFields,
  lastSeen: choice({
    label: 'Last seen working',
    fallback: 'daily',
    description: 'What was not started for long may be dead.',
    options: { daily: 'In use', year: 'Within a year', years: 'Years ago', never: 'Not known' },
  }),
  deadChance: optionalQuantity({
    label: 'Chance that it is dead',
    unit: 'share',
    min: 0,
    max: 1,
    description: 'If this is empty, it follows from when it was last seen working.',
  }),
  faults: text({ label: 'Faults', max: 120, description: 'What is broken, loud or missing.' }),
  worth: quantity({
    label: 'Worth if sold',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    fallback: 0,
    description: 'What it would bring.',
  }),
})

export const atHandField = listOf(atHandSchema, {
  label: 'At hand',
  max: maxAtHand,
  description: 'Computers that are in the house already.',
})
export type AtHand = z.infer<typeof atHandSchema>
