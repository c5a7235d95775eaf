import { planAssessor, type PlanAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { addedGBPerMonth, withAddedGBPerMonth } from '../library/additions'
import { costOverYears } from '../ownership/cashFlow'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'
import { spaceState } from '../room/spaceState'
import { spaceOfDrives } from './driveStates'
import { fallsShort, meetsItsNeed } from './fallsShort'

/** Something that nobody knows for sure, and that may change which way costs least. */
export interface Assumption {
  readonly id: string
  readonly label: string
  readonly unit: string
  readonly path: string
  readonly low: number
  readonly high: number
  /** what is kept follows from it, so that a way may run out of room */
  readonly changesNeed?: true
  /**
   * @param lists the catalogue with the plan's own entries
   * @param shipped the catalogue without them
   */
  readonly of: (plan: Plan, lists: Catalogue, shipped: Catalogue) => number
  readonly set: (plan: Plan, value: number, lists: Catalogue) => Plan
}

const cost = <Key extends keyof Plan['costs']>(key: Key) => ({
  of: (plan: Plan) => plan.costs[key] as number,
  set: (plan: Plan, value: number): Plan => ({ ...plan, costs: { ...plan.costs, [key]: value } }),
  path: `costs.${key}`,
})

/** Assumptions that are swung, with the range that a home may meet. */
export const assumptions: readonly Assumption[] = [
  {
    id: 'pricePerKWh',
    label: 'Electricity',
    unit: 'money/kWh',
    low: 0.05,
    high: 0.8,
    ...cost('pricePerKWh'),
  },
  {
    id: 'rise',
    label: 'Electricity rises a year',
    unit: 'share',
    low: -0.05,
    high: 0.15,
    ...cost('electricityRisePerYear'),
  },
  {
    id: 'horizon',
    label: 'Horizon',
    unit: 'years',
    low: 1,
    high: 12,
    changesNeed: true,
    path: 'choices.horizonYears',
    of: ({ choices }) => choices.horizonYears,
    set: (plan, value) => ({
      ...plan,
      choices: { ...plan.choices, horizonYears: Math.max(1, Math.round(value)) },
    }),
  },
  {
    id: 'added',
    label: 'Added to the library',
    unit: 'GB/month',
    low: 0,
    high: 500,
    changesNeed: true,
    path: 'library.holdings',
    of: ({ library }, lists) => addedGBPerMonth(library, lists),
    set: (plan, value, lists) => ({
      ...plan,
      library: withAddedGBPerMonth(plan.library, value, lists),
    }),
  },
  {
    id: 'converting',
    label: 'Hours converting a day',
    unit: 'h/day',
    low: 0,
    high: 16,
    path: 'choices.convertingHoursPerDay',
    // An empty field follows from the habits.
    of: (plan, _, shipped) => planAssessor(1).facts(plan, shipped, ['day']).day.converting.perDay,
    set: (plan, value) => ({ ...plan, choices: { ...plan.choices, convertingHoursPerDay: value } }),
  },
  {
    id: 'driveFall',
    label: 'Drive prices fall a year',
    unit: 'share',
    low: -0.1,
    high: 0.15,
    path: 'drives.priceFallPerYear',
    of: ({ drives }) => drives.priceFallPerYear,
    set: (plan, value) => ({ ...plan, drives: { ...plan.drives, priceFallPerYear: value } }),
  },
  {
    id: 'resale',
    label: 'Brings when sold',
    unit: 'share',
    low: 0,
    high: 0.6,
    ...cost('resaleShare'),
  },
  { id: 'hour', label: 'An hour of yours', unit: 'money', low: 0, high: 60, ...cost('hourValue') },
]

export interface Compared {
  readonly id: string
  readonly plan: Plan
}

/** What a compared way costs over the years when one assumption has another value. */
export type CostAt = (id: string, value: number) => number

/** Where another way becomes the cheapest, on one side of the value of today. */
export interface Flip {
  readonly value: number
  readonly winner: string
}
export interface FlipBar {
  readonly assumption: Pick<Assumption, 'id' | 'label' | 'unit' | 'path' | 'low' | 'high'>
  readonly value: number
  readonly winner: string
  /** nearest below and above; null where the same way stays the cheapest to the end of the range */
  readonly below: Flip | null
  readonly above: Flip | null
}

/** Steps in which a range is looked through, and halvings by which a flip is found. */
const looks = 24
const halvings = 30

/** Where every way has run out of room. */
export const noWay = 'none'

/** The cheapest of the compared; of equals the first; none where each costs without end. */
export function winnerOf(ids: readonly string[], costOf: (id: string) => number): string {
  return ids.reduce(
    (best, id) => (costOf(id) < (best === noWay ? Infinity : costOf(best) - 1e-9) ? id : best),
    noWay,
  )
}

/**
 * The nearest value on one side at which another way costs least: looked for in steps, then by
 * halving between the last value at which
 * the winner of today wins and the first at which it does not.
 */
export function nearestFlip(
  ids: readonly string[],
  {
    from,
    to,
    whole = false,
  }: { readonly from: number; readonly to: number; readonly whole?: boolean },
  costAt: CostAt,
): Flip | null {
  const winnerAt = (value: number) => winnerOf(ids, id => costAt(id, value))
  const now = winnerAt(from)
  let before = from
  const count = whole ? Math.abs(Math.round(to - from)) : looks
  for (let step = 1; step <= count; step++) {
    const value = from + ((to - from) * step) / count
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

export interface Flips {
  readonly bars: readonly FlipBar[]
  /**
   * those that can win: all that meet their need; where none does, all of them, by their money
   * alone
   */
  readonly counted: readonly string[]
}

/** Whether the room runs out before the horizon; fit is asked only where drives are planned. */
function isFull(plan: Plan, assessor: PlanAssessor, catalogue: Catalogue): boolean {
  const facts = assessor.facts(plan, catalogue, ['library', 'drives'])
  let state = spaceOfDrives(plan, facts)
  if (plan.drives.purchases.length > 0) {
    const { room } = assessor.facts(plan, catalogue, ['room']).room
    if (room)
      state = spaceState(room, {
        nothingKept: facts.library.empty,
        horizonYears: plan.choices.horizonYears,
      })
  }
  return state === 'short' || state === 'impossible'
}

/**
 * Every assumption with the values at which another of the compared ways costs least over the
 * years. What falls short of its need
 * wins nowhere; where an assumption changes what is kept, neither does what has run out of room.
 */
export function flipBars(compared: readonly Compared[], catalogue: Catalogue): Flips {
  if (compared.length < 2) return { bars: [], counted: [] }
  const meeting = compared.filter(({ plan }) => meetsItsNeed(fallsShort(plan, catalogue)))
  const counted = meeting.length ? meeting : compared
  const ids = counted.map(({ id }) => id)
  const first = compared[0]!.plan
  const bars = assumptions.map((assumption): FlipBar => {
    const { id, label, unit, path, of, set } = assumption
    const value = of(first, effectiveCatalogue(first, catalogue), catalogue)
    const [low, high] = [Math.min(assumption.low, value), Math.max(assumption.high, value)]
    const judgesRoom = assumption.changesNeed === true && meeting.length > 0
    const assessors = new Map(
      counted.map(entry => [
        entry.id,
        {
          ...entry,
          lists: effectiveCatalogue(entry.plan, catalogue),
          assessor: planAssessor(1),
          known: new Map<number, number>(),
        },
      ]),
    )
    const costAt: CostAt = (way, at) => {
      const { plan, lists, assessor, known } = assessors.get(way)!
      const before = known.get(at)
      if (before !== undefined) return before
      const swung = set(plan, at, lists)
      const found =
        judgesRoom && isFull(swung, assessor, catalogue)
          ? Infinity
          : costOverYears(assessor.facts(swung, catalogue, ['years']).years.question)
      known.set(at, found)
      return found
    }
    const whole = unit === 'years'
    return {
      assumption: { id, label, unit, path, low, high },
      value,
      winner: winnerOf(ids, way => costAt(way, value)),
      below: nearestFlip(ids, { from: value, to: low, whole }, costAt),
      above: nearestFlip(ids, { from: value, to: high, whole }, costAt),
    }
  })
  return { bars, counted: ids }
}
