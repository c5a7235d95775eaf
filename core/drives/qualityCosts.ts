import type { Catalogue } from '../catalogue/catalogue'
import { holdingKind } from '../catalogue/holdingKinds'
import { forecastLibrary } from '../library/forecast'
import { holdingSizes } from '../library/holdingSizes'
import { onceByKey } from '../onceByKey'
import { maxDrives } from '../plan/constants'
import type { Drives } from '../plan/drives'
import type { Plan } from '../plan/planSchema'
import { kWhPerWattYear, monthsPerYear } from '../units/time'
import { arrangeDrives } from './arrangeDrives'
import { isRefusal } from './layouts/layout'
import { layoutOf } from './automaticLayout'
import { priceOfLot } from './drivePrices'
import { layouts } from './layouts/layouts'
import { driveTraits } from './driveTraits'
import { drivesOf, roomTB } from './poolOf'
import { survivesAsked, type AskedQuestion } from './survivesAsked'
import { averagePricePerKWh } from '../plan/energyPrice'

/** What else decides how many failed drives must be survived. */
export type AskedAround = Pick<
  AskedQuestion,
  'choices' | 'allMayBeLost' | 'copyMarks' | 'lineKeepsUp'
>

/** What keeping a holding in another quality comes to, against how it is kept now. */
export interface QualityCost {
  readonly quality: string
  readonly label: string
  /** TB more (or less) today and at the horizon */
  readonly todayTB: number
  readonly horizonTB: number
  /**
   * drives of the plan's largest size more (or fewer) to last to the horizon; null when no number
   * of them is enough
   */
  readonly drives: number | null
  /**
   * price of these drives and their electricity to the horizon, in the plan's currency; null where
   * drives is
   */
  readonly money: number | null
}

/**
 * Room for content with so many drives of the plan's largest size in the place of what is there.
 */
function roomOf(drives: Drives, count: number, survives: number): number {
  const each = drivesOf(ofLargest(drives, count))
  const layout = layouts.find(candidate => candidate.id === layoutOf(drives, each, survives))
  if (!layout) return 0
  const arranged = arrangeDrives(layout, each, drives.hotSpares)
  return isRefusal(arranged) ? 0 : roomTB(arranged.usableTB, drives)
}

/** A plan's drives, were they so many of its largest size. */
function ofLargest(drives: Drives, count: number): Drives {
  return { ...drives, lots: [{ ...largestLot(drives), count, role: 'any' }] }
}

function largestLot({ lots }: Drives): Drives['lots'][number] {
  return lots.reduce((most, lot) => (lot.sizeTB > most.sizeTB ? lot : most))
}

/**
 * Asks for the smallest number of drives whose room holds a content: what must survive follows from
 * them too. Null when the most a plan can hold do not.
 */
function drivesCounter(
  { drives, choices }: Pick<Plan, 'drives' | 'choices'>,
  catalogue: Catalogue,
  around: AskedAround,
): (contentTB: number) => number | null {
  const rooms = onceByKey<number>()
  const holds = (count: number, contentTB: number) => {
    const { layoutFor } = survivesAsked({
      ...around,
      survivesAtLeast: choices.survivesAtLeast,
      horizonYears: choices.horizonYears,
      drives: ofLargest(drives, count),
      catalogue,
      contentTB,
    })
    return rooms.get(`${count} ${layoutFor}`, () => roomOf(drives, count, layoutFor)) >= contentTB
  }
  return contentTB => {
    if (contentTB <= 0) return 0
    for (let count = 1; count <= maxDrives; count++) if (holds(count, contentTB)) return count
    return null
  }
}

/**
 * What every other quality would cost for one holding: terabytes, drives of the plan's largest size
 * in its layout, and
 * their price with electricity over the horizon. The present quality is among them, with nothing
 * more.
 * @returns empty for holdings whose size is given directly, or while the plan has no drives
 */
export function qualityCosts(
  { library, drives, costs, choices }: Plan,
  holdingIndex: number,
  { catalogue, ...around }: AskedAround & { readonly catalogue: Catalogue },
): QualityCost[] {
  const holding = library.holdings[holdingIndex]
  if (!holding || holding.sizeGB !== null || drives.lots.length === 0) return []
  const { sized } = holdingKind(holding.kind)
  const options =
    sized === 'video'
      ? catalogue.qualities
      : catalogue.otherQualities.filter(quality => quality.sized === sized)
  const horizon = choices.horizonYears * monthsPerYear
  const contentOf = (quality: string) => {
    // A bitrate of one's own belongs to the present quality; another comes with its usual one.
    const bitrateMbps = quality === holding.quality ? holding.bitrateMbps : null
    const changed = {
      ...library,
      holdings: library.holdings.with(holdingIndex, { ...holding, quality, bitrateMbps }),
    }
    const { months } = forecastLibrary(changed, holdingSizes(changed, catalogue), horizon)
    return { today: months[0]!.likely, horizon: months[horizon]!.likely }
  }
  const largest = largestLot(drives)
  const perDrive =
    priceOfLot({ ...largest, condition: 'new' }, drives, catalogue).each +
    driveTraits(largest, drives, catalogue).idleW.likely *
      kWhPerWattYear *
      averagePricePerKWh(costs) *
      choices.horizonYears
  const drivesFor = drivesCounter({ drives, choices }, catalogue, around)
  const now = contentOf(holding.quality)
  const drivesNow = drivesFor(now.horizon)
  return options.map(({ id, label }) => {
    const other = contentOf(id)
    const needed = drivesFor(other.horizon)
    const more = needed === null || drivesNow === null ? null : needed - drivesNow
    return {
      quality: id,
      label,
      todayTB: other.today - now.today,
      horizonTB: other.horizon - now.horizon,
      drives: more,
      money: more === null ? null : more * perDrive,
    }
  })
}
