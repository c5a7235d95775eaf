import type { Catalogue } from '../catalogue/catalogue'
import { holdingKind } from '../catalogue/holdingKinds'
import { forecastLibrary } from '../library/forecast'
import { holdingSizes } from '../library/holdingSizes'
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
import { averagePricePerKWh } from '../plan/energyPrice'

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
function roomOf(drives: Drives, count: number, survivesAtLeast: number): number {
  if (count === 0) return 0
  const each = drivesOf({ lots: [{ ...largestLot(drives), count, role: 'any' }] })
  const layout = layouts.find(candidate => candidate.id === layoutOf(drives, each, survivesAtLeast))
  if (!layout) return 0
  const arranged = arrangeDrives(layout, each, drives.hotSpares)
  return isRefusal(arranged) ? 0 : roomTB(arranged.usableTB, drives)
}

function largestLot({ lots }: Drives): Drives['lots'][number] {
  return lots.reduce((most, lot) => (lot.sizeTB > most.sizeTB ? lot : most))
}

/**
 * The smallest number of drives whose room holds the content; null when the most a plan can hold do
 * not.
 */
function drivesFor(rooms: readonly number[], contentTB: number): number | null {
  const count = rooms.findIndex(room => room >= contentTB)
  return count < 0 ? null : count
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
  catalogue: Catalogue,
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
  const rooms = Array.from({ length: maxDrives + 1 }, (_, count) =>
    roomOf(drives, count, choices.survivesAtLeast),
  )
  const now = contentOf(holding.quality)
  const drivesNow = drivesFor(rooms, now.horizon)
  return options.map(({ id, label }) => {
    const other = contentOf(id)
    const needed = drivesFor(rooms, other.horizon)
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
