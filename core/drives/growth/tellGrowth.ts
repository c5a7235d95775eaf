import { figure, noFigure, type Figure } from '../../figure'
import type { Format } from '../../units/format'
import type { BiggerBox } from './biggerBox'
import type { PricedPurchase } from './cheapestPurchases'
import type { PlanGrowth } from './planGrowth'
import type { RoomCourse } from './roomCourse'

const inputs = [
  'drives.purchases',
  'drives.lots',
  'drives.driveClass',
  'drives.priceFallPerYear',
  'drives.replacedWorth',
  'library.contentAtHorizonTB',
  'choices.horizonYears',
]

/** 'One more drive of 12 TB in month 31'. */
export function purchaseText(
  { month, count, sizeTB, how }: Pick<PricedPurchase, 'month' | 'count' | 'sizeTB' | 'how'>,
  { quantity }: Pick<Format, 'quantity'>,
): string {
  const drives = `${count} × ${quantity(sizeTB, 'TB')}`
  const where = {
    added: '',
    newGroup: ' as a new group',
    smallest: count === 1 ? ' in place of the smallest' : ' in place of the smallest ones',
    allSmaller: ' in place of all smaller ones',
  }[how]
  return `${drives}${where} ${month === 0 ? 'today' : `in month ${month}`}`
}

/** What purchases cost, with how each price comes about. */
function costFigure(
  id: string,
  label: string,
  {
    purchases,
    fallPerYear,
    format,
  }: {
    readonly purchases: readonly PricedPurchase[]
    readonly fallPerYear: number
    readonly format: Format
  },
): Figure {
  const { money, share, number: n } = format
  const total = purchases.reduce((sum, { price }) => sum + price, 0)
  return figure(total, {
    id,
    label,
    unit: 'money',
    inputs,
    formula:
      purchases
        .map(purchase => `${purchaseText(purchase, format)}: ${money(purchase.price)}`)
        .join('; ') || 'nothing has to be bought',
    source:
      `Prices of the catalogue today × (1 − ${n(fallPerYear)})^(month ÷ ` +
      `12)${fallPerYear === 0 ? '' : `: they ${fallPerYear > 0 ? 'fall' : 'rise'} by ${share(Math.abs(fallPerYear))} a ` + 'year'}.`,
  })
}

/** The ways to grow as figures that show their working. */
export function growthFigures({
  course,
  growth,
  fallPerYear,
  format,
}: {
  readonly course: RoomCourse
  readonly growth: PlanGrowth | null
  readonly fallPerYear: number
  readonly format: Format
}): Figure[] {
  const of = (id: string, label: string, purchases: readonly PricedPurchase[] | null) =>
    purchases
      ? costFigure(id, label, { purchases, fallPerYear, format })
      : noFigure('No purchases within the bays and by the rule of the layout are enough.', {
          id,
          label,
          unit: 'money',
          inputs,
          formula: '–',
        })
  return [
    of('growth.planned', 'As planned', course.purchases),
    ...(growth
      ? [
          of('growth.cheapest', 'Cheapest', growth.cheapest),
          of('growth.now', 'Everything today', growth.now),
          biggerFigure(growth.biggerBox, format),
        ]
      : []),
  ]
}

function biggerFigure(bigger: BiggerBox | null, format: Format): Figure {
  const parts = {
    id: 'growth.biggerBox',
    label: 'A bigger machine later',
    unit: 'money',
    inputs: [...inputs, 'machine.base'],
  }
  if (!bigger)
    return noFigure(
      'The bays that are there are enough, or no machine of the catalogue has enough.',
      { ...parts, formula: '–' },
    )
  const { money, quantity, hours } = format
  const { first, month, base, count, sizeTB, drivesPrice, total, copyHours } = bigger
  return figure(total, {
    ...parts,
    formula: [
      ...first.map(purchase => `${purchaseText(purchase, format)}: ${money(purchase.price)}`),
      `${base.label} in month ${month}: ${money(base.price)}`,
      `${count} × ${quantity(sizeTB, 'TB')} for it: ${money(drivesPrice)}`,
    ].join('; '),
    note: `Copying everything takes about ${hours(copyHours)}, with both machines running.`,
  })
}

/** What growing comes to, in a sentence. */
export function growthSentence({
  course,
  growth,
  horizonYears,
  format,
}: {
  readonly course: RoomCourse
  readonly growth: PlanGrowth | null
  readonly horizonYears: number
  readonly format: Format
}): string {
  const { money } = format
  const planned = course.purchases.length > 0
  const now =
    course.monthFull === null
      ? `${planned ? 'With the planned purchases the' : 'The'} room lasts the ` +
        `${horizonYears} years.`
      : `${planned ? 'Even with the planned purchases the' : 'The'} room is full ` +
        `${course.monthFull === 0 ? 'today' : `in month ${course.monthFull}`}.`
  if (!growth) return now
  if (!growth.cheapest)
    return (
      `${now} No purchases within the bays are enough: a machine with more bays, or another ` +
      'layout, is needed.'
    )
  if (growth.cheapest.length === 0)
    return planned ? `${now} They are not needed: what is there lasts.` : now
  const total = growth.cheapest.reduce((sum, { price }) => sum + price, 0)
  if (course.monthFull === null && course.total <= total + 0.005)
    return `${now} They cost ${money(course.total)}; nothing cheaper is enough.`
  const [first] = growth.cheapest
  return (
    `${now} The cheapest way through costs ${money(total)}: ` +
    `${growth.cheapest.length === 1 ? purchaseText(first!, format) : `first ${purchaseText(first!, format)}`}${growth.cheapest.length === 1 ? '' : `, then ${growth.cheapest.length - 1} more ` + `${growth.cheapest.length === 2 ? 'step' : 'steps'}`}.`
  )
}
