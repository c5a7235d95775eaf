import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { gridKinds } from '../catalogue/gridKinds'
import { driveTraits } from '../drives/driveTraits'
import { exactly, type Estimate } from '../figure'
import type { Plan } from '../plan/planSchema'
import { carbonAfter, manufactureKg } from '../ownership/carbon'
import { averageW } from '../machine/machinePower'

/** Carbon of a plan: what is made for it, its watts, and what a kilowatt-hour takes. */
export interface PlanCarbon {
  readonly made: Readonly<Record<string, Estimate>>
  readonly averageW: number
  readonly kgPerKWh: Estimate
  /** after each year, from 0 to the horizon */
  readonly byYear: readonly Estimate[]
}

const times = (count: number, { low, likely, high }: Estimate): Estimate => ({
  low: count * low,
  likely: count * likely,
  high: count * high,
})

/** What a whole takes beyond one of its parts. */
const beyond = (whole: Estimate, part: Estimate): Estimate => ({
  low: whole.low - part.low,
  likely: whole.likely - part.likely,
  high: whole.high - part.high,
})

/** What is made for a plan; what is owned or bought used was made for somebody else. */
function madeFor(plan: Plan, catalogue: Catalogue): Record<string, Estimate> {
  const { machine, drives } = plan
  const { build } = planAssessor(1).facts(plan, catalogue, ['machine']).machine
  const made: Record<string, Estimate> = {}
  const isNew = (condition: string) => condition === 'new'
  if (build.isFromParts) {
    const parts = build.parts.filter(
      ({ part, entry }) => isNew(part.condition) && isNew('sold' in entry ? entry.sold : 'new'),
    )
    const has = (what: string) => parts.some(({ kind }) => kind === what)
    const { desktop, boardSwap } = manufactureKg
    if (has('case')) made.machine = has('board') ? desktop : beyond(desktop, boardSwap)
    else if (has('board')) made.machine = boardSwap
  } else if (isNew(machine.condition) && isNew(build.base?.sold ?? 'new')) {
    made.machine =
      build.base?.class === 'appliance'
        ? manufactureKg.appliance
        : build.base?.class === 'miniPc' ||
            build.base?.class === 'singleBoard' ||
            build.base?.class === 'router'
          ? manufactureKg.miniPc
          : manufactureKg.desktop
  }
  drives.lots.forEach((lot, index) => {
    const { spinning, driveClass } = driveTraits(lot, drives, catalogue)
    if (!isNew(lot.condition) || driveClass?.id === 'refurbished') return
    made[`drives${index}`] = spinning
      ? times(lot.count, manufactureKg.drive)
      : times(lot.count * lot.sizeTB, manufactureKg.ssdPerTB)
  })
  return made
}

/** Carbon of a plan, year by year to its horizon. */
export function planCarbon(plan: Plan, catalogue: Catalogue): PlanCarbon {
  const { machine, day } = planAssessor(1).facts(plan, catalogue, ['machine', 'day'])
  const mean = averageW(machine.watts, day.hours)
  const { grid, gridKgPerKWh } = plan.costs
  const kgPerKWh = gridKgPerKWh === null ? gridKinds[grid].kgPerKWh : exactly(gridKgPerKWh)
  const made = madeFor(plan, catalogue)
  return {
    made,
    averageW: mean,
    kgPerKWh,
    byYear: Array.from({ length: plan.choices.horizonYears + 1 }, (_, year) =>
      carbonAfter({ made, averageW: mean, kgPerKWh }, year),
    ),
  }
}
