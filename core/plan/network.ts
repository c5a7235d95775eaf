import type { z } from 'zod'
import { numberChoice, quantity, section } from './fields'

export const networkSchema = section({
  uploadMbps: quantity({
    label: 'Upload', unit: 'Mb/s', min: 0, max: 100_000, fallback: 20,
    description: 'What the internet line sends out of the house, measured rather than promised.',
  }),
  uploadReserveShare: quantity({
    label: 'Kept free of the upload', unit: 'share', min: 0, max: 0.9, fallback: 0.25,
    description: 'For the household\'s own calls and work.',
  }),
  awayRungMbps: numberChoice({
    label: 'Quality sent away', unit: 'Mb/s', values: [20, 10, 8, 6, 4, 3, 1.8, 0.9], fallback: 4,
    description: 'Rung of the ladder for viewers away: 2160p at 20, 1080p at 10, 8 or 6, 720p at 4 or 3, 480p at 1.8, 360p at 0.9.',
  }),
  serverPortMbps: numberChoice({
    label: 'Network port of the box', unit: 'Mb/s', values: [100, 1000, 2500, 10_000], fallback: 1000,
    description: 'The slower of its port and the cable or switch behind it.',
  }),
}, { label: 'Network', description: 'The wire at home and the line out of the house.' })

export type Network = z.infer<typeof networkSchema>
