import { z } from 'zod'
import { dayField } from '../plan/driveRegister'
import { choice, optionalQuantity, quantity, text, toggle } from '../plan/fields'
import { convertedCodecs } from '../plan/trials'
import { driveValuesSchema } from './driveValues'

/** What an entry is about: it happened, was measured, or was changed. */
export type EntrySort = 'happened' | 'measured' | 'changed'

const most = 10_000_000
/** Unit and largest value of a field. */
type Within = string | readonly [unit: string, max: number]
const amount = (label: string, within: Within, description: string) => {
  const [unit, max] = typeof within === 'string' ? [within, most] : within
  return optionalQuantity({ label, unit, min: 0, max, description })
}
const count = (label: string, within: Within, description: string) => {
  const [unit, max] = typeof within === 'string' ? [within, 1000] : within
  return optionalQuantity({ label, unit, min: 0, max, whole: true, description })
}
const serial = text({
  label: 'Serial',
  max: 60,
  description: 'Which drive: the end of its serial.',
})
const degrees = (label: string, description: string) =>
  optionalQuantity({ label, unit: '°C', min: -40, max: 150, description })
const result = (label: string) =>
  choice({
    label,
    fallback: 'good',
    options: { good: 'It worked', failed: 'It failed' },
    description: 'How it ended.',
  })

const lines = {
  '576': '576p',
  '720': '720p',
  '1080': '1080p',
  '2160': '2160p',
} as const
const height = (label: string, description: string) =>
  choice({ label, fallback: '1080', options: lines, description })

const conversion = z.object({
  on: text({
    label: 'Converted on',
    max: 60,
    fallback: 'software',
    description: 'The processor, or which video engine.',
  }),
  codec: choice({
    label: 'Codec',
    fallback: 'h264',
    options: convertedCodecs,
    description: 'How the picture of the title is coded.',
  }),
  lines: height('Picture', 'Picture height of the title.'),
  hdr: toggle({ label: 'HDR', fallback: false, description: 'Its tones were mapped.' }),
  framesPerSecond: quantity({
    label: 'Frames per second',
    unit: 'frames/s',
    min: 1,
    max: 240,
    fallback: 24,
    description: 'Pictures a second of the title.',
  }),
  bitrateMbps: quantity({
    label: 'Bitrate',
    unit: 'Mb/s',
    min: 0.05,
    max: 400,
    fallback: 8,
    description: 'Mean bitrate of the title.',
  }),
  toLines: height('Converted to', 'Picture height that was sent.'),
  ran: count('Ran', 'conversions', 'So many at once kept up for three minutes.'),
  stuttered: count(
    'Stuttered',
    'conversions',
    'With so many at once one fell behind. Leave it empty if no more were tried.',
  ),
  speed: amount(
    'Speed of the slowest',
    ['× real time', 1000],
    'As the encoder program shows it. It counts for one conversion alone.',
  ),
  otherLoad: quantity({
    label: 'Other load',
    unit: 'reference streams',
    min: 0,
    max: 1000,
    fallback: 0,
    description: 'What else the processor did meanwhile.',
  }),
  processorC: degrees('Processor at the end', 'Its temperature when it ended.'),
})

const watts = z.object({
  state: choice({
    label: 'State',
    fallback: 'idle',
    options: {
      off: 'Off',
      asleep: 'Drives asleep',
      idle: 'Idle',
      watching: 'Watching',
      converting: 'Converting',
      peak: 'Peak at the start',
    },
    description: 'What the machine did.',
  }),
  watts: amount('Power', ['W', 10_000], 'As the meter at the wall shows it, averaged.'),
  minutes: quantity({
    label: 'Averaged over',
    unit: 'min',
    min: 0,
    max: 100_000,
    fallback: 10,
    description: 'Under ten minutes say little.',
  }),
  drivesIn: count('Drives in', ['drives', 200], 'If this is empty, all of them.'),
  samplesPerS: amount(
    'Samples a second',
    ['per second', 1000],
    'Of the meter. One that reads less than twice a second misses the real peak.',
  ),
})

const energy = z.object({
  from: dayField({ label: 'From', description: 'The day of the reading before.' }),
  to: dayField({ label: 'To', description: 'The day of this reading.' }),
  kWh: amount('Energy', ['kWh', 100_000], 'What the meter counted in between.'),
})

