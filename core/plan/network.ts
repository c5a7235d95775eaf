import type { z } from 'zod'
import { ladder, sentRatesMbps } from '../catalogue/sentQualities'
import { numberChoice, quantity, section } from './fields'

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
}, { label: 'Network', description: 'The home network and the internet line.' })

export type Network = z.infer<typeof networkSchema>
