import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { weekCounts } from '../household/weekCounts'
import type { Plan } from '../plan/planSchema'
import { minutesByCapacity, slotLoad } from '../streams/shortMinutes'

/** Capacities against demand, in machines like the plan's. */
export interface CapacityCurve {
  /** slot of the week with the highest 95 % level of conversions */
  readonly slot: number
  /**
   * chance that the conversions there need so much of the machine: steps of a twentieth from 0; the
   * last gathers all beyond
   */
  readonly load: readonly number[]
  readonly loadStep: number
  /** minutes short a month of a machine so many times the plan's */
  readonly points: readonly { readonly times: number; readonly minutes: number }[]
}

const loadStep = 1 / 20
const loadTimes = 2.5
/** From a quarter to four times, evenly by ratio. */
const times = Array.from({ length: 33 }, (_, at) => 4 ** ((at - 16) / 16))

/**
 * The load at its worst moment, and minutes short as capacity varies; null while no habits or no
 * processor are known.
 */
export function capacityCurve(plan: Plan, catalogue: Catalogue): CapacityCurve | null {
  const {
    household: { week, fromHabits },
    playback: { demand },
    streams: { converter },
  } = planAssessor(1).facts(plan, catalogue, ['household', 'playback', 'streams'])
  if (!fromHabits || !converter.processor || demand.mix.length === 0) return null
  const { slot95: slot } = weekCounts(week, week.ordinary, demand.convertingShares)
  const { chances, step, beyond } = slotLoad(
    demand,
    { occupancy: week.ordinary, slot, times: loadTimes },
    converter,
  )
  const load = Array.from({ length: Math.round(loadTimes / loadStep) + 2 }, () => 0)
  chances.forEach((chance, cell) => {
    // A load is told rounded up, so it belongs to the step that ends with it.
    load[Math.ceil((cell * step) / loadStep - 1e-9)]! += chance
  })
  load[load.length - 1]! += beyond
  const minutes = minutesByCapacity(demand, converter, {
    times,
    busyDaysPerYear: plan.household.busyDaysPerYear,
  })
  return {
    slot,
    load,
    loadStep,
    points: times.map((value, at) => ({ times: value, minutes: minutes[at]! })),
  }
}
