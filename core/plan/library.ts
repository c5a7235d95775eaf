import { z } from 'zod'
import { qualities } from '../catalogue/qualities'
import { choice, listOf, optionalQuantity, quantity, section, text } from './fields'

const qualityOptions = Object.fromEntries(qualities.map(quality => [quality.id, quality.label]))

const holdingSchema = z.object({
  name: text({ label: 'Holding', description: 'What these titles are.', max: 80 }),
  quality: choice({
    label: 'Quality', fallback: 'hd1080-h264', options: qualityOptions,
    description: 'Picture size and codec of these titles; it sets their bitrate and what a conversion of them costs.',
  }),
  titles: quantity({
    label: 'Titles', unit: 'titles', min: 0, max: 1_000_000, whole: true, fallback: 0,
    description: 'How many there are today. An episode counts as one title.',
  }),
  minutes: quantity({
    label: 'Length', unit: 'min', min: 0.1, max: 1440, fallback: 110,
    description: 'Mean length of one title.',
  }),
  addedPerMonth: quantity({
    label: 'Added a month', unit: 'titles', min: 0, max: 10_000, fallback: 0,
    description: 'How many come in an ordinary month.',
  }),
  bitrateMbps: optionalQuantity({
    label: 'Bitrate', unit: 'Mb/s', min: 0.01, max: 1000,
    description: 'Mean of picture and sound, when you know it. Empty: the usual one of the quality, with its range.',
  }),
})

export const librarySchema = section({
  holdings: listOf(holdingSchema, {
    label: 'Holdings', max: 200,
    description: 'Films, series and home video by quality.',
  }),
  otherTB: quantity({
    label: 'Everything else', unit: 'TB', min: 0, max: 1000, fallback: 0,
    description: 'Photos, music, documents and backups of computers, as they are today.',
  }),
  otherGrowthGBPerMonth: quantity({
    label: 'Everything else grows by', unit: 'GB/month', min: 0, max: 100_000, fallback: 0,
    description: 'What photos, music, documents and backups add in an ordinary month.',
  }),
  additionsChangePerYear: quantity({
    label: 'Additions change by', unit: 'share', min: -0.9, max: 2, fallback: 0,
    description: 'How the monthly additions change from one year to the next, as more or better titles come in.',
  }),
  growthLowFactor: quantity({
    label: 'Slow growth', unit: '× likely', min: 0, max: 1, fallback: 0.6,
    description: 'Lower end of the growth band: the monthly additions times this.',
  }),
  growthHighFactor: quantity({
    label: 'Fast growth', unit: '× likely', min: 1, max: 10, fallback: 1.6,
    description: 'Upper end of the growth band: the monthly additions times this.',
  }),
}, { label: 'Library', description: 'What is kept, at what quality, and how fast it grows.' })

export type Library = z.infer<typeof librarySchema>
export type Holding = z.infer<typeof holdingSchema>
