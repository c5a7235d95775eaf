import { counted } from '../units/counted'
import { headrooms } from '../headrooms'
import type { Telling } from '../domain'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  constant,
  field,
  figureOf,
  product,
  quotient,
  sum,
  thatFigure,
  toTheCent,
  workedOut,
} from '../expressions/expression'
import { exactly, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { kWhPerWattYear } from '../units/time'
import { headroomShare, type Verdict } from '../verdict'
import { energyPrice } from '../expressions/inputs/energyInputs'
import type { OwnershipFacts, OwnershipSlice } from './ownershipFacts'
import type { Input } from '../expressions/node'
import type { PowerStateId } from '../machine/machinePower'

/** Costs in words. */
export function tellOwnership(
  facts: OwnershipFacts,
  slice: OwnershipSlice,
  format: Format,
): Telling {
  return {
    figures: () => [
      purchaseFigure(facts, slice, format),
      usablePriceFigure(facts, slice, format),
      ...electricityFigures(facts, slice, format),
    ],
    verdicts: [moneyVerdict(facts, slice, format)],
    findings: moneyFindings(facts, format),
  }
}

const names = (lines: readonly { readonly label: string }[]) =>
  lines.map(line => line.label).join(', ')

function purchaseFigure(
  { machineToPay, drivesToPay, unpriced, usual }: OwnershipFacts,
  { extras }: OwnershipSlice,
  format: Format,
): Figure {
  const notes = [
    ...(unpriced.length
      ? [`Not in the sum, because no price is entered: ${names(unpriced)}.`]
      : []),
    ...(usual.length ? [`Usual prices are used where none is entered: ${names(usual)}.`] : []),
  ]
  const machine = workedOut(machineToPay, 'money', {
    before: 'machine',
    inputs: [
      'machine.price',
      'machine.condition',
      'machine.processor',
      'machine.parts',
      'machine.base',
    ],
  })
  const drives = workedOut(drivesToPay, 'money', {
    before: 'drives',
    inputs: ['drives.lots', 'drives.driveClass'],
  })
  return declareFigure(
    () =>
      toTheCent(
        sum(machine, drives, field('costs.extras', [extras, 'money'], { before: 'extras' })),
      ),
    {
      id: 'ownership.purchase',
      label: 'To pay now',
      unit: 'money',
      ...(notes.length ? { note: notes.join(' ') } : {}),
    },
    format,
  )
}

/** What a usable terabyte costs, as one chooses drives and layouts by it. */
function usablePriceFigure(
  { usable }: OwnershipFacts,
  { usableTB }: OwnershipSlice,
  format: Format,
): Figure {
  const parts = {
    id: 'ownership.pricePerUsableTB',
    label: 'A usable terabyte costs',
    unit: 'money/TB',
  } as const
  const lots: readonly Input[] = ['drives.lots', 'drives.driveClass']
  if (!usable)
    return absentFigure('There are no drives that make a pool.', {
      ...parts,
      inputs: [...lots, { figure: 'drives.usableTB' }],
      formula: '(drives + places) ÷ usable',
    })
  return declareFigure(
    () =>
      quotient(
        sum(
          workedOut(usable.drives, 'money', { before: 'drives', inputs: lots }),
          product(
            workedOut(usable.places, 'drives', { inputs: lots }),
            constant(usable.placePrice, 'money/drive', { after: 'for a bay and a port' }),
          ),
        ),
        figureOf('drives.usableTB', [usableTB, 'TB'], { after: 'usable' }),
      ),
    {
      ...parts,
      note:
        'Every drive counts as if it were bought, with a bay and a port as the cheapest ' +
        'enclosure sells them; one in a case of its own brings both.',
    },
    format,
  )
}

/** What decides how long a day is spent in which state. */
const dayInputs: readonly Input[] = [
  { figure: 'day.convertingHours' },
  { figure: 'household.watchedHours' },
  'choices.offHoursPerDay',
  'choices.asleepHoursPerDay',
]

function electricityFigures(
  { electricityPerYear }: OwnershipFacts,
  { watts, hours, pricePerKWh, horizonYears }: OwnershipSlice,
  format: Format,
): Figure[] {
  const inState = (id: PowerStateId, inputs: readonly Input[]) =>
    hours[id] > 0
      ? [
          product(
            workedOut(watts[id], 'W', { inputs }),
            workedOut(hours[id], 'h', { inputs: dayInputs }),
          ),
        ]
      : []
  const onDrives: readonly Input[] = [
    'machine.base',
    'machine.parts',
    'machine.boxIdleW',
    'brief.mainsVolts',
    'drives.lots',
    'drives.driveClass',
  ]
  const day = sum(
    product(
      figureOf('machine.idleW', [watts.idle, 'W']),
      workedOut(hours.idle, 'h', { inputs: dayInputs }),
    ),
    product(
      figureOf('machine.loadW', [watts.converting, 'W']),
      figureOf('day.convertingHours', [exactly(hours.converting), 'h']),
    ),
    ...(hours.watching > 0
      ? [
          product(
            figureOf('machine.watchingW', [watts.watching, 'W']),
            workedOut(hours.watching, 'h', { inputs: dayInputs }),
          ),
        ]
      : []),
    ...inState('asleep', onDrives),
    ...inState('off', ['choices.wakesOnCall']),
  )
  const kWh = declareFigure(
    () =>
      product(
        quotient(day, constant(24, 'h')),
        constant(kWhPerWattYear, 'kWh/W', { after: 'kWh for a watt', bare: true }),
      ),
    {
      id: 'ownership.kWhPerYear',
      label: 'Electricity used in a year',
      unit: 'kWh',
      note:
        'Hours idle, converting, watching, with drives asleep and off, each by its watts at the ' +
        'wall. The low ends of all watts go together, and the high ends: drives and machine are ' +
        'the same in every state.',
      // Drives turn in both states: the ends of both go together.
      band: 'together',
    },
    format,
  )
  const perYear = declareFigure(
    () =>
      product(thatFigure(kWh, 'kWh'), workedOut(pricePerKWh, 'money/kWh', { inputs: energyPrice })),
    {
      id: 'ownership.electricityPerYear',
      label: 'Electricity in a year',
      unit: 'money',
      band: electricityPerYear,
    },
    format,
  )
  return [
    kWh,
    perYear,
    declareFigure(
      () =>
        product(
          thatFigure(perYear, 'money/year', { after: 'a year' }),
          field('choices.horizonYears', [horizonYears, 'years']),
        ),
      {
        id: 'ownership.electricityAtHorizon',
        label: `Electricity in ${counted(horizonYears, 'year')}`,
        unit: 'money',
        note: "At today's price, every year alike.",
      },
      format,
    ),
  ]
}

function moneyVerdict(
  { toPay, left, state, unpriced }: OwnershipFacts,
  { budget }: OwnershipSlice,
  { money }: Format,
): Verdict {
  const asked = exactly(toPay)
  const possible = budget === null ? null : exactly(budget)
  const missing = unpriced.length ? ` The price of ${names(unpriced)} is still missing.` : ''
  const sentence =
    left === null
      ? `${money(toPay)} to pay now; enter a budget to see whether it is enough.`
      : left >= 0
        ? `${money(toPay)} to pay now; ${money(left)} of the budget ` +
          `${unpriced.length ? 'are left so far' : 'are left'}.`
        : `${money(toPay)} to pay now, ${money(-left)} over the budget.`
  return {
    id: 'money',
    label: headrooms.money.label,
    domain: 'ownership',
    unit: 'money',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state,
    sentence: sentence + missing,
    figures: ['ownership.purchase', 'ownership.electricityPerYear'],
  }
}

function moneyFindings({ left, unpriced }: OwnershipFacts, { money }: Format): Finding[] {
  return [
    ...(left !== null && left < 0
      ? [
          finding('warning', 'OVER_BUDGET', {
            sentence: `The plan costs ${money(-left)} more than the budget.`,
            from: ['brief.budget', 'ownership.purchase'],
            fixes: ['Compare the builds under Tiers, or buy part of the drives later.'],
          }),
        ]
      : []),
    ...unpriced.map(line =>
      finding('caution', 'PRICE_MISSING', {
        sentence: `${line.label}: no price is entered, so it is not in what is to pay now.`,
        from: [line.path],
        fixes: ['Enter its price, or say that you own it.'],
      }),
    ),
  ]
}
