import { z } from 'zod'
import { coreKinds } from '../catalogue/coreKinds'
import { hardware } from '../catalogue/hardware/hardware'
import { machineBases } from '../catalogue/machineBases'
import { memoryModules } from '../catalogue/memoryModules'
import { processors } from '../catalogue/processors'
import { videoEngines } from '../catalogue/videoEngines'
import { conditions, engineOfProcessor, fromParts, maxParts, ownEntry } from './constants'
import { atHandField } from './atHand'
import { otherUseFields } from './otherUse'
import { ownPartsField } from './ownParts'
import {
  catalogued,
  choice,
  listOf,
  numberChoice,
  optionalQuantity,
  quantity,
  section,
  text,
  toggle,
} from './fields'

const labelled = (entries: readonly { readonly id: string; readonly label: string }[]) =>
  Object.fromEntries(entries.map(({ id, label }) => [id, label]))
const processorOptions = Object.fromEntries(
  processors.map(({ id, name, class: kind, year }) => [id, `${name}, ${kind}, ${year}`]),
)
const engineOptions = (isCard: boolean) =>
  Object.fromEntries(
    videoEngines
      .filter(engine => (engine.kind === 'card') === isCard)
      .map(({ id, label, years }) => [id, `${label}, ${years}`]),
  )

export const partSchema = z.object({
  ref: catalogued({
    label: 'Part',
    fallback: 'cardEntry',
    options: {
      ...engineOptions(true),
      ...processorOptions,
      ...labelled(memoryModules),
      ...labelled(hardware),
    },
    description: 'An entry of the catalogue, or a part of your own.',
  }),
  count: quantity({
    label: 'How many',
    unit: 'pieces',
    min: 1,
    max: 16,
    whole: true,
    fallback: 1,
    description: 'How many of this part.',
  }),
  condition: choice({
    label: 'Bought',
    fallback: 'new',
    options: conditions,
    description: 'A part that you own costs nothing now.',
  }),
  purpose: choice({
    label: 'What for',
    fallback: 'fitted',
    description: 'Spares and parts for later are paid for, but are not in the machine.',
    options: {
      fitted: 'In the machine',
      spare: 'Spare on the shelf',
      later: 'For a later machine',
    },
  }),
  at: text({
    label: 'Where it goes',
    max: 40,
    description:
      'A slot or an M.2 place of the board. If this is empty, the place that costs least ' +
      'elsewhere is used.',
  }),
  deadChance: quantity({
    label: 'Chance that it is dead',
    unit: 'share',
    min: 0,
    max: 1,
    fallback: 0,
    description:
      'Of a part that nobody has tested. What lay in a drawer for years is dead one time ' +
      'in five; parts for old boards are scarce.',
  }),
  note: text({ label: 'Note', max: 200, description: 'Where it was found, what it replaces.' }),
  price: optionalQuantity({
    label: 'Price each',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    description: 'What one of them costs. If this is empty, the price of the catalogue is used.',
  }),
})

