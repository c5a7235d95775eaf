import type { z } from 'zod'
import { optionalQuantity, quantity, section, text, toggle } from './fields'

export const machineSchema = section({
  name: text({ label: 'Machine', description: 'What you call this box.', max: 80 }),
  score: optionalQuantity({
    label: 'Processor score', unit: 'points', min: 1, max: 500_000,
    description: 'Multi-thread benchmark score on the public index on which about 2 000 points convert one 1080p stream.',
  }),
  cores: quantity({
    label: 'Cores', unit: 'cores', min: 1, max: 256, whole: true, fallback: 4,
    description: 'Physical cores. One conversion spreads over about six of them at most.',
  }),
  passivelyCooled: toggle({
    label: 'Passively cooled', fallback: false,
    description: 'Without a fan it slows down under a long load: capacity × 0.8.',
  }),
  bays: quantity({
    label: 'Drive bays', unit: 'bays', min: 0, max: 60, whole: true, fallback: 4,
    description: 'Places for data drives; the system lives on its own small disk.',
  }),
  boxIdleW: quantity({
    label: 'Idle, without drives', unit: 'W', min: 0, max: 2000, fallback: 20,
    description: 'Watts at the wall with nothing to do and the data drives out.',
  }),
  boxLoadW: quantity({
    label: 'Converting, without drives', unit: 'W', min: 0, max: 3000, fallback: 60,
    description: 'Watts at the wall with the processor fully busy and the data drives out.',
  }),
  price: quantity({
    label: 'Price without drives', unit: 'money', min: 0, max: 1_000_000, fallback: 0,
    description: 'The box, ready to take drives. Nothing if it is already yours.',
  }),
}, { label: 'Machine', description: 'The box itself: processor, bays, watts and price.' })

export type Machine = z.infer<typeof machineSchema>
