import { mapEstimate } from '../band'
import type { Telling } from '../domain'
import { exactly, figure, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { Format } from '../units/format'
import { kWhPerWattYear } from '../units/time'
import { headroomShare, type Verdict } from '../verdict'
import type { OwnershipFacts, OwnershipSlice } from './ownershipFacts'

/** Costs in words. */
export function tellOwnership(
  facts: OwnershipFacts,
  slice: OwnershipSlice,
  format: Format,
): Telling {
  return {
    figures: [purchaseFigure(facts, slice, format), ...electricityFigures(facts, slice, format)],
    verdicts: [moneyVerdict(facts, slice, format)],
    findings: moneyFindings(facts, format),
  }
}

const names = (lines: readonly { readonly label: string }[]) =>
  lines.map(line => line.label).join(', ')

function purchaseFigure(
  { machineToPay, drivesToPay, toPay, unpriced, usual }: OwnershipFacts,
  { extras }: OwnershipSlice,
  { money }: Format,
): Figure {
  const notes = [
    ...(unpriced.length
      ? [`Not in the sum, because no price is entered: ${names(unpriced)}.`]
      : []),
    ...(usual.length ? [`Usual prices are used where none is entered: ${names(usual)}.`] : []),
  ]
  return figure(toPay, {
    id: 'ownership.purchase',
    label: 'To pay now',
    unit: 'money',
    inputs: [
      'machine.price',
      'machine.condition',
      'machine.parts',
      'machine.base',
      'drives.lots',
      'drives.driveClass',
      'costs.extras',
    ],
    formula:
      `machine ${money(machineToPay)} + drives ${money(drivesToPay)} + extras ` +
      `${money(extras)} = ${money(toPay)}`,
    ...(notes.length ? { note: notes.join(' ') } : {}),
  })
}

function electricityFigures(
  { kWhPerYear: kWh, electricityPerYear: electricity }: OwnershipFacts,
  { states, pricePerKWh, horizonYears }: OwnershipSlice,
  { number: n, money }: Format,
): Figure[] {
  const day = states
    .map(({ watts, hoursPerDay }) => `${n(watts.likely, 3)} W × ${n(hoursPerDay)} h`)
    .join(' + ')
  return [
    figure(kWh, {
      id: 'ownership.kWhPerYear',
      label: 'Electricity used in a year',
      unit: 'kWh',
      inputs: ['machine.idleW', 'machine.loadW', 'choices.convertingHoursPerDay'],
      formula: `(${day}) ÷ 24 h × ${n(kWhPerWattYear)} = ${n(kWh.likely, 3)} kWh`,
      note: 'Idle hours first, then hours converting.',
    }),
    figure(electricity, {
      id: 'ownership.electricityPerYear',
      label: 'Electricity in a year',
      unit: 'money',
      inputs: ['ownership.kWhPerYear', 'costs.pricePerKWh'],
      formula: `${n(kWh.likely, 3)} kWh × ${n(pricePerKWh)} = ${money(electricity.likely)}`,
    }),
    figure(
      mapEstimate(electricity, value => value * horizonYears),
      {
        id: 'ownership.electricityAtHorizon',
        label: `Electricity in ${horizonYears} years`,
        unit: 'money',
        inputs: ['ownership.electricityPerYear', 'choices.horizonYears'],
        formula:
          `${money(electricity.likely)} a year × ${horizonYears} = ` +
          `${money(electricity.likely * horizonYears)}`,
        note: "At today's price, every year alike.",
      },
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
    label: 'Money',
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