export const machineSchema = section(
  {
    name: text({ label: 'Machine', description: 'What you call this machine.', max: 80 }),
    base: catalogued({
      label: 'Built on',
      fallback: ownEntry,
      options: {
        [ownEntry]: 'My own entries',
        [fromParts]: 'Parts of my choice',
        ...labelled(machineBases),
      },
      description:
        'A prebuilt machine or a board in a case of the catalogue; parts that you put ' +
        'together; or a machine of your own, described by its figures.',
    }),
    condition: choice({
      label: 'Bought',
      fallback: 'new',
      options: conditions,
      description: 'A machine that you own costs nothing now.',
    }),
    price: optionalQuantity({
      label: 'Price without drives',
      unit: 'money',
      min: 0,
      max: 1_000_000,
      description:
        'The machine without the parts listed below and without drives. If this is empty, ' +
        'the price of the catalogue is used.',
    }),
    parts: listOf(partSchema, {
      label: 'Parts',
      max: maxParts,
      description: 'What is put into the machine, and what lies beside it.',
    }),
    ownParts: ownPartsField,
    atHand: atHandField,
    diagnosisFee: quantity({
      label: 'Finding a fault',
      unit: 'money',
      min: 0,
      max: 10_000,
      fallback: 30,
      description: 'What it costs in time or money to find out that something does not work.',
    }),
    processor: catalogued({
      label: 'Processor it comes with',
      fallback: ownEntry,
      options: { [ownEntry]: 'My own entries', ...processorOptions },
      description:
        'A processor of the catalogue, or one of your own, described by score or by clock ' +
        'and year.',
    }),
    score: optionalQuantity({
      label: 'Processor score',
      unit: 'points',
      min: 1,
      max: 500_000,
      description:
        'Multi-thread benchmark score; points per stream is set under Streams. If this is ' +
        'empty, the score of the chosen processor is used.',
    }),
    cores: optionalQuantity({
      label: 'Cores',
      unit: 'cores',
      min: 1,
      max: 256,
      whole: true,
      description:
        'Physical cores; one conversion spreads over about six of them at most. If this is ' +
        'empty, those of the chosen processor are used, otherwise 4.',
    }),
    sustainedGHz: optionalQuantity({
      label: 'Sustained, all cores',
      unit: 'GHz',
      min: 0.1,
      max: 10,
      description:
        'Clock rate with all cores busy for long. With the year of design it replaces an ' +
        'unknown score.',
    }),
    designYear: optionalQuantity({
      label: 'Year of its design',
      unit: 'year',
      min: 2000,
      max: 2040,
      whole: true,
      description: 'When this kind of processor came out, not when yours was bought.',
    }),
    coreKind: choice({
      label: 'Kind of cores',
      fallback: 'fast',
      options: coreKinds,
      description: 'Small cores do less at the same clock.',
    }),
    threadsPerCore: numberChoice({
      label: 'Threads a core',
      unit: 'threads',
      values: [1, 2],
      fallback: 1,
      description: 'A second thread adds about a fifth.',
    }),
    memoryGB: optionalQuantity({
      label: 'Memory',
      unit: 'GB',
      min: 1,
      max: 4096,
      description:
        "Memory in all. A built-in engine takes its sessions' memory from it. If this is " +
        'empty, that of the machine with its parts is used, otherwise 8 GB.',
    }),
    engine: catalogued({
      label: 'Built-in video engine',
      fallback: engineOfProcessor,
      description: 'Not every processor of a series has its engine: the exact model counts.',
      options: {
        [engineOfProcessor]: 'As the processor has it',
        none: 'None',
        ...engineOptions(false),
      },
    }),
    oneEngineAtATime: toggle({
      label: 'One engine at a time',
      fallback: true,
      description:
        'Most server software uses one engine only: a card, once there, takes all conversions.',
    }),
    measuredStreams: optionalQuantity({
      label: 'Measured',
      unit: 'reference streams',
      min: 0,
      max: 1000,
      description:
        'The result of measuring this machine. It replaces the estimate from score or ' +
        'clock. If this is empty, the estimate is used.',
    }),
    measuredLow: optionalQuantity({
      label: 'Measured, at least',
      unit: 'reference streams',
      min: 0,
      max: 1000,
      description: 'Whole streams that kept up with real time in the measurement.',
    }),
    measuredBy: text({
      label: 'How it was measured',
      max: 120,
      description: 'Program, date, and whether it was a simulated machine.',
    }),
    passivelyCooled: toggle({
      label: 'Passively cooled',
      fallback: false,
      description: 'Without a fan it slows down under a long load: capacity × 0.8.',
    }),
    startTogether: optionalQuantity({
      label: 'Drives that start together',
      unit: 'drives',
      min: 1,
      max: 60,
      whole: true,
      description:
        'A controller or a drive can wait for its turn. If this is empty, all start at once.',
    }),
    wantsEcc: toggle({
      label: 'Error-correcting memory asked',
      fallback: false,
      description: 'Processor, board and memory must all be able to.',
    }),
    ...otherUseFields,
    monitorAtHand: toggle({
      label: 'A monitor is at hand',
      fallback: true,
      description: 'To install the system, and for the day when it does not start.',
    }),
    outageHoursPerYear: quantity({
      label: 'Known to be out',
      unit: 'h/year',
      min: 0,
      max: 2000,
      fallback: 0,
      description:
        'Hours a year in which it does not serve, where you know that it needs several cold ' +
        'starts or that its video engine hangs. Enter 0 if it is reliable.',
    }),
    bays: optionalQuantity({
      label: 'Drive bays',
      unit: 'bays',
      min: 0,
      max: 60,
      whole: true,
      description:
        'Places for data drives; the system lives on its own small disk. If this is empty, ' +
        'those of the catalogue are used, otherwise 4.',
    }),
    boxIdleW: optionalQuantity({
      label: 'Idle, without drives',
      unit: 'W',
      min: 0,
      max: 2000,
      description:
        'Power at the wall when idle, without data drives, and without the parts that are ' +
        "added to a base. If this is empty, the catalogue's figure is used, otherwise 20 W.",
    }),
    boxLoadW: optionalQuantity({
      label: 'Converting, without drives',
      unit: 'W',
      min: 0,
      max: 3000,
      description:
        'Power at the wall with the processor fully busy, without data drives, and without ' +
        "the parts that are added to a base. If this is empty, the catalogue's figure is " +
        'used, otherwise 60 W.',
    }),
  },
  {
    label: 'Machine',
    description: 'The machine: what it is built on, its parts, power and price.',
  },
)

export type Machine = z.infer<typeof machineSchema>
export type MachinePart = z.infer<typeof partSchema>
