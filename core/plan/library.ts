import { smallCopyRates } from '../catalogue/sentQualities'
import { z } from 'zod'
import { holdingKinds, otherQualities, type HoldingKindId } from '../catalogue/holdingKinds'
import { containers, soundCodecs, subtitleKinds } from '../catalogue/media'
import { qualities } from '../catalogue/qualities'
import { pools } from './fastStorage'
import {
  calendarMonth,
  catalogued,
  choice,
  listOf,
  optionalQuantity,
  quantity,
  references,
  section,
  text,
  toggle,
} from './fields'

const qualityOptions: Record<string, string> = Object.fromEntries([
  ...[...qualities, ...otherQualities].map(quality => [quality.id, quality.label]),
  ['given', 'Size given directly'],
])
const kindOptions = Object.fromEntries(holdingKinds.map(kind => [kind.id, kind.label])) as Record<
  HoldingKindId,
  string
>
const usual = { usual: 'As usual for the quality' } as const

export const holdingSchema = z.object({
  kind: choice({
    label: 'Kind',
    fallback: 'film',
    options: kindOptions,
    description:
      'What these are; it decides how they are sized, who plays them, and what their loss ' +
      'would mean.',
  }),
  name: text({ label: 'Holding', description: 'What these are called.', max: 80 }),
  quality: catalogued({
    label: 'Quality',
    fallback: 'hd1080-h264',
    options: qualityOptions,
    description:
      'Picture size and codec of these titles; it sets their bitrate and what a conversion ' +
      'of them costs.',
  }),
  titles: quantity({
    label: 'Titles',
    unit: 'titles',
    min: 0,
    max: 10_000_000,
    whole: true,
    fallback: 0,
    description: 'How many there are today. An episode, an album and a picture count as one each.',
  }),
  minutes: quantity({
    label: 'Length',
    unit: 'min',
    min: 0.1,
    max: 1440,
    fallback: 110,
    description: 'Average length of one title.',
  }),
  addedPerMonth: quantity({
    label: 'Added a month',
    unit: 'titles',
    min: 0,
    max: 100_000,
    fallback: 0,
    description: 'How many come in an ordinary month.',
  }),
  removedPerMonth: quantity({
    label: 'Deleted a month',
    unit: 'titles',
    min: 0,
    max: 100_000,
    fallback: 0,
    description: 'How many are deleted in an ordinary month.',
  }),
  bitrateMbps: optionalQuantity({
    label: 'Bitrate',
    unit: 'Mb/s',
    min: 0.01,
    max: 1000,
    description:
      'Average of picture and sound. If this is empty, the usual bitrate of the quality is ' +
      'used, with its range.',
  }),
  bitrateQuarters: z
    .array(z.number().min(0.01).max(1000))
    .length(4)
    .nullable()
    .default(null)
    .meta({
      title: 'Bitrates by quarter',
      unit: 'Mb/s',
      description:
        'Four means, each of a quarter of the minutes, the lowest first, as a scan of the files ' +
        'told them. Titles are then looked at by quarter instead of by their mean.',
    }),
  sizeGB: optionalQuantity({
    label: 'Size today',
    unit: 'GB',
    min: 0,
    max: 1_000_000,
    description:
      'Size of the whole holding. If this is empty, it is worked out from titles, length ' +
      'and quality.',
  }),
  addedGBPerMonth: quantity({
    label: 'Added a month',
    unit: 'GB/month',
    min: 0,
    max: 100_000,
    fallback: 0,
    description: 'What is added in an ordinary month, for a holding that is counted by its size.',
  }),
  changePerYear: optionalQuantity({
    label: 'Additions change by',
    unit: 'share',
    min: -0.9,
    max: 2,
    description:
      'How the monthly additions change from year to year. If empty, the value for the ' +
      'whole library is used.',
  }),
  growthPerYear: quantity({
    label: 'Growth besides additions',
    unit: 'share',
    min: -0.9,
    max: 5,
    fallback: 0,
    description: 'Yearly growth on top of the additions, applied every month.',
  }),
  loss: choice({
    label: 'If it is lost',
    fallback: 'byKind',
    description: 'Whether it can be replaced. Risk and backup depend on this.',
    options: {
      byKind: 'As usual for the kind',
      replaceable: 'Replaceable',
      irreplaceable: 'Irreplaceable',
    },
  }),
  mayBeLost: toggle({
    label: 'May be lost',
    fallback: false,
    description:
      'Nobody would miss it: it counts in no chance of loss, needs no copy, and asks nothing of ' +
      'the drives.',
  }),
  pool: choice({
    label: 'Lies on',
    fallback: 'spinning',
    options: pools,
    description: 'The pool that holds this.',
  }),
  copies: choice({
    label: 'Copied',
    fallback: 'asSet',
    description: 'Which of the copies that are kept hold this. The copies are set under Drives.',
    options: { asSet: 'As set for each copy', everywhere: 'To every copy', nowhere: 'To no copy' },
  }),
  container: choice({
    label: 'Container',
    fallback: 'usual',
    options: { ...usual, ...containers },
    description: 'File format around picture and sound.',
  }),
  sound: choice({
    label: 'Sound',
    fallback: 'usual',
    options: { ...usual, ...soundCodecs },
    description: 'Codec of the sound.',
  }),
  channels: optionalQuantity({
    label: 'Sound channels',
    unit: 'channels',
    min: 1,
    max: 16,
    whole: true,
    description:
      'Channels of the sound. If this is empty, the usual number for the quality is used.',
  }),
  subtitles: choice({
    label: 'Subtitles',
    fallback: 'usual',
    options: { ...usual, ...subtitleKinds },
    description: 'Kind of the subtitles. Image subtitles nearly always have to be burned in.',
  }),
  framesPerSecond: optionalQuantity({
    label: 'Frames a second',
    unit: '/s',
    min: 1,
    max: 240,
    description: 'If this is empty, the usual rate for the quality is used.',
  }),
  interlaced: choice({
    label: 'Interlaced',
    fallback: 'usual',
    options: { ...usual, yes: 'Yes', no: 'No' },
    description: 'Lines of two moments woven into one picture, as on old discs and recordings.',
  }),
  smallCopies: choice({
    label: 'Second copy',
    fallback: 'none',
    description:
      'A smaller version of each title that plays almost anywhere. It takes space and ' +
      'saves conversions.',
    options: {
      none: 'None',
      hd720: `720p H.264, ${smallCopyRates.hd720} Mb/s`,
      hd1080: `1080p H.264, ${smallCopyRates.hd1080} Mb/s`,
    },
  }),
  notOfferedTo: references({
    label: 'Not offered to',
    max: 60,
    description:
      'Devices that are not shown these titles, such as weak screens for large HDR films. ' +
      'Their viewers watch something else of the same habit.',
  }),
})

