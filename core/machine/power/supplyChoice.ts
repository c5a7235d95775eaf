import type { Supply } from '../../catalogue/hardware/hardwarePart'
import { kWhPerWattYear } from '../../units/time'
import { maxShareOfRating, type StartSurge } from './startSurge'
import { wallW } from './supplyCurve'
import { supplyGoesIn } from './supplyForms'

/** A supply of the catalogue held against what is needed. */
export interface SupplyRow {
  readonly supply: Supply
  readonly passes: boolean
  /** of its rating, while everything is at work */
  readonly runningShare: number
  /** at the wall, idle with drives */
  readonly idleWallW: number
  /** more than the recommended one takes, in money a year; below nothing where it takes less */
  readonly wastePerYear: number
}

interface SupplyQuestion {
  readonly runningW: number
  readonly surge: Pick<StartSurge, 'watts' | 'amps12'>
  /** DC, idle with drives */
  readonly idleDcW: number
  readonly mainsVolts: 115 | 230
  readonly pricePerKWh: number
}

/** Whether a supply carries the running load, the start and its amps. */
export function supplyPasses(
  { ratingW, amps12 }: Pick<Supply, 'ratingW' | 'amps12'>,
  { runningW, surge }: Pick<SupplyQuestion, 'runningW' | 'surge'>,
): boolean {
  return runningW <= maxShareOfRating * ratingW && surge.watts <= ratingW && surge.amps12 <= amps12
}

/** The smallest that passes; of one size the cheapest, then by id. */
export function recommendedSupply(
  supplies: readonly Supply[],
  question: Pick<SupplyQuestion, 'runningW' | 'surge'>,
): Supply | null {
  return supplies
    .filter(supply => supplyPasses(supply, question))
    .reduce<Supply | null>((best, next) => {
      if (!best) return next
      const order =
        next.ratingW - best.ratingW || next.price - best.price || (next.id < best.id ? -1 : 1)
      return order < 0 ? next : best
    }, null)
}

/**
 * Supplies side by side, by rating, with what each wastes at idle in a year against the recommended
 * one.
 */
export function supplyRows(
  supplies: readonly Supply[],
  question: SupplyQuestion,
): { readonly rows: SupplyRow[]; readonly recommended: Supply | null } {
  const recommended = recommendedSupply(supplies, question)
  const wall = ({ ratingW, efficiency }: Supply) =>
    wallW(question.idleDcW, { ratingW, efficiency, mainsVolts: question.mainsVolts })
  const rows = supplies.map((supply): SupplyRow => ({
    supply,
    passes: supplyPasses(supply, question),
    runningShare: question.runningW / supply.ratingW,
    idleWallW: wall(supply),
    wastePerYear: recommended
      ? (wall(supply) - wall(recommended)) * kWhPerWattYear * question.pricePerKWh
      : 0,
  }))
  return {
    rows: rows.sort(
      (a, b) => a.supply.ratingW - b.supply.ratingW || a.supply.price - b.supply.price,
    ),
    recommended,
  }
}

/**
 * The supplies that go into the machine: those of its case's form; its own only where the maker
 * fixed it.
 */
export function fittingSupplies(all: readonly Supply[], form: Supply['form'] | null): Supply[] {
  return all.filter(
    supply => supply.comesWith === undefined && (form === null || supplyGoesIn(supply.form, form)),
  )
}
