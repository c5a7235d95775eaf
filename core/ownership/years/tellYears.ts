import { nothingToTell, type Telling } from '../../domain'
import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  chosen,
  quotient,
  sum,
  thatFigure,
  toTheCent,
  workedOut,
  type Input,
} from '../../expressions/expression'
import type { Figure } from '../../figure'
import type { Format } from '../../units/format'
import {
  kWhPerWattMonth,
  cashKinds,
  type CashKind,
  type CashFlow,
  type CashQuestion,
} from '../cashFlow'
import { energyPrice } from '../../expressions/inputs/energyInputs'
import type { YearsFacts, YearsSlice } from './yearsQuestion'

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

const purchase: readonly Input[] = [{ figure: 'ownership.purchase' }]
const copies: readonly Input[] = [
  'drives.awayCopy',
  'drives.offlineCopy',
  'drives.secondBox',
  'drives.secondBoxW',
  'drives.secondBoxEveryDays',
  'drives.secondBoxKept',
  'drives.offlineEveryDays',
  'drives.offlineKept',
  'drives.offlineMediumTB',
  'drives.offlineSets',
  'drives.awayBy',
  'drives.awayEveryDays',
  'drives.awayKept',
  'drives.awayMediumTB',
  'drives.awayMediaThere',
  'drives.awaySets',
  'drives.copiesWithVersions',
  'drives.copyPricePerTB',
  'drives.storePricePerTBMonth',
  'drives.changedGBPerMonth',
  'drives.arrivals',
  'library.holdings',
  'library.otherTB',
  'library.otherGrowthGBPerMonth',
  ...energyPrice,
]
/** What each kind of payment follows from. */
const inputs: Readonly<Record<CashKind, readonly Input[]>> = {
  purchase,
  stagedDrives: ['drives.purchases', 'drives.driveClass', 'drives.lots', 'drives.priceFallPerYear'],
  electricity: [
    { figure: 'machine.idleW' },
    { figure: 'machine.loadW' },
    { figure: 'ownership.kWhPerYear' },
    'costs.electricityRisePerYear',
    ...energyPrice,
  ],
  replacements: [
    'drives.lots',
    'drives.driveClass',
    'drives.purchases',
    'drives.failuresPerYear',
    'drives.priceFallPerYear',
    'drives.ageYears',
    'drives.above45C',
    'drives.unmounted',
    'costs.warrantyMonths',
  ],
  licences: [
    'system.kind',
    'system.ownKinds',
    'machine.base',
    'machine.parts',
    'machine.ownParts',
    'drives.lots',
    'costs.licenceOnce',
    'costs.licencePerYear',
    'system.services',
  ],
  copies,
  upsBattery: ['machine.parts', 'costs.upsBatteryPrice'],
  ownTime: [
    'costs.buildHours',
    'costs.upkeepHoursPerYear',
    'system.kind',
    'system.ownKinds',
    'machine.base',
    'machine.parts',
    'machine.ownParts',
    'costs.hourValue',
  ],
  saved: ['costs.savedPerMonth'],
  resale: ['costs.resaleShare', ...purchase],
}

/** How a kind of payment adds up, in words: each is rounded, so no product gives the sum. */
function saysOf(
  kind: CashKind,
  { flow, question }: { readonly flow: CashFlow; readonly question: CashQuestion },
  { money, number: n, quantity }: Format,
): string {
  const sumOfIt = money(flow.byKind[kind])
  switch (kind) {
    case 'electricity': {
      const rise =
        question.electricityRisePerYear === 0
          ? ''
          : `, ${n(question.electricityRisePerYear * 100)} % more each year`
      return (
        `${question.months} monthly payments for ${quantity(question.averageW, 'W')} on ` +
        `average (${n(kWhPerWattMonth)} kWh a month for each watt) at ${n(question.pricePerKWh, 3)} for ` +
        `a kWh${rise}: ${sumOfIt}`
      )
    }
    case 'replacements':
      return (
        'each month the drives that fail on average, at their price then, once the warranty of ' +
        `each lot is over, to month ${question.months}: ${sumOfIt}`
      )
    case 'ownTime':
      return (
        `${n(question.buildHours)} h to build and ${n(question.upkeepHoursPerYear)} h a year, ` +
        `at ${money(question.hourValue)} an hour: ${sumOfIt}`
      )
    default:
      return `sum of its payments: ${sumOfIt}`
  }
}

/** Id of the figure of one kind of payment to the horizon. */
export function horizonFigure(kind: CashKind): `ownership.horizon${Capitalize<CashKind>}` {
  return `ownership.horizon${(kind.charAt(0).toUpperCase() + kind.slice(1)) as Capitalize<CashKind>}`
}

