import { nothingToTell, type Telling } from '../../domain'
import { figure, type Figure } from '../../figure'
import type { Format } from '../../units/format'
import { cashKinds, type CashKind, type CashFlow, type CashQuestion } from '../cashFlow'
import type { YearsSlice } from './yearsQuestion'

/** What each kind of payment is called. */
export const cashLabels: Readonly<Record<CashKind, string>> = {
  purchase: 'Bought now',
  stagedDrives: 'Drives bought later',
  electricity: 'Electricity',
  replacements: 'Failed drives replaced',
  licences: 'Licences',
  copies: 'Copies',
  upsBattery: 'Battery of the UPS',
  ownTime: 'Own time',
  saved: 'Subscriptions cancelled',
  resale: 'Sold at the end',
}

const inputs: Readonly<Record<CashKind, readonly string[]>> = {
  purchase: ['ownership.purchase'],
  stagedDrives: ['drives.purchases', 'drives.priceFallPerYear'],
  electricity: [
    'machine.idleW',
    'machine.loadW',
    'choices.convertingHoursPerDay',
    'costs.pricePerKWh',
    'costs.electricityRisePerYear',
    'costs.nightShare',
    'costs.solarShare',
  ],
  replacements: [
    'drives.lots',
    'drives.failuresPerYear',
    'drives.priceFallPerYear',
    'costs.warrantyMonths',
  ],
  licences: ['system.kind', 'costs.licenceOnce', 'costs.licencePerYear'],
  copies: ['drives.awayCopy', 'drives.offlineCopy', 'drives.secondBox'],
  upsBattery: ['drives.ups', 'costs.upsBatteryPrice'],
  ownTime: ['costs.buildHours', 'costs.upkeepHoursPerYear', 'costs.hourValue'],
  saved: ['costs.savedPerMonth'],
  resale: ['costs.resaleShare', 'ownership.purchase'],
}

function formulaOf(
  kind: CashKind,
  { flow, question }: { readonly flow: CashFlow; readonly question: CashQuestion },
  { money, number: n, quantity }: Format,
): string {
  const sum = money(flow.byKind[kind])
  switch (kind) {
    case 'electricity': {
      const rise =
        question.electricityRisePerYear === 0
          ? ''
          : `, ${n(question.electricityRisePerYear * 100)} % more each year`
      return (
        `${quantity(question.averageW, 'W')} on average × 0.7305 kWh × ` +
        `${n(question.pricePerKWh, 3)} a month, ${question.months} months${rise} = ${sum}`
      )
    }
    case 'replacements':
      return (
        `drives × failures a year ÷ 12 × price, in months ${question.warrantyMonths + 1} to ` +
        `${question.months}, when the warranty is over = ${sum}`
      )
    case 'ownTime':
      return (
        `${n(question.buildHours)} h to build + ${n(question.upkeepHoursPerYear)} h a year, ` +
        `at ${money(question.hourValue)} an hour = ${sum}`
      )
    default:
      return `sum of its payments = ${sum}`
  }
}

/** The years in words. */
export function tellYears(
  facts: { readonly flow: CashFlow; readonly question: CashQuestion },
  { horizonYears }: YearsSlice,
  format: Format,
): Telling {
  const { flow, question } = facts
  const { money } = format
  const shown = cashKinds.filter(kind => flow.byKind[kind] !== 0)
  const span = `${horizonYears} year${horizonYears === 1 ? '' : 's'}`
  const figures: Figure[] = [
    ...cashKinds.map(kind =>
      figure(flow.byKind[kind], {
        id: `years.${kind}`,
        label: `${cashLabels[kind]}, ${span}`,
        unit: 'money',
        inputs: [...inputs[kind], 'choices.horizonYears'],
        formula: formulaOf(kind, facts, format),
      }),
    ),
    figure(flow.total, {
      id: 'years.total',
      label: `Cost over ${span}`,
      unit: 'money',
      inputs: shown.map(kind => `years.${kind}`),
      formula:
        `${shown.map(kind => `${cashLabels[kind].toLowerCase()} ${money(flow.byKind[kind])}`).join(' + ')} ` +
        `= ${money(flow.total)}`,
      note: 'Every payment is rounded to the cent, and the total is their sum.',
    }),
    figure(flow.perMonth, {
      id: 'years.perMonth',
      label: 'Cost a month',
      unit: 'money',
      inputs: ['years.total', 'choices.horizonYears'],
      formula: `${money(flow.total)} ÷ ${question.months} months = ${money(flow.perMonth)}`,
    }),
    figure(flow.netPresentValue, {
      id: 'years.netPresentValue',
      label: 'Present value',
      unit: 'money',
      inputs: ['years.total', 'costs.discountRate'],
      formula:
        `each payment ÷ (1 + ${format.number(question.discountRate)})^(months ÷ 12) = ` +
        `${money(flow.netPresentValue)}`,
    }),
  ]
  return { ...nothingToTell(), figures }
}