const copy = z.object({
  files: choice({
    label: 'Files',
    fallback: 'large',
    options: { large: 'Large (from 100 MB)', small: 'Small (under 1 MB)', mixed: 'Mixed' },
    description: 'Mixed ones are kept, and say nothing of either.',
  }),
  direction: choice({
    label: 'Direction',
    fallback: 'write',
    options: { read: 'From the machine', write: 'To the machine' },
    description: 'Which way it was copied.',
  }),
  MBps: amount('Rate', ['MB/s', 100_000], 'Bytes copied over the time it took.'),
  gb: amount('Copied', 'GB', 'How much was copied.'),
})

const disk = z.object({
  pattern: choice({
    label: 'Pattern',
    fallback: 'seqRead',
    options: {
      seqRead: 'Read in order',
      seqWrite: 'Written in order',
      randRead: 'Read at random',
      randWrite: 'Written at random',
    },
    description: 'How the disk was read or written.',
  }),
  of: text({
    label: 'Of',
    max: 60,
    description: 'The serial of the drive, or “pool” for all of them together.',
  }),
  MBps: amount('Rate', ['MB/s', 100_000], 'Mean rate.'),
  iops: amount('Accesses', 'per second', 'Mean number of accesses a second.'),
  p99Ms: amount('Slowest 1 %', 'ms', 'Latency that 99 of 100 accesses stay under.'),
  blockKiB: amount('Block', 'KiB', 'Size of one access.'),
  depth: count('Depth', ['accesses', 10_000], 'How many were under way at once.'),
  jobs: count('Jobs', ['jobs', 10_000], 'How many ran beside each other.'),
  seconds: amount('Ran for', 's', 'Under 10 s say little.'),
  gb: amount('Moved', 'GB', 'How much was read or written.'),
  pastCache: choice({
    label: 'Past the cache',
    fallback: 'notKnown',
    options: { yes: 'Yes', no: 'No', notKnown: 'Not known' },
    description: 'Whether the memory could answer instead of the disk.',
  }),
})

const network = z.object({
  between: text({
    label: 'Between',
    max: 60,
    fallback: 'home',
    description: '“home” for the home network, or the place away.',
  }),
  ranOn: choice({
    label: 'Run on',
    fallback: 'notSaid',
    options: { machine: 'The machine', other: 'The other end', notSaid: 'Not said' },
    description: 'At which end it was started.',
  }),
  upMbps: amount('Sent', ['Mb/s', 1_000_000], 'From the end on which it was run.'),
  downMbps: amount('Received', ['Mb/s', 1_000_000], 'At the end on which it was run.'),
  streams: count('Streams', 'streams', 'How many ran beside each other.'),
  retransmits: count('Sent again', ['segments', most], 'What was lost on the way.'),
  lostPercent: amount('Lost', ['%', 100], 'Of what was sent.'),
  seconds: amount('Ran for', 's', 'Under 5 s say little.'),
  protocol: choice({
    label: 'Protocol',
    fallback: 'tcp',
    options: { tcp: 'TCP', udp: 'UDP' },
    description: 'What it was sent with.',
  }),
  busyHour: z.boolean().nullable().default(null).meta({
    title: 'Busy hour',
    description: 'Measured in the evening, when others use the line.',
  }),
})

const temperature = z.object({
  what: choice({
    label: 'Of',
    fallback: 'drive',
    options: { drive: 'A drive', processor: 'The processor', room: 'The room', case: 'The case' },
    description: 'What was measured.',
  }),
  serial,
  celsius: degrees('Temperature', 'What was read.'),
  roomC: degrees('Room meanwhile', 'Without it, it is not known how much warmer the drive is.'),
  state: choice({
    label: 'State',
    fallback: 'idle',
    options: { idle: 'Idle', busy: 'At work' },
    description: 'What the machine did.',
  }),
  minutes: quantity({
    label: 'For',
    unit: 'min',
    min: 0,
    max: 100_000,
    fallback: 60,
    description: 'How long it had been in that state. Under an hour says little.',
  }),
})

const space = z.object({
  usedTB: amount('Used', ['TB', 100_000], 'As the system shows it; 1 TiB is 1.0995 TB.'),
  freeTB: amount('Free', ['TB', 100_000], 'What is left.'),
  onceGB: quantity({
    label: 'Moved in one go',
    unit: 'GB',
    min: 0,
    max: most,
    fallback: 0,
    description: 'Of what came since the last reading: what will not come again.',
  }),
})