/** The years in words. */
export const tellYears = (facts: YearsFacts, slice: YearsSlice, format: Format): Telling => ({
  ...nothingToTell(),
  figures: () => yearsFigures(facts, slice, format),
})

function yearsFigures(facts: YearsFacts, { horizonYears }: YearsSlice, format: Format): Figure[] {
  const { flow, question } = facts
  const span = `${horizonYears} year${horizonYears === 1 ? '' : 's'}`
  const byKind = cashKinds.map(kind =>
    declareFigure(
      () =>
        workedOut(flow.byKind[kind], 'money', {
          inputs: [...inputs[kind], 'choices.horizonYears'],
          says: saysOf(kind, facts, format),
        }),
      { id: horizonFigure(kind), label: `${cashLabels[kind]}, ${span}`, unit: 'money' },
      format,
    ),
  )
  const total = declareFigure(
    () =>
      toTheCent(
        chosen(
          byKind.map(({ id }) => ({ figure: id })),
          sum(
            ...byKind.flatMap((figure, at) =>
              figure.value === 0
                ? []
                : [
                    thatFigure(figure, 'money', {
                      before: cashLabels[cashKinds[at]!].toLowerCase(),
                    }),
                  ],
            ),
          ),
        ),
      ),
    {
      id: 'ownership.horizonTotal',
      label: `Cost over ${span}`,
      unit: 'money',
      note: 'Every payment is rounded to the cent, and the total is their sum.',
    },
    format,
  )
  const figures: Figure[] = [
    ...byKind,
    total,
    declareFigure(
      () =>
        toTheCent(
          quotient(
            thatFigure(total, 'money'),
            workedOut(question.months, 'factor', {
              inputs: ['choices.horizonYears'],
              after: 'months',
            }),
          ),
        ),
      { id: 'ownership.costPerMonth', label: 'Cost a month', unit: 'money' },
      format,
    ),
    declareFigure(
      () =>
        workedOut(flow.netPresentValue, 'money', {
          inputs: [{ figure: 'ownership.horizonTotal' }, 'costs.discountRate'],
          says:
            'each payment, divided by 1 plus the rate of ' +
            `${format.number(question.discountRate)} once for every year until then: ` +
            format.money(flow.netPresentValue),
        }),
      { id: 'ownership.netPresentValue', label: 'Present value', unit: 'money' },
      format,
    ),
    ...besideFigures(facts, { total, span }, format),
  ]
  return figures
}

/** What is held beside the money: another way, another machine, and carbon. */
function besideFigures(
  { carbonKg, cloudCrossesMonth }: YearsFacts,
  { total, span }: { readonly total: Figure; readonly span: string },
  format: Format,
): Figure[] {
  const cloud = {
    id: 'ownership.cloudCrossingMonths',
    label: 'A cloud store has cost as much in month',
    unit: 'month',
  } as const
  const cloudInputs: readonly Input[] = [
    { figure: total.id },
    'costs.cloudSteps',
    'costs.cloudEgressPerTB',
    'costs.cloudRisePerYear',
    { figure: 'library.contentTB' },
    { figure: 'library.contentAtHorizonTB' },
  ]
  return [
    cloudCrossesMonth === null
      ? absentFigure(
          `A store costs less than this plan through all of ${span}, or has no step for the library.`,
          { ...cloud, inputs: cloudInputs, formula: 'first month with store ≥ own' },
        )
      : declareFigure(
          () =>
            workedOut(cloudCrossesMonth, 'month', {
              inputs: cloudInputs,
              says: `the first month in which a store has cost as much: ${cloudCrossesMonth}`,
            }),
          cloud,
          format,
        ),
    declareFigure(
      () =>
        workedOut(carbonKg, 'kg', {
          inputs: [
            'costs.grid',
            'costs.gridKgPerKWh',
            'choices.horizonYears',
            'machine.base',
            'machine.condition',
            'machine.parts',
            'drives.lots',
            'drives.driveClass',
            { figure: 'ownership.kWhPerYear' },
          ],
          says: `what is made new, and the electricity of ${span}: ${format.number(carbonKg.likely, 3)} kg`,
        }),
      {
        id: 'ownership.carbonAtHorizonKg',
        label: `Carbon over ${span}`,
        unit: 'kg',
        note: 'What is owned or bought used was made for somebody else.',
      },
      format,
    ),
    absentFigure('It compares two plans: see Old or new under Ownership.', {
      id: 'ownership.breakEvenYears',
      label: 'Break-even against another machine',
      unit: 'years',
      inputs: [{ figure: 'ownership.purchase' }, { figure: 'ownership.kWhPerYear' }],
      formula: 'extra price ÷ electricity saved a year',
    }),
  ]
}
