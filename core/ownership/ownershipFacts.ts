import { mapEstimate } from '../band'
import type { DayHours } from '../machine/power/dayHours'
import type { CommonDrives } from '../drives/driveTraits'
import { priceOfLot } from '../drives/drivePrices'
import { usablePrice, type PlacedCatalogue, type UsablePrice } from '../drives/usablePrice'
import type { Estimate } from '../figure'
import type { PriceLine } from '../machine/machinePrices'
import { averageW, type StateWatts } from '../machine/machinePower'
import type { Drives } from '../plan/drives'
import { wholeCents } from '../units/wholeCents'
import { headroomState, type VerdictState } from '../verdict'
import { exactly } from '../figure'
import { kWhPerYear } from './kWhPerYear'

export interface OwnershipSlice {
  readonly budget: number | null
  readonly extras: number
  readonly pricePerKWh: number
  readonly horizonYears: number
  readonly drives: CommonDrives & Pick<Drives, 'lots'>
  readonly catalogue: PlacedCatalogue
  /** 0 while there is no pool */
  readonly usableTB: number
  /** drives in cases of their own */
  readonly inOwnCase: number
  readonly prices: readonly PriceLine[]
  readonly watts: StateWatts
  readonly hours: DayHours
}

/** What is paid now, and what electricity costs. */
export interface OwnershipFacts {
  readonly machineToPay: number
  readonly drivesToPay: number
  readonly toPay: number
  /** lines whose price is not known: they are not in the sum */
  readonly unpriced: readonly PriceLine[]
  /** lines that count at a usual price because none is entered */
  readonly usual: readonly PriceLine[]
  readonly left: number | null
  /** null while nothing is usable */
  readonly usable: UsablePrice | null
  readonly kWhPerYear: Estimate
  readonly electricityPerYear: Estimate
  readonly state: VerdictState
}

/** Sum of what is paid now; to the cent. */
export function purchaseSum(machineToPay: number, drivesToPay: number, extras: number): number {
  return wholeCents(machineToPay + drivesToPay + extras)
}

export function ownershipFacts({
  budget,
  extras,
  pricePerKWh,
  drives,
  catalogue,
  prices,
  watts,
  hours,
  usableTB,
  inOwnCase,
}: OwnershipSlice): OwnershipFacts {
  const lots = drives.lots.map((lot, index): PriceLine & { readonly toPay: number } => {
    const { toPay, isUsual } = priceOfLot(lot, drives, catalogue)
    return {
      label: `${lot.count} × ${lot.sizeTB} TB`,
      toPay,
      isUsual,
      path: `drives.lots.${index}.priceEach`,
    }
  })
  const machineToPay = prices.reduce((sum, line) => sum + (line.toPay ?? 0), 0)
  const drivesToPay = lots.reduce((sum, line) => sum + line.toPay, 0)
  const toPay = purchaseSum(machineToPay, drivesToPay, extras)
  const unpriced = prices.filter(line => line.toPay === null)
  // Drives turn in both states, so their band is counted once: the ends of both go together.
  const kWh = kWhBand(watts, hours)
  return {
    machineToPay,
    drivesToPay,
    toPay,
    unpriced,
    usual: [...prices, ...lots].filter(line => line.isUsual),
    usable: usablePrice(drives, { usableTB, inOwnCase }, catalogue),
    left: budget === null ? null : wholeCents(budget - toPay),
    kWhPerYear: kWh,
    electricityPerYear: mapEstimate(kWh, value => value * pricePerKWh),
    state: moneyState(toPay, budget, unpriced.length > 0),
  }
}

function kWhBand(watts: StateWatts, hours: DayHours): Estimate {
  const at = (end: keyof Estimate) => kWhPerYear(averageW(watts, hours, end))
  return { low: at('low'), likely: at('likely'), high: at('high') }
}

/**
 * The state of the budget. While a price is missing the sum can only grow: it may be too much
 * already, and is never enough.
 */
export function moneyState(
  toPay: number,
  budget: number | null,
  priceMissing: boolean,
): VerdictState {
  if (budget === null) return 'unknown'
  if (toPay > budget) return budget === 0 ? 'impossible' : 'short'
  return priceMissing ? 'unknown' : headroomState(exactly(toPay), exactly(budget))
}