const selfTest = z.object({
  serial,
  length: choice({
    label: 'Test',
    fallback: 'long',
    options: { long: 'Long', short: 'Short' },
    description: 'Which of the two.',
  }),
  end: choice({
    label: 'Ended',
    fallback: 'passed',
    options: { passed: 'Passed', failed: 'Failed', interrupted: 'Interrupted' },
    description: 'How it ended.',
  }),
  atHours: count('At', ['h', most], 'Hours of the drive, as it shows them.'),
})

const build = z.object({
  what: choice({
    label: 'What',
    fallback: 'rebuild',
    options: {
      rebuild: 'A rebuild',
      scrub: 'A check of all data',
      firstBuild: 'The first build of parity',
      grow: 'Growing the pool',
    },
    description: 'What the pool did.',
  }),
  tb: amount('Over', ['TB', 100_000], 'How much was read or written.'),
  hours: amount('Took', ['h', 100_000], 'From its start to its end.'),
  mended: count('Mended', ['errors', most], 'Errors that it found and mended.'),
  watched: toggle({
    label: 'Somebody watched',
    fallback: false,
    description: 'It is slower while somebody watches.',
  }),
})

const restore = z.object({
  from: text({ label: 'From', max: 80, description: 'Which copy.' }),
  what: text({ label: 'What', max: 80, description: 'What was read back.' }),
  gb: amount('Read back', 'GB', 'How much.'),
  minutes: amount('Took', 'min', 'How long.'),
  oldestDays: count('Oldest version', ['days', 100_000], 'How old the oldest version was.'),
  result: result('Result'),
})
const copyRun = z.object({
  job: text({ label: 'Job', max: 80, description: 'Which copy ran.' }),
  gb: amount('Copied', 'GB', 'How much.'),
  hours: amount('Took', ['h', 100_000], 'How long.'),
  result: result('Result'),
})

const streams = (label: string) =>
  count(label, ['streams', 100_000], 'How many of them in that time.')
const watched = z.object({
  hours: amount('Over', ['h', 100_000], 'How long it was counted.'),
  asItIs: streams('Played as it is'),
  sound: streams('Sound converted'),
  engine: streams('Converted on the engine'),
  software: streams('Converted in software'),
  refused: streams('Refused'),
  mostAtOnce: count('Most at once', 'streams', 'Streams at the same time.'),
  mostConversions: count('Most conversions at once', 'conversions', 'At the same time.'),
  minutesShort: amount('Minutes short', 'min', 'Time in which it fell behind.'),
  stalls: count('Stalls', ['times', 100_000], 'How often a picture stood still.'),
})

const ups = z.object({
  loadPercent: amount('Load', ['%', 200], 'Of what it can carry.'),
  minutesLeft: amount('Minutes left', ['min', 10_000], 'As it shows them at this load.'),
  chargePercent: amount('Charge', ['%', 100], 'Of its battery.'),
  test: choice({
    label: 'Battery test',
    fallback: 'notDone',
    options: { notDone: 'Not done', passed: 'Passed', failed: 'Failed' },
    description: 'The last one.',
  }),
  onBatteryS: amount('On battery', 's', 'How long the mains were away.'),
})

const incident = z.object({
  what: choice({
    label: 'What',
    fallback: 'stutter',
    options: {
      stutter: 'It stuttered',
      noAnswer: 'It did not answer',
      drive: 'A drive',
      data: 'Data were lost or damaged',
      slow: 'It was slow',
      warm: 'It was too warm',
      power: 'The mains went out',
      access: 'Somebody could not get in',
      other: 'Something else',
    },
    description: 'What it looked like.',
  }),
  until: text({
    label: 'Until',
    max: 40,
    description: 'When it was over, as a day or a day with the time.',
  }),
  minutesDown: amount('Out for', 'min', 'How long nobody could use it.'),
  cause: text({ label: 'Cause', max: 200, description: 'What it was in the end.' }),
  lesson: text({ label: 'Lesson', max: 300, description: 'What you would do otherwise.' }),
})

