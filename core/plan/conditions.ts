import type { z } from 'zod'
import { quantity, section, toggle } from './fields'

/** What a practitioner would not do without, as switches of the need. */
export const conditionsSchema = section(
  {
    copyAway: toggle({
      label: 'A copy away',
      fallback: true,
      description:
        'What cannot be replaced is copied to another place, with older versions. What is ' +
        'missing of it is bought along, and its price counts.',
    }),
    limitsLoss: toggle({
      label: 'A limit on loss',
      fallback: true,
      description: 'What cannot be replaced is lost with no more than the chance that is accepted.',
    }),
    lossPerYearAtMost: quantity({
      label: 'Accepted a year',
      unit: 'share',
      min: 0.0001,
      max: 1,
      fallback: 0.01,
      description: 'Of losing what cannot be replaced within a year, by all perils together.',
    }),
    noUsbLayouts: toggle({
      label: 'No layout over USB',
      fallback: true,
      description:
        'Drives that need each other do not hang on USB cables. Single drives and a nightly ' +
        'copy may.',
    }),
    quiet: toggle({
      label: 'Quiet enough',
      fallback: true,
      description: 'The machine is no louder at the ear than the place bears.',
    }),
    coolDrives: toggle({
      label: 'Drives stay cool',
      fallback: true,
      description: 'Drives stay at or below 45 °C on the warmest day.',
    }),
    fullRate: toggle({
      label: 'Full rate for hours',
      fallback: true,
      description: 'Cooler and case carry away what the processor makes under a long load.',
    }),
    refurbishedMachines: toggle({
      label: 'Refurbished machines allowed',
      fallback: true,
      description: 'Machines, boards and processors may be refurbished or used.',
    }),
    refurbishedDrives: toggle({
      label: 'Refurbished drives allowed',
      fallback: false,
      description: 'Drives may be refurbished or used.',
    }),
    externalCaseDrives: toggle({
      label: 'Drives from external cases allowed',
      fallback: false,
      description: 'Drives may be taken out of external cases. Their warranty is usually lost.',
    }),
    systemApart: toggle({
      label: 'System apart from the data',
      fallback: true,
      description: 'The system has a disk or a stick of its own.',
    }),
    madeForConversion: toggle({
      label: 'Made for conversion',
      fallback: true,
      description:
        'Conversions run on an engine or a processor that is made for them. A small ARM board ' +
        'counts for what plays as it is.',
    }),
    spareBays: quantity({
      label: 'Bays to spare',
      unit: 'bays',
      min: 0,
      max: 12,
      whole: true,
      fallback: 0,
      description: 'Bays that stay free for drives that are added later.',
    }),
  },
  {
    label: 'Conditions',
    description: 'What a machine has to be besides large and fast enough.',
  },
)

export type Conditions = z.infer<typeof conditionsSchema>
