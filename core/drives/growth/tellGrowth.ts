import { counted } from '../../units/counted'
import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import { chosen, constant, quoted, sum, workedOut, type Input } from '../../expressions/expression'
import type { Figure } from '../../figure'
import type { Format } from '../../units/format'
import type { BiggerBox } from './biggerBox'
import { priceSum, type PricedPurchase } from './growthQuestion'
import type { PlanGrowth } from './planGrowth'
import { purchaseText } from './purchaseText'
import type { RoomCourse } from './roomCourse'

const inputs: readonly Input[] = [
  'drives.purchases',
  'drives.lots',
  'drives.driveClass',
  'drives.priceFallPerYear',
  'drives.replacedWorth',
  { figure: 'library.contentAtHorizonTB' },
  'choices.horizonYears',
]

/** A price of a sum, with what is bought for it. */
const priced = (price: number, what: string) =>
  constant(price, 'money', { after: `for ${quoted(what)}` })

/** What purchases cost, with how each price comes about. */
function costFigure(
  parts: { readonly id: string; readonly label: string },
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
  const { share, number: n } = format
  const nothing = workedOut(0, 'money', { inputs, says: 'Nothing has to be bought.' })
  const moves =
    fallPerYear === 0
      ? ''
      : `: they ${fallPerYear > 0 ? 'fall' : 'rise'} by ${share(Math.abs(fallPerYear))} a year`
  return declareFigure(
    () =>
      purchases.length === 0
        ? nothing
        : chosen(
            inputs,
            sum(...purchases.map(step => priced(step.price, purchaseText(step, format)))),
          ),
    {
      ...parts,
      unit: 'money',
      source: `Prices of the catalogue today × (1 − ${n(fallPerYear)})^(month ÷ 12)` + `${moves}.`,
    },
    format,
  )
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
      ? costFigure({ id, label }, { purchases, fallPerYear, format })
      : absentFigure('No purchases within the bays and by the rule of the layout are enough.', {
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
  } as const
  const by: readonly Input[] = [...inputs, 'machine.base']
  if (!bigger)
    return absentFigure(
      'The bays that are there are enough, or no machine of the catalogue has enough.',
      { ...parts, inputs: by, formula: '–' },
    )
  const { quantity, hours } = format
  const { first, month, base, count, sizeTB, drivesPrice, copyHours } = bigger
  return declareFigure(
    () =>
      chosen(
        by,
        sum(
          ...first.map(step => priced(step.price, purchaseText(step, format))),
          priced(base.price, `${base.label} in month ${month}`),
          priced(drivesPrice, `${count} × ${quantity(sizeTB, 'TB')} for it`),
        ),
      ),
    {
      ...parts,
      note: `Copying everything takes about ${hours(copyHours)}, with both machines running.`,
    },
    format,
  )
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
        `${counted(horizonYears, 'year')}.`
      : `${planned ? 'Even with the planned purchases the' : 'The'} room is full ` +
        `${course.monthFull === 0 ? 'today' : `in month ${course.monthFull}`}.`
  if (!growth) return now
  const { atLeast } = growth
  if (!growth.cheapest && atLeast !== null)
    return (
      `${now} With so many bays no purchases that are enough were found; they would cost at ` +
      `least ${money(atLeast)}.`
    )
  if (!growth.cheapest)
    return (
      `${now} No purchases within the bays are enough: a machine with more bays, or another ` +
      'layout, is needed.'
    )
  if (growth.cheapest.length === 0)
    return planned ? `${now} They are not needed: what is there lasts.` : now
  const total = priceSum(growth.cheapest)
  if (course.monthFull === null && course.total <= total + 0.005)
    return atLeast === null
      ? `${now} They cost ${money(course.total)}; nothing cheaper is enough.`
      : `${now} They cost ${money(course.total)}; nothing below ${money(atLeast)} is enough.`
  const [first] = growth.cheapest
  return (
    `${now} ${atLeast === null ? 'The cheapest way through costs' : 'The cheapest way that was found costs'} ` +
    `${money(total)}${atLeast === null ? '' : ` (none costs less than ${money(atLeast)})`}: ` +
    `${growth.cheapest.length === 1 ? purchaseText(first!, format) : `first ${purchaseText(first!, format)}`}${growth.cheapest.length === 1 ? '' : `, then ${growth.cheapest.length - 1} more ` + `${growth.cheapest.length === 2 ? 'step' : 'steps'}`}.`
  )
}
