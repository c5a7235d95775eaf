import type { z } from 'zod'
import { ladder, sentRatesMbps } from '../catalogue/sentQualities'
import { numberChoice, optionalQuantity, quantity, section } from './fields'

/** '2160p at 22 or 16 Mb/s, 1080p at …', as the list has it. */
const heights = [...new Set(ladder.map(rung => rung.lines))].map(lines => `${lines}p at ${ladder.filter(rung => rung.lines === lines).map(rung => rung.rungMbps).join(', ').replace(/, ([^,]*)$/, ' or $1')}`).join(', ')

export const networkSchema = section({
  uploadMbps: quantity({
    label: 'Upload', unit: 'Mb/s', min: 0, max: 100_000, fallback: 20,
    description: 'What the internet line sends out of the house, measured rather than promised.',
  }),
  downloadMbps: quantity({
    label: 'Download', unit: 'Mb/s', min: 0, max: 100_000, fallback: 100,
    description: 'What the internet line brings into the house, measured rather than promised.',
  }),
  uploadReserveShare: quantity({
    label: 'Upload reserved', unit: 'share', min: 0, max: 0.9, fallback: 0.25,
    description: 'The share kept for calls and work at home.',
  }),
  awayRungMbps: numberChoice({
    label: 'Quality sent away', unit: 'Mb/s', values: sentRatesMbps, fallback: 4,
    description: `The rate at which streams are sent to viewers away. ${heights}.`,
  }),
  serverPortMbps: numberChoice({
    label: 'Network port of the machine', unit: 'Mb/s', values: [100, 1000, 2500, 10_000], fallback: 1000,
    description: 'The slower of its port and the cable or switch behind it.',
  }),
  fillFromMBps: quantity({
    label: 'Speed of the old drive', unit: 'MB/s', min: 1, max: 20_000, fallback: 135,
    description: 'What the drive that is copied from reads on average: three quarters of its data sheet.',
  }),
  smallFilesShare: quantity({
    label: 'Share in small files', unit: 'share', min: 0, max: 1, fallback: 0.02,
    description: 'Of all bytes, those in files under 1 MB: they take about three times as long.',
  }),
  downloadCapGBPerDay: optionalQuantity({
    label: 'Download cap', unit: 'GB/day', min: 0.1, max: 1_000_000,
    description: 'What the internet line or the store lets through in a day. If this is empty, there is no cap.',
  }),
  ripDiscs: optionalQuantity({
    label: 'Discs to rip', unit: 'discs', min: 0, max: 100_000, whole: true,
    description: 'If this is empty, the titles that are kept as they are on disc.',
  }),
  ripMinutes: quantity({ label: 'Minutes a disc', unit: 'min', min: 1, max: 600, fallback: 25, description: 'From putting it in to taking it out.' }),
  ripDrives: quantity({ label: 'Disc drives', unit: 'drives', min: 1, max: 20, whole: true, fallback: 1, description: 'How many discs are read at the same time.' }),
  ripHoursPerDay: quantity({ label: 'Hours at the bench', unit: 'h/day', min: 0.1, max: 24, fallback: 3, description: 'How long somebody is there to change discs.' }),
}, { label: 'Network', description: 'The home network and the internet line.' })

export type Network = z.infer<typeof networkSchema>
