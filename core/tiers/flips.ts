import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { costOverYears } from '../ownership/cashFlow'
import type { Plan } from '../plan/planSchema'

/** Something that nobody knows for sure, and that may change which way costs least. */
export interface Assumption {
  readonly id: string
  readonly label: string
  readonly unit: string
  readonly path: string
  readonly low: number
  readonly high: number
  readonly of: (plan: Plan) => number
  readonly set: (plan: Plan, value: number) => Plan
}

const cost = <Key extends keyof Plan['costs']>(key: Key) => ({ of: (plan: Plan) => plan.costs[key] as number, set: (plan: Plan, value: number): Plan => ({ ...plan, costs: { ...plan.costs, [key]: value } }), path: `costs.${key}` })

/** Assumptions that are swung, with the range that a home may meet. */
export const assumptions: readonly Assumption[] = [
  { id: 'pricePerKWh', label: 'Electricity', unit: 'money/kWh', low: 0.05, high: 0.8, ...cost('pricePerKWh') },
  { id: 'rise', label: 'Electricity rises a year', unit: 'share', low: -0.05, high: 0.15, ...cost('electricityRisePerYear') },
  { id: 'horizon', label: 'Horizon', unit: 'years', low: 1, high: 12, path: 'choices.horizonYears', of: ({ choices }) => choices.horizonYears, set: (plan, value) => ({ ...plan, choices: { ...plan.choices, horizonYears: Math.max(1, Math.round(value)) } }) },
  { id: 'converting', label: 'Hours converting a day', unit: 'h/day', low: 0, high: 16, path: 'choices.convertingHoursPerDay', of: ({ choices }) => choices.convertingHoursPerDay, set: (plan, value) => ({ ...plan, choices: { ...plan.choices, convertingHoursPerDay: value } }) },
  { id: 'driveFall', label: 'Drive prices fall a year', unit: 'share', low: -0.1, high: 0.15, path: 'drives.priceFallPerYear', of: ({ drives }) => drives.priceFallPerYear, set: (plan, value) => ({ ...plan, drives: { ...plan.drives, priceFallPerYear: value } }) },
  { id: 'resale', label: 'Brings when sold', unit: 'share', low: 0, high: 0.6, ...cost('resaleShare') },
  { id: 'hour', label: 'An hour of yours', unit: 'money', low: 0, high: 60, ...cost('hourValue') },
]

export interface Compared { readonly id: string, readonly plan: Plan }

/** What a compared way costs over the years when one assumption has another value. */
export type CostAt = (id: string, value: number) => number

/** Where another way becomes the cheapest, on one side of the value of today. */
export interface Flip { readonly value: number, readonly winner: string }
export interface FlipBar {
  readonly assumption: Pick<Assumption, 'id' | 'label' | 'unit' | 'path' | 'low' | 'high'>
  readonly value: number
  readonly winner: string
  /** nearest below and above; null where the same way stays the cheapest to the end of the range */
  readonly below: Flip | null
  readonly above: Flip | null
  /** what each way costs at the two ends */
  readonly ends: readonly { readonly id: string, readonly low: number, readonly high: number }[]
}

/** Steps in which a range is looked through, and halvings by which a flip is found. */
const looks = 24
const halvings = 30

/** The cheapest of the compared; of equals the first. */
export function winnerOf(ids: readonly string[], costOf: (id: string) => number): string {
  return ids.reduce((best, id) => costOf(id) < costOf(best) - 1e-9 ? id : best)
}

/**
 * The nearest value on one side at which another way costs least: looked for in steps, then by halving between the last value at which
 * the winner of today wins and the first at which it does not.
 */
export function nearestFlip(ids: readonly string[], { from, to, whole = false }: { readonly from: number, readonly to: number, readonly whole?: boolean }, costAt: CostAt): Flip | null {
  const winnerAt = (value: number) => winnerOf(ids, id => costAt(id, value))
  const now = winnerAt(from)
  let before = from
  const count = whole ? Math.abs(Math.round(to - from)) : looks
  for (let step = 1; step <= count; step++) {
    const value = from + (to - from) * step / count
    const winner = winnerAt(value)
    if (winner !== now) {
      if (whole) return { value, winner }
      let [kept, flipped] = [before, value]
      for (let halving = 0; halving < halvings; halving++) {
        const middle = (kept + flipped) / 2
        if (winnerAt(middle) === now) kept = middle
        else flipped = middle
      }
      return { value: flipped, winner: winnerAt(flipped) }
    }
    before = value
  }
  return null
}

/** Every assumption with the values at which another of the compared ways costs least over the years. */
export function flipBars(compared: readonly Compared[], catalogue: Catalogue): FlipBar[] {
  if (compared.length < 2) return []
  const ids = compared.map(({ id }) => id)
  const first = compared[0]!.plan
  return assumptions.map((assumption) => {
    const { id, label, unit, path, of, set } = assumption
    const value = of(first)
    const [low, high] = [Math.min(assumption.low, value), Math.max(assumption.high, value)]
    const assessors = new Map(compared.map(entry => [entry.id, { ...entry, assessor: planAssessor(1), known: new Map<number, number>() }]))
    const costAt: CostAt = (way, at) => {
      const { plan, assessor, known } = assessors.get(way)!
      const before = known.get(at)
      if (before !== undefined) return before
      const found = costOverYears(assessor.facts(set(plan, at), catalogue, ['years']).years.question)
      known.set(at, found)
      return found
    }
    const whole = unit === 'years'
    return {
      assumption: { id, label, unit, path, low, high }, value, winner: winnerOf(ids, way => costAt(way, value)),
      below: nearestFlip(ids, { from: value, to: low, whole }, costAt), above: nearestFlip(ids, { from: value, to: high, whole }, costAt),
      ends: ids.map(way => ({ id: way, low: costAt(way, low), high: costAt(way, high) })),
    }
  })
}
