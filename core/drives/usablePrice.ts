import type { HardwarePart } from '../catalogue/hardware/hardwarePart'
import type { Drives } from '../plan/drives'
import type { CommonDrives, DriveCatalogue } from './driveTraits'
import { priceOfLot } from './drivePrices'

/** The lists that drives and the places for them are priced by. */
export type PlacedCatalogue = DriveCatalogue & { readonly hardware: readonly HardwarePart[] }

/** What usable space costs, in the plan's currency. */
export interface UsablePrice {
  /** all drives, spares too, as if they were bought */
  readonly drives: number
  /** drives that take a bay and a port, and what one of both costs */
  readonly places: number
  readonly placePrice: number
  readonly perTB: number
}

/**
 * What a bay with its port costs where one is bought: that of the enclosure which sells it at the
 * least. Nothing where the catalogue has none.
 * @example enclosures of 4 bays at 130 and of 5 at 210: 32.5
 */
export function placePrice(hardware: readonly HardwarePart[]): number {
  const prices = hardware.flatMap(part =>
    part.kind === 'enclosure' && part.bays > 1 ? [part.price / part.bays] : [],
  )
  return prices.length === 0 ? 0 : Math.min(...prices)
}

/**
 * What a usable terabyte costs with the bay and the port of each drive; drives in cases of their
 * own bring theirs. Null while nothing is usable.
 */
export function usablePrice(
  drives: CommonDrives & Pick<Drives, 'lots'>,
  { usableTB, inOwnCase }: { readonly usableTB: number; readonly inOwnCase: number },
  catalogue: PlacedCatalogue,
): UsablePrice | null {
  if (usableTB <= 0) return null
  const each = placePrice(catalogue.hardware)
  const count = drives.lots.reduce((sum, lot) => sum + lot.count, 0)
  const worth = drives.lots.reduce(
    (sum, lot) => sum + lot.count * priceOfLot(lot, drives, catalogue).each,
    0,
  )
  const places = count - inOwnCase
  return {
    drives: worth,
    places,
    placePrice: each,
    perTB: (worth + places * each) / usableTB,
  }
}
