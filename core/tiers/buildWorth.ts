import { planAssessor, type Assessment } from '../assess'
import type { Figure } from '../figure'
import { worstFirst } from '../finding'
import type { Verdict } from '../verdict'
import { bindingLimit } from './search/upgradePath'
import type { Catalogue } from '../catalogue/catalogue'
import { costOverYears } from '../ownership/cashFlow'
import type { Plan } from '../plan/planSchema'
import { monthsPerYear } from '../units/time'

/**
 * What a place for a drive costs in a machine, and a terabyte with its drives; null where there is
 * none.
 */
export interface UnitPrices {
  /** the machine without drives ÷ its bays, and ÷ its live data ports */
  readonly perBay: number | null
  readonly perPort: number | null
  /** everything that is paid now ÷ TB of room */
  readonly perTB: number | null
}

export interface Premium {
  /** what an appliance costs more now, and for a month of the years that it is to serve */
  readonly now: number
  readonly perMonth: number
  /** the same over the years, own time left out */
  readonly overYears: number
  /** own hours that it spares over the years */
  readonly hoursSaved: number
  /**
   * an hour of one's own is worth so much where both come out even; null where nothing is paid
   * more, or no hour is spared
   */
  readonly evenPerHour: number | null
}

/** Figures by which builds are looked at one by one. */
const lookedAt = [
  'ownership.purchase',
  'ownership.horizonTotal',
  'streams.possible',
  'drives.roomTB',
  'drives.monthFull',
  'drives.lossChanceAtHorizon',
  'machine.idleW',
  'machine.noiseDb',
  'machine.freeBays',
  'machine.freePorts',
]
/** Most of what is said against a build. */
const maxSaid = 3

/**
 * A build looked at by itself: its figures, the limit that binds it next, and the worst that is
 * found of it.
 */
export interface BuildLook {
  readonly figures: readonly Figure[]
  readonly binds: Verdict | null
  readonly findings: readonly string[]
}

export function lookAtBuild({
  figures,
  verdicts,
  findings,
}: Pick<Assessment, 'figures' | 'verdicts' | 'findings'>): BuildLook {
  return {
    figures: lookedAt.flatMap(id => figures[id] ?? []),
    binds: bindingLimit(verdicts)?.limit ?? null,
    findings: worstFirst(findings)
      .filter(({ severity }) => severity !== 'caution')
      .slice(0, maxSaid)
      .map(({ sentence }) => sentence),
  }
}

const per = (price: number, count: number) => (count > 0 ? price / count : null)

/** Prices of a bay, a port and a TB of a plan, in its currency. */
export function unitPrices(plan: Plan, catalogue: Catalogue): UnitPrices {
  const { ownership, machine, drives, fitting } = planAssessor(1).facts(plan, catalogue, [
    'ownership',
    'machine',
    'drives',
    'fitting',
  ])
  return {
    perBay: per(ownership.machineToPay, machine.build.bays),
    perPort: per(
      ownership.machineToPay,
      fitting.context.boardPorts + fitting.context.controllerPorts,
    ),
    perTB: per(ownership.toPay, drives.pool?.roomTB ?? 0),
  }
}

/**
 * What an appliance costs beyond another build for the same need, and what of one's own time that
 * buys: hours to build, and
 * hours of upkeep of the systems that run on them.
 */
export function appliancePremium(appliance: Plan, other: Plan, catalogue: Catalogue): Premium {
  const of = (plan: Plan) => {
    const { ownership, years, machine } = planAssessor(1).facts(
      { ...plan, costs: { ...plan.costs, hourValue: 0 } },
      catalogue,
      ['ownership', 'years', 'machine'],
    )
    return {
      toPay: ownership.toPay,
      overYears: costOverYears(years.question),
      building: years.question.buildHours,
      upkeep: plan.costs.upkeepHoursPerYear ?? machine.system?.upkeepHoursPerYear ?? 0,
    }
  }
  const [one, two] = [of(appliance), of(other)]
  const { horizonYears } = appliance.choices
  const [now, overYears] = [one.toPay - two.toPay, one.overYears - two.overYears]
  const hoursSaved = two.building - one.building + (two.upkeep - one.upkeep) * horizonYears
  return {
    now,
    perMonth: now / (horizonYears * monthsPerYear),
    overYears,
    hoursSaved,
    evenPerHour: overYears > 0 && hoursSaved > 0 ? overYears / hoursSaved : null,
  }
}