const eventSchema = z.object({
  name: text({
    label: 'Event',
    description: 'What is added or deleted, such as digitising the reels.',
    max: 80,
  }),
  month: calendarMonth({ label: 'Month', fallback: '2027-01', description: 'When it is done.' }),
  sizeGB: quantity({
    label: 'Size',
    unit: 'GB',
    min: -1_000_000,
    max: 1_000_000,
    fallback: 0,
    description: 'How much it adds. Enter a negative size for what is deleted.',
  }),
})

export const librarySchema = section(
  {
    holdings: listOf(holdingSchema, {
      label: 'Holdings',
      max: 200,
      description: 'What is kept, by kind and quality.',
    }),
    startsOn: calendarMonth({
      label: 'The forecast starts in',
      fallback: '2026-11',
      description: "The month of today's sizes; dated events are placed by it.",
    }),
    events: listOf(eventSchema, {
      label: 'Dated events',
      max: 100,
      description: 'What is added or deleted once, in a certain month.',
    }),
    otherTB: quantity({
      label: 'Anything else kept',
      unit: 'TB',
      min: 0,
      max: 1000,
      fallback: 0,
      description: 'Whatever else is kept and not listed as a holding, as it is today.',
    }),
    otherGrowthGBPerMonth: quantity({
      label: 'Growth of anything else',
      unit: 'GB/month',
      min: 0,
      max: 100_000,
      fallback: 0,
      description: 'What it adds in an ordinary month.',
    }),
    additionsChangePerYear: quantity({
      label: 'Additions change by',
      unit: 'share',
      min: -0.9,
      max: 2,
      fallback: 0,
      description:
        'How the monthly additions change from one year to the next, as more or better ' +
        'titles come in.',
    }),
    growthLowFactor: quantity({
      label: 'Slow growth',
      unit: '× likely',
      min: 0,
      max: 1,
      fallback: 0.6,
      description: 'Lower end of the range of growth: the monthly additions times this.',
    }),
    growthHighFactor: quantity({
      label: 'Fast growth',
      unit: '× likely',
      min: 1,
      max: 10,
      fallback: 1.6,
      description: 'Upper end of the range of growth: the monthly additions times this.',
    }),
  },
  { label: 'Library', description: 'What is kept, at what quality, and how fast it grows.' },
)

export type Library = z.infer<typeof librarySchema>
export type Holding = z.infer<typeof holdingSchema>
