import type { HoldingKindId } from '../catalogue/holdingKinds'
import { exactly, type Estimate } from '../figure'
import type { Library } from '../plan/library'
import { monthsBetween, monthsPerYear } from '../units/time'
import type { HoldingSize } from './holdingSizes'

/** Longest forecast, in months. */
export const longestForecastMonths = 180

/** Content month by month from now (index 0) on. */
export interface Forecast {
  readonly months: readonly Estimate[]
  /**
   * likely content of each kind that is kept, month by month, TB; dated events stand with 'other'
   */
  readonly kinds: ReadonlyMap<HoldingKindId | 'other', Float64Array>
}

/**
 * What the monthly additions are multiplied by in a month: constant within twelve months, × (1 +
 * change) at months 13, 25 ….
 */
export function additionsFactor(month: number, changePerYear: number): number {
  return (1 + changePerYear) ** Math.floor((month - 1) / monthsPerYear)
}

/**
 * One holding month by month, per unit of its amount; additions and growth of its own are scaled by
 * the growth band.
 */
function course(
  {
    todayTB,
    addedTB,
    removedTB,
    changePerYear,
    growthPerYear,
  }: Pick<HoldingSize, 'todayTB' | 'addedTB' | 'removedTB' | 'changePerYear' | 'growthPerYear'>,
  growth: number,
  months: number,
): Float64Array {
  const content = new Float64Array(months + 1)
  const grows = (1 + Math.max(-0.999, growthPerYear * growth)) ** (1 / monthsPerYear)
  content[0] = todayTB
  let added = 0
  for (let month = 1; month <= months; month++) {
    // The factor changes once a year.
    if ((month - 1) % monthsPerYear === 0)
      added = growth * addedTB * additionsFactor(month, changePerYear)
    content[month] = Math.max(0, content[month - 1]! * grows + added - removedTB)
  }
  return content
}

/** Adds a holding whose additions and growth of its own are so many times what is likely. */
function addGrown(
  sum: Float64Array,
  size: HoldingSize,
  { likely, growth }: { readonly likely: Float64Array; readonly growth: number },
): void {
  const { likely: each } = size.amount
  const isStill = size.addedTB === 0 && size.growthPerYear === 0
  // What neither grows by itself nor loses titles is linear in its additions.
  if (!isStill && size.growthPerYear === 0 && size.removedTB === 0 && size.addedTB >= 0) {
    const { todayTB } = size
    for (let month = 0; month < sum.length; month++)
      sum[month]! += each * (todayTB + growth * (likely[month]! - todayTB))
    return
  }
  const content = isStill ? likely : course(size, growth, sum.length - 1)
  for (let month = 0; month < sum.length; month++) sum[month]! += each * content[month]!
}

/** TB of the dated events that have happened by each month. */
function eventsTB(library: Library, months: number): Float64Array {
  const sum = new Float64Array(months + 1)
  for (const event of library.events) {
    const at = Math.max(0, monthsBetween(library.startsOn, event.month))
    for (let month = at; month <= months; month++) sum[month]! += event.sizeGB / 1000
  }
  return sum
}

/**
 * Content of the library month by month, with its band: the usual sizes' ranges (unless a holding
 * gives its own)
 * and the growth band together, by the root of the sum of squares of their swings. Content is
 * linear in each amount, so
 * those swings are written out here. Events are taken as they are entered.
 * @param sizes of its holdings
 * @param months how far to look, whole, 0..180
 */
export function forecastLibrary(
  library: Library,
  sizes: readonly HoldingSize[],
  months: number,
): Forecast {
  const other: HoldingSize = {
    index: -1,
    name: 'other',
    kind: 'documents',
    sized: 'given',
    amount: exactly(1),
    usualOf: null,
    todayTB: library.otherTB,
    addedTB: library.otherGrowthGBPerMonth / 1000,
    removedTB: 0,
    changePerYear: library.additionsChangePerYear,
    growthPerYear: 0,
  }
  const kinds = new Map<HoldingKindId | 'other', Float64Array>()
  const events = eventsTB(library, months)
  const [likely, slow, fast] = [events.slice(), events.slice(), events.slice()]
  const byAmount = new Map<string, { amount: Estimate; units: Float64Array }>()
  for (const size of [...sizes, other]) {
    const course1 = course(size, 1, months)
    const swing =
      size.usualOf === null
        ? null
        : (byAmount.get(size.usualOf) ?? {
            amount: size.amount,
            units: new Float64Array(months + 1),
          })
    if (size.usualOf !== null) byAmount.set(size.usualOf, swing!)
    const { likely: each } = size.amount
    const kind = size.index < 0 ? 'other' : size.kind
    const ofKind = kinds.get(kind) ?? new Float64Array(months + 1)
    kinds.set(kind, ofKind)
    for (let month = 0; month <= months; month++) {
      const tb = each * course1[month]!
      likely[month]! += tb
      ofKind[month]! += tb
    }
    addGrown(slow, size, { likely: course1, growth: library.growthLowFactor })
    addGrown(fast, size, { likely: course1, growth: library.growthHighFactor })
    if (swing) for (let month = 0; month <= months; month++) swing.units[month]! += course1[month]!
  }
  for (let month = 0; month <= months; month++) kinds.get('other')![month]! += events[month]!
  return {
    kinds,
    months: Array.from(likely, (sum, month) => {
      let down = Math.max(0, sum - slow[month]!) ** 2
      let up = Math.max(0, fast[month]! - sum) ** 2
      for (const { amount, units } of byAmount.values()) {
        down += ((amount.likely - amount.low) * units[month]!) ** 2
        up += ((amount.high - amount.likely) * units[month]!) ** 2
      }
      const content = Math.max(0, sum)
      return {
        low: Math.max(0, content - Math.sqrt(down)),
        likely: content,
        high: content + Math.sqrt(up),
      }
    }),
  }
}
