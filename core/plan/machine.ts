import { z } from 'zod'
import { coreKinds } from '../catalogue/coreKinds'
import { videoEngines, type VideoEngine } from '../catalogue/videoEngines'
import { choice, listOf, numberChoice, optionalQuantity, quantity, section, text, toggle } from './fields'

function engineOptions(kind: VideoEngine['kind']): Record<string, string> {
  return Object.fromEntries(videoEngines.filter(engine => engine.kind === kind).map(engine => [engine.id, `${engine.label}, ${engine.years}`]))
}

const builtInOptions: Record<string, string> = { none: 'None', ...engineOptions('built-in'), ...engineOptions('board') }

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
  processor: text({
    label: 'Processor', max: 40,
    description: 'A model of the catalogue that the figures below were taken from. Empty: figures of your own.',
  }),
  sustainedGHz: optionalQuantity({
    label: 'Sustained, all cores', unit: 'GHz', min: 0.1, max: 10,
    description: 'Clock with all cores busy for long. With the year it stands in for a score that is not known.',
  }),
  designYear: optionalQuantity({
    label: 'Year of its design', unit: 'year', min: 2000, max: 2040, whole: true,
    description: 'When this kind of processor came out, not when yours was bought.',
  }),
  coreKind: choice({ label: 'Kind of cores', fallback: 'fast', options: coreKinds, description: 'Small cores do less at the same clock.' }),
  threadsPerCore: numberChoice({ label: 'Threads a core', unit: 'threads', values: [1, 2], fallback: 1, description: 'A second thread adds about a fifth.' }),
  memoryGB: quantity({
    label: 'Memory', unit: 'GB', min: 1, max: 4096, fallback: 8,
    description: 'A built-in engine takes its sessions\' memory from it; 2.5 GB are left to the system.',
  }),
  engine: choice({
    label: 'Built-in video engine', fallback: 'none', description: 'Not every processor of a series has its engine: the exact model counts.',
    options: builtInOptions,
  }),
  cards: listOf(z.object({
    class: choice({ label: 'Card', fallback: 'cardEntry', options: engineOptions('card'), description: 'A video card in a slot, by its class.' }),
  }), { label: 'Video cards', max: 4, description: 'Cards that convert beside or instead of the built-in engine.' }),
  oneEngineAtATime: toggle({
    label: 'One engine at a time', fallback: true,
    description: 'Most server software uses one engine only: a card, once there, takes all conversions.',
  }),
  measuredStreams: optionalQuantity({
    label: 'Measured', unit: 'reference streams', min: 0, max: 1000,
    description: 'What a bench of this very machine found; it goes before score and clock. Empty: not measured.',
  }),
  measuredLow: optionalQuantity({
    label: 'Measured, at least', unit: 'reference streams', min: 0, max: 1000,
    description: 'Whole streams that kept up with real time in the bench.',
  }),
  measuredBy: text({ label: 'How it was measured', max: 120, description: 'Program, date, and whether it was a simulated machine.' }),
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
