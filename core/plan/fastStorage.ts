import { z } from 'zod'
import { choice, listOf, optionalQuantity, quantity, text, timeOfDay, toggle } from './fields'

/** Pools that something can lie on. */
export const pools = {
  spinning: 'The data drives',
  ssd: 'SSD',
  front: 'SSD in front of the data drives',
} as const
export type PoolId = keyof typeof pools

const on = (label: string, fallback: PoolId, description: string) =>
  choice({ label, fallback, options: pools, description })

/** What else than holdings has to lie somewhere, and the SSD for it; fields of the drives. */
export const fastStorageFields = {
  ssdTB: quantity({
    label: 'SSD',
    unit: 'TB',
    min: 0,
    max: 200,
    fallback: 0.5,
    description: 'Size of the SSD beside the data drives. Enter 0 if there is none.',
  }),
  ssdWritesTB: optionalQuantity({
    label: 'Rated writes of the SSD',
    unit: 'TB',
    min: 1,
    max: 1_000_000,
    description: 'From its data sheet. If this is empty, 600 TB for each TB of its size are used.',
  }),
  systemOn: on('System', 'ssd', 'Where the system and its services lie.'),
  indexOn: on('Library index with pictures', 'ssd', 'What is read when somebody browses.'),
  scratchOn: on(
    'Conversion scratch',
    'ssd',
    'Where converted pieces are kept while a stream runs.',
  ),
  cacheOn: on(
    'Write cache',
    'spinning',
    'Where arrivals lie first, until they are moved to the data drives.',
  ),
  workOn: on('Work in progress', 'spinning', 'Where projects lie that are worked on.'),
  systemGB: quantity({
    label: 'System and services',
    unit: 'GB',
    min: 1,
    max: 10_000,
    fallback: 60,
    description: 'What they take.',
  }),
  workGB: quantity({
    label: 'Work in progress',
    unit: 'GB',
    min: 0,
    max: 1_000_000,
    fallback: 0,
    description: 'What is worked on at a time.',
  }),
  scratchMinutes: quantity({
    label: 'Scratch kept',
    unit: 'min',
    min: 1,
    max: 1440,
    fallback: 90,
    description: 'Minutes of a converted stream that stay on the scratch space.',
  }),
  daysBetweenMoves: quantity({
    label: 'Days between moves',
    unit: 'days',
    min: 0.04,
    max: 60,
    fallback: 1,
    description: 'How long arrivals lie in the write cache before they are moved.',
  }),
}

/** Who brings data. */
export const arrivalSources = {
  phones: 'Pictures from phones',
  backups: 'Backups of computers',
  ripping: 'Discs that are ripped',
  recordings: 'Recordings',
  store: 'Pull from an online store',
  work: 'Work in progress',
  edits: 'Somebody away who edits',
} as const
/** Over which way they come. */
export const arrivalLinks = {
  wired: 'Cable',
  wifi: 'Wi-Fi',
  internet: 'Internet line',
  here: 'On the machine itself',
} as const

/** Somebody away who edits, where nothing else is said: on workdays, a project every two months. */
export const usualEditing = {
  source: 'edits',
  gbPerDay: 5,
  fetchedGBPerDay: 5,
  projectGB: 200,
  projectMonths: 2,
  daysPerWeek: 5,
  from: 9 * 60,
  hours: 8,
  link: 'internet',
  pauses: false,
} as const

const arrivalSchema = z.object({
  name: text({
    label: 'Name',
    max: 80,
    description: 'What comes, such as the pictures of all phones.',
  }),
  source: choice({
    label: 'Source',
    fallback: 'phones',
    options: arrivalSources,
    description: 'Who or what brings the data.',
  }),
  gbPerDay: quantity({
    label: 'On its biggest day',
    unit: 'GB',
    min: 0,
    max: 100_000,
    fallback: 2,
    description: 'How much comes on a day on which much comes.',
  }),
  fetchedGBPerDay: quantity({
    label: 'Fetched on such a day',
    unit: 'GB',
    min: 0,
    max: 100_000,
    fallback: 0,
    description:
      'What is read from the machine over the same way. Over the internet line it takes the ' +
      'upload.',
  }),
  projectGB: quantity({
    label: 'One project',
    unit: 'GB',
    min: 0,
    max: 1_000_000,
    fallback: 0,
    description:
      'What is worked on at a time. At its end it moves from work in progress to the data drives.',
  }),
  projectMonths: quantity({
    label: 'A project takes',
    unit: 'months',
    min: 0.1,
    max: 120,
    fallback: 2,
    description: 'Months from the start of a project to its move.',
  }),
  daysPerWeek: quantity({
    label: 'Days a week',
    unit: 'days',
    min: 0.1,
    max: 7,
    fallback: 7,
    description: 'On how many days of a week it comes.',
  }),
  from: timeOfDay({ label: 'From', fallback: 60, description: 'When it may begin.' }),
  hours: quantity({
    label: 'Hours for it',
    unit: 'h',
    min: 0.1,
    max: 24,
    fallback: 4,
    description: 'Within how many hours it has to be there.',
  }),
  link: choice({
    label: 'It comes over',
    fallback: 'wifi',
    options: arrivalLinks,
    description: 'The way by which it reaches the machine.',
  }),
  limitMbps: optionalQuantity({
    label: 'Speed limit',
    unit: 'Mb/s',
    min: 0.1,
    max: 100_000,
    description: 'So that the household can go on using the line. If this is empty, there is none.',
  }),
  pauses: toggle({
    label: 'Pauses while somebody watches',
    fallback: true,
    description: 'It waits in the hours in which the household usually watches.',
  }),
})

export const arrivalsField = listOf(arrivalSchema, {
  label: 'Arrivals',
  max: 30,
  description: 'Who brings data, how much and when.',
})
export type Arrival = z.infer<typeof arrivalSchema>
