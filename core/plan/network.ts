import type { z } from 'zod'
import { ladder, sentRatesMbps } from '../catalogue/sentQualities'
import { maxLinkMbps } from './constants'
import { choice, numberChoice, optionalQuantity, quantity, section, toggle } from './fields'

/** '2160p at 22 or 16 Mb/s, 1080p at …', as the list has it. */
const heights = [...new Set(ladder.map(rung => rung.lines))]
  .map(
    lines =>
      `${lines}p at ${ladder
        .filter(rung => rung.lines === lines)
        .map(rung => rung.rungMbps)
        .join(', ')
        .replace(/, ([^,]*)$/, ' or $1')}`,
  )
  .join(', ')

export const networkSchema = section(
  {
    uploadMbps: quantity({
      label: 'Upload',
      unit: 'Mb/s',
      min: 0,
      max: maxLinkMbps,
      fallback: 20,
      description: 'What the internet line sends out of the house, measured rather than promised.',
    }),
    downloadMbps: quantity({
      label: 'Download',
      unit: 'Mb/s',
      min: 0,
      max: maxLinkMbps,
      fallback: 100,
      description: 'What the internet line brings into the house, measured rather than promised.',
    }),
    uploadReserveShare: quantity({
      label: 'Upload reserved',
      unit: 'share',
      min: 0,
      max: 0.9,
      fallback: 0.25,
      description: 'The share kept for calls and work at home.',
    }),
    awayRungMbps: numberChoice({
      label: 'Quality sent away',
      unit: 'Mb/s',
      values: sentRatesMbps,
      fallback: 4,
      description: `The rate at which streams are sent to viewers away. ${heights}.`,
    }),
    serverPortMbps: numberChoice({
      label: 'Port of the machine',
      unit: 'Mb/s',
      values: [100, 1000, 2500, 10_000],
      fallback: 1000,
      description: 'What its own port is sold as.',
    }),
    serverLink: choice({
      label: 'Machine connected by',
      fallback: 'cable',
      description:
        'A machine that serves others wants a cable: over Wi-Fi everything crosses the ' +
        'channel twice.',
      options: { cable: 'Cable', powerline: 'Powerline', wifi: 'Wi-Fi' },
    }),
    serverLinkMbps: optionalQuantity({
      label: 'Rate of that link',
      unit: 'Mb/s',
      min: 1,
      max: maxLinkMbps,
      description:
        'What powerline adapters are sold as, or what the machine shows for its Wi-Fi. If ' +
        'this is empty, 600 for powerline and 300 for Wi-Fi.',
    }),
    serverWifi: choice({
      label: 'Wi-Fi where the machine stands',
      fallback: 'good',
      description:
        'Of the rate that the machine shows, good Wi-Fi carries half, fair a third and poor a ' +
        'sixth.',
      options: { good: 'Good', fair: 'Fair', poor: 'Poor' },
    }),
    cableMbps: numberChoice({
      label: 'Cable to the machine',
      unit: 'Mb/s',
      values: [0, 100, 1000, 2500, 10_000],
      fallback: 0,
      options: { 0: 'Like the port' },
      description: 'An old cable with two pairs, or a broken one, carries 100 Mb/s only.',
    }),
    switchMbps: numberChoice({
      label: 'Switch at home',
      unit: 'Mb/s',
      values: [0, 100, 1000, 2500, 10_000],
      fallback: 0,
      options: { 0: 'Like the port' },
      description:
        'The port of the switch, or of the router if that is all there is, on which the machine ' +
        'and the wired devices hang.',
    }),
    routerMbps: numberChoice({
      label: 'Router behind the switch',
      unit: 'Mb/s',
      values: [0, 100, 1000, 2500, 10_000],
      fallback: 0,
      options: { 0: 'It is the switch' },
      description:
        'The port of a router that stands apart from the switch: what goes to Wi-Fi and out of ' +
        'the house crosses it, what goes to a wired device does not.',
    }),
    meshWithoutWire: toggle({
      label: 'Mesh without a wire',
      fallback: false,
      description:
        'Wi-Fi points that reach each other by radio halve what Wi-Fi carries, to devices and ' +
        'from the machine, however many there are.',
    }),
    needsOutside: choice({
      label: 'Media software needs the internet',
      fallback: 'firstTime',
      description:
        'For signing in, its licence or its pictures. A firewall that blocks it can stop ' +
        'play at home.',
      options: { no: 'No', firstTime: 'The first time only', always: 'Every time' },
    }),
    dataCapGBPerMonth: optionalQuantity({
      label: 'Upload cap',
      unit: 'GB/month',
      min: 1,
      max: 1_000_000,
      description: 'What the internet line lets out in a month. If this is empty, there is no cap.',
    }),
    fillFromMBps: quantity({
      label: 'Speed of the old drive',
      unit: 'MB/s',
      min: 1,
      max: 20_000,
      fallback: 135,
      description:
        'What the drive that is copied from reads on average: three quarters of its data sheet.',
    }),
    smallFilesShare: quantity({
      label: 'Share in small files',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0.02,
      description: 'Of all bytes, those in files under 1 MB: they take about three times as long.',
    }),
    downloadCapGBPerDay: optionalQuantity({
      label: 'Download cap',
      unit: 'GB/day',
      min: 0.1,
      max: 1_000_000,
      description:
        'What the internet line or the store lets through in a day. If this is empty, ' +
        'there is no cap.',
    }),
    ripDiscs: optionalQuantity({
      label: 'Discs to rip',
      unit: 'discs',
      min: 0,
      max: maxLinkMbps,
      whole: true,
      description: 'If this is empty, the titles that are kept as they are on disc.',
    }),
    ripMinutes: quantity({
      label: 'Minutes a disc',
      unit: 'min',
      min: 1,
      max: 600,
      fallback: 25,
      description: 'From putting it in to taking it out.',
    }),
    ripDrives: quantity({
      label: 'Disc drives',
      unit: 'drives',
      min: 1,
      max: 20,
      whole: true,
      fallback: 1,
      description: 'How many discs are read at the same time.',
    }),
    ripHoursPerDay: quantity({
      label: 'Hours at the bench',
      unit: 'h/day',
      min: 0.1,
      max: 24,
      fallback: 3,
      description: 'How long somebody is there to change discs.',
    }),
  },
  { label: 'Network', description: 'The home network and the internet line.' },
)

export type Network = z.infer<typeof networkSchema>
