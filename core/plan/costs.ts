import { z } from 'zod'
import { gridKinds } from '../catalogue/gridKinds'
import { choice, listOf, optionalQuantity, quantity, section, text } from './fields'
import { maxCloudSteps, maxTiers } from './constants'

const cloudStepSchema = z.object({
  sizeTB: quantity({
    label: 'Up to',
    unit: 'TB',
    min: 0.01,
    max: 10_000,
    fallback: 2,
    description: 'What may be kept for this price.',
  }),
  pricePerMonth: quantity({
    label: 'Price a month',
    unit: 'money',
    min: 0,
    max: 100_000,
    fallback: 9,
    description: 'What this step costs in a month.',
  }),
})

const tierSchema = z.object({
  name: text({ label: 'Tier', max: 30, description: 'What you call it.', fallback: 'Tier' }),
  cap: quantity({
    label: 'At most',
    unit: 'money',
    min: 0,
    max: 1_000_000,
    fallback: 1000,
    description: 'The most that may be paid now.',
  }),
})

export const costsSchema = section(
  {
    tiers: listOf(tierSchema, {
      label: 'Tiers',
      max: maxTiers,
      description:
        'Budgets by which builds are sorted. If there are none: Lean 700, Middle 1,700, ' +
        'Large 2,900.',
    }),
    pricePerKWh: quantity({
      label: 'Electricity',
      unit: 'money/kWh',
      min: 0,
      max: 1000,
      fallback: 0.3,
      description: 'What you pay for one kilowatt-hour.',
    }),
    extras: quantity({
      label: 'Extras',
      unit: 'money',
      min: 0,
      max: 1_000_000,
      fallback: 0,
      description:
        'Cables, a UPS, a boot drive, a licence: what is bought besides machine and drives.',
    }),
    linkBetween: quantity({
      label: 'Link between two machines',
      unit: 'money',
      min: 0,
      max: 10_000,
      fallback: 25,
      description:
        'A cable and a place at the switch, where one machine stores and another converts.',
    }),
    electricityRisePerYear: quantity({
      label: 'Electricity rises by',
      unit: 'share',
      min: -0.5,
      max: 1,
      fallback: 0,
      description:
        'A year, from the second year on. Enter a negative share if you expect it to fall.',
    }),
    nightShare: quantity({
      label: 'Used at the night rate',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0,
      description:
        'Share of its electricity that is used while the cheaper rate counts; a third ' +
        'where that is eight hours of a day.',
    }),
    nightPricePerKWh: optionalQuantity({
      label: 'Night rate',
      unit: 'money/kWh',
      min: 0,
      max: 1000,
      description:
        'What one kilowatt-hour costs then. If this is empty, there is one rate for all hours.',
    }),
    solarShare: quantity({
      label: 'From your own roof',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0,
      description: 'Share of its electricity that comes from solar panels of your own.',
    }),
    solarPricePerKWh: quantity({
      label: 'Worth of your own',
      unit: 'money/kWh',
      min: 0,
      max: 1000,
      fallback: 0.08,
      description: 'What you would be paid for a kilowatt-hour that is not used.',
    }),
    discountRate: quantity({
      label: 'Discount rate',
      unit: 'share',
      min: 0,
      max: 0.5,
      fallback: 0,
      description:
        'A year. Money that is paid later weighs less by this. Enter 0 to count every year alike.',
    }),
    licenceOnce: quantity({
      label: 'Software licence, once',
      unit: 'money',
      min: 0,
      max: 100_000,
      fallback: 0,
      description:
        'Media software that wants a licence for conversion on the video engine, or for guests.',
    }),
    licencePerYear: quantity({
      label: 'Software licence, a year',
      unit: 'money',
      min: 0,
      max: 100_000,
      fallback: 0,
      description: 'The same, where it is paid by the year; in advance.',
    }),
    warrantyMonths: quantity({
      label: 'Warranty of drives',
      unit: 'months',
      min: 0,
      max: 180,
      whole: true,
      fallback: 24,
      description:
        'A drive that fails before is replaced for nothing. A replacement has no warranty ' +
        'of its own.',
    }),
    upsBatteryPrice: quantity({
      label: 'Battery of the UPS',
      unit: 'money',
      min: 0,
      max: 10_000,
      fallback: 35,
      description: 'Every four years, where the plan has a UPS.',
    }),
    upsMinutes: quantity({
      label: 'UPS holds for',
      unit: 'min',
      min: 1,
      max: 600,
      fallback: 10,
      description: 'Minutes from the failure to the end of a clean shutdown.',
    }),
    resaleShare: quantity({
      label: 'Brings when sold',
      unit: 'share',
      min: 0,
      max: 1,
      fallback: 0,
      description: 'At the horizon, as a share of what was paid for machine and drives.',
    }),
    buildHours: optionalQuantity({
      label: 'Own hours to build',
      unit: 'h',
      min: 0,
      max: 1000,
      description:
        'Choosing, building, setting up. If this is empty, those of its kind: a sealed machine ' +
        'takes 10, an office or mini PC 12, one built from parts 18, a used rack server 20.',
    }),
    upkeepHoursPerYear: optionalQuantity({
      label: 'Own hours of upkeep',
      unit: 'h/year',
      min: 0,
      max: 2000,
      description: 'If this is empty, those of the kind of system.',
    }),
    hourValue: quantity({
      label: 'An hour of yours',
      unit: 'money',
      min: 0,
      max: 10_000,
      fallback: 0,
      description: 'What your own time is worth to you. Enter 0 to leave it out.',
    }),
    savedPerMonth: quantity({
      label: 'Subscriptions cancelled',
      unit: 'money/month',
      min: 0,
      max: 10_000,
      fallback: 0,
      description: 'What you no longer pay to streaming services.',
    }),
    grid: choice({
      label: 'How electricity is made',
      fallback: 'mixed',
      options: Object.fromEntries(
        Object.entries(gridKinds).map(([id, { label }]) => [id, label]),
      ) as Record<keyof typeof gridKinds, string>,
      description: 'Sets the carbon of a kilowatt-hour.',
    }),
    gridKgPerKWh: optionalQuantity({
      label: 'Carbon of a kilowatt-hour',
      unit: 'kg/kWh',
      min: 0,
      max: 3,
      description: 'If this is empty, the usual figure of how it is made.',
    }),
    cloudSteps: listOf(cloudStepSchema, {
      label: 'Steps of a cloud store',
      max: maxCloudSteps,
      description: 'Sizes with their price a month. If there are none, planning values are used.',
    }),
    cloudEgressPerTB: quantity({
      label: 'Leaving the store',
      unit: 'money/TB',
      min: 0,
      max: 10_000,
      fallback: 0,
      description: 'What the store charges for a terabyte that is taken out, once, when you leave.',
    }),
    cloudRisePerYear: quantity({
      label: 'The store gets dearer by',
      unit: 'share',
      min: -0.5,
      max: 1,
      fallback: 0,
      description: 'A year, from the second year on.',
    }),
  },
  { label: 'Costs', description: 'Prices that belong to no single part.' },
)

export type Costs = z.infer<typeof costsSchema>
