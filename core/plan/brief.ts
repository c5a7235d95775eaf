import type { z } from 'zod'
import { choice, numberChoice, optionalQuantity, quantity, section, text, toggle } from './fields'

export const briefSchema = section(
  {
    who: text({
      label: 'Who it serves',
      max: 500,
      description: 'The people and the purpose, in your own words.',
    }),
    place: choice({
      label: 'Where it stands',
      fallback: 'notSaid',
      description:
        'The place decides how much noise, heat and size are acceptable. Until it is said, ' +
        'figures count with a cupboard, and nothing is judged by them.',
      options: {
        notSaid: 'Not said yet',
        livingRoom: 'Living room',
        bedroom: 'Bedroom',
        study: 'Study',
        office: 'Office',
        cupboard: 'Cupboard',
        cellar: 'Cellar',
        loft: 'Loft',
        workshop: 'Workshop',
      },
    }),
    opensTo: choice({
      label: 'The cupboard opens to',
      fallback: 'livingRoom',
      description: 'Whoever sits in this room hears the machine.',
      options: {
        livingRoom: 'Living room',
        bedroom: 'Bedroom',
        study: 'Study',
        office: 'Office',
        cellar: 'Cellar',
        loft: 'Loft',
        workshop: 'Workshop',
      },
    }),
    earDistanceM: quantity({
      label: 'Distance to the ear',
      unit: 'm',
      min: 0.2,
      max: 50,
      fallback: 2,
      description: 'From the machine to where somebody sits or sleeps.',
    }),
    roomLowC: quantity({
      label: 'Coldest there',
      unit: '°C',
      min: -30,
      max: 60,
      fallback: 16,
      description: 'The lowest temperature of the room in a year.',
    }),
    roomHighC: quantity({
      label: 'Warmest there',
      unit: '°C',
      min: -30,
      max: 60,
      fallback: 28,
      description: 'The highest temperature of the room in a year, without the machine.',
    }),
    cupboardM2: quantity({
      label: 'Walls of the cupboard',
      unit: 'm²',
      min: 0.2,
      max: 50,
      fallback: 1.8,
      description: 'All panels together through which its heat can leave.',
    }),
    cupboardVented: toggle({
      label: 'The cupboard is vented',
      fallback: false,
      description: 'Openings below and above halve how warm it gets.',
    }),
    ventsMayBeMade: toggle({
      label: 'Vents may be made in it',
      fallback: false,
      description:
        'Answers about what to buy may count on openings in the cupboard, below and above, where ' +
        'the drives would get too warm without.',
    }),
    shelfWidthMm: optionalQuantity({
      label: 'Room in width',
      unit: 'mm',
      min: 10,
      max: 5000,
      description: 'Of the shelf or niche. If this is empty, there is room enough.',
    }),
    shelfHeightMm: optionalQuantity({
      label: 'Room in height',
      unit: 'mm',
      min: 10,
      max: 5000,
      description: 'Of the shelf or niche. If this is empty, there is room enough.',
    }),
    shelfDepthMm: optionalQuantity({
      label: 'Room in depth',
      unit: 'mm',
      min: 10,
      max: 5000,
      description:
        'Of the shelf or niche, plugs at the back included. If this is empty, there is room ' +
        'enough.',
    }),
    anotherHome: toggle({
      label: 'Stands in another home',
      fallback: false,
      description: 'Nobody who looks after it lives there; it is set up and cared for from afar.',
    }),
    damp: toggle({
      label: 'Damp there',
      fallback: false,
      description: 'Over 80 % of humidity at times.',
    }),
    dusty: toggle({
      label: 'Dusty there',
      fallback: false,
      description: 'Sawdust, flour, lint or pets.',
    }),
    mainsVolts: numberChoice({
      label: 'Mains',
      unit: 'V',
      values: [115, 230],
      fallback: 230,
      description: 'Power supplies lose a little less at 230 V.',
    }),
    currency: choice({
      label: 'Currency',
      fallback: 'EUR',
      description:
        'The currency of every price in this plan. Numeron does not exchange currencies.',
      options: {
        EUR: 'EUR',
        GBP: 'GBP',
        USD: 'USD',
        CHF: 'CHF',
        SEK: 'SEK',
        DKK: 'DKK',
        NOK: 'NOK',
        PLN: 'PLN',
        CAD: 'CAD',
        AUD: 'AUD',
        JPY: 'JPY',
        INR: 'INR',
      },
    }),
    budget: optionalQuantity({
      label: 'Budget',
      unit: 'money',
      min: 0,
      max: 1_000_000,
      description:
        'The most you can pay now for machine, drives and extras. Leave it empty if you do ' +
        'not know.',
    }),
  },
  { label: 'Brief', description: 'Why, for whom, where, and with how much money.' },
)

export type Brief = z.infer<typeof briefSchema>