const change = z.object({
  what: choice({
    label: 'What',
    fallback: 'driveIn',
    options: {
      driveIn: 'A drive came in',
      driveOut: 'A drive went out',
      part: 'A part was swapped',
      system: 'The system was updated',
      moved: 'It was moved',
      settings: 'Settings',
    },
    description: 'What was changed.',
  }),
  serial,
  from: text({ label: 'From', max: 120, description: 'What was there before.' }),
  to: text({ label: 'To', max: 120, description: 'What is there now.' }),
  paid: optionalQuantity({
    label: 'Paid',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    description: 'What it cost.',
  }),
})
const money = z.object({
  what: choice({
    label: 'For',
    fallback: 'electricity',
    options: {
      electricity: 'Electricity',
      part: 'A part',
      licence: 'A licence',
      other: 'Something else',
    },
    description: 'What was paid for.',
  }),
  paid: optionalQuantity({
    label: 'Paid',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    description: 'The amount.',
  }),
  for: text({ label: 'Name', max: 120, description: 'What it is called on the bill.' }),
})

interface EntryKindParts<Values extends z.ZodObject> {
  readonly label: string
  readonly sort: EntrySort
  readonly values: Values
  /** fields that are asked first; the others stand behind *More* */
  readonly first: readonly (keyof z.infer<Values> & string)[]
}
const kind = <Values extends z.ZodObject>(parts: EntryKindParts<Values>) => parts

/** Kinds of entry, in the order in which they are offered. */
export const entryKinds = {
  watts: kind({
    label: 'Power',
    sort: 'measured',
    values: watts,
    first: ['state', 'watts', 'minutes'],
  }),
  temperature: kind({
    label: 'Temperature',
    sort: 'measured',
    values: temperature,
    first: ['what', 'serial', 'celsius', 'roomC'],
  }),
  space: kind({ label: 'Space', sort: 'measured', values: space, first: ['usedTB', 'onceGB'] }),
  conversion: kind({
    label: 'Conversions',
    sort: 'measured',
    values: conversion,
    first: ['on', 'codec', 'lines', 'hdr', 'ran', 'stuttered'],
  }),
  network: kind({
    label: 'Network',
    sort: 'measured',
    values: network,
    first: ['between', 'upMbps', 'downMbps', 'seconds'],
  }),
  disk: kind({
    label: 'Disk',
    sort: 'measured',
    values: disk,
    first: ['pattern', 'of', 'MBps', 'seconds', 'pastCache'],
  }),
  copy: kind({ label: 'Copy', sort: 'measured', values: copy, first: ['files', 'MBps', 'gb'] }),
  energy: kind({
    label: 'Energy',
    sort: 'measured',
    values: energy,
    first: ['from', 'to', 'kWh'],
  }),
  build: kind({
    label: 'Rebuild or check',
    sort: 'happened',
    values: build,
    first: ['what', 'tb', 'hours'],
  }),
  selfTest: kind({
    label: 'Self-test',
    sort: 'happened',
    values: selfTest,
    first: ['serial', 'length', 'end', 'atHours'],
  }),
  incident: kind({
    label: 'Incident',
    sort: 'happened',
    values: incident,
    first: ['what', 'until', 'minutesDown', 'cause'],
  }),
  change: kind({
    label: 'Change',
    sort: 'changed',
    values: change,
    first: ['what', 'serial', 'from', 'to'],
  }),
  money: kind({ label: 'Money', sort: 'changed', values: money, first: ['what', 'paid', 'for'] }),
  restore: kind({
    label: 'Read back',
    sort: 'happened',
    values: restore,
    first: ['from', 'what', 'gb', 'result'],
  }),
  copyRun: kind({
    label: 'Copy job',
    sort: 'happened',
    values: copyRun,
    first: ['job', 'gb', 'hours', 'result'],
  }),
  watched: kind({
    label: 'Watched',
    sort: 'happened',
    values: watched,
    first: ['mostAtOnce', 'mostConversions', 'minutesShort', 'stalls'],
  }),
  ups: kind({
    label: 'UPS',
    sort: 'measured',
    values: ups,
    first: ['loadPercent', 'minutesLeft', 'test'],
  }),
  note: kind({ label: 'Note', sort: 'happened', values: z.object({}), first: [] }),
  driveReport: kind({
    label: 'Drive report',
    sort: 'measured',
    values: driveValuesSchema,
    first: [],
  }),
} as const
export type EntryKind = keyof typeof entryKinds

/** The values of an entry of a kind. */
export type ValuesOf<Kind extends EntryKind> = z.infer<(typeof entryKinds)[Kind]['values']>
/** The same as they are handed in: what has a default may be left out. */
export type ValuesInput<Kind extends EntryKind> = z.input<(typeof entryKinds)[Kind]['values']>

export const isEntryKind = (id: string): id is EntryKind => Object.hasOwn(entryKinds, id)
