import { sameValue } from '../../sameValue'
import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { needIds, type NeedId } from '../../headrooms'
import { costOverYears } from '../../ownership/cashFlow'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import type { ConditionId } from '../conditions/conditionIds'
import { judgeConditions, type JudgedCondition } from '../conditions/conditions'
import { lacksOf, type FoundBuild } from './buildQuestion'
import type { WayId } from './frame'
import { layoutLabel } from './names'
import { withoutHousehold, type OfHousehold } from './ofHousehold'
import { stateOfBuild } from '../../verdict'

/** What a build comes to, as far as it is compared. */
export interface WayBuild {
  readonly way: WayId
  readonly label: string
  readonly plan: Plan
  readonly toPay: number
  readonly horizonCost: number
  readonly possible: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
  readonly idleW: number
  readonly freeBays: number
  readonly drives: string
  readonly lacks: readonly NeedId[]
  /** what its cost over the years leaves out: that a computer at hand may be dead, or be sold */
  readonly risk: number
  /** what each condition is at it; empty where that was not asked */
  readonly conditions: readonly JudgedCondition[]
  /** of two machines the one that converts, and what links them; null for one */
  readonly second: SecondMachine | null
}

/**
 * The machine that converts beside one that stores: what is paid for it, and for the link between
 * them.
 */
export interface SecondMachine {
  readonly label: string
  readonly plan: Plan
  readonly toPay: number
  readonly horizonCost: number
  readonly linkPrice: number
}

/** Only a machine of the household's own may be without a name. */
const machineName = ({ machine }: Plan) => machine.name || 'Your computer'

/** A build as it is shown. */
export function wayBuild({ way, pool, evaluation, plan, risk }: FoundBuild): WayBuild {
  const { toPay, horizonCost, possible, roomTB, lossChanceAtHorizon, idleW, freeBays } = evaluation
  const lots = plan.drives.lots.map(({ count, sizeTB }) => `${count} × ${sizeTB} TB`).join(' + ')
  return {
    way,
    label: machineName(plan),
    plan,
    toPay,
    horizonCost,
    possible,
    roomTB,
    lossChanceAtHorizon,
    idleW,
    freeBays,
    drives: pool.count === 0 ? 'no drives' : `${lots}, ${layoutLabel(pool.choice.layout)}`,
    lacks: lacksOf(evaluation),
    risk,
    conditions: [],
    second: null,
  }
}

/** Over the years, with what it costs that it may be dead: what builds are compared by. */
export const yearsCost = ({ horizonCost, risk }: Pick<WayBuild, 'horizonCost' | 'risk'>): number =>
  horizonCost + risk

/** Whether two builds come to the same machine, drives, system and vents, in whatever way. */
export const isSameBuild = (one: WayBuild, other: WayBuild): boolean =>
  one.second === null &&
  other.second === null &&
  sameValue(one.plan.machine, other.plan.machine) &&
  sameValue(one.plan.drives, other.plan.drives) &&
  one.plan.system.kind === other.plan.system.kind &&
  one.plan.brief.cupboardVented === other.plan.brief.cupboardVented

/** Conditions that a build does not meet. */
export const failedConditions = ({ conditions }: Pick<WayBuild, 'conditions'>): ConditionId[] =>
  conditions.flatMap(({ id, state }) => (state === 'fails' ? [id] : []))

/** Whether a build meets every part of the need, conditions included. */
export const meetsAll = (build: Pick<WayBuild, 'lacks' | 'conditions'>): boolean =>
  build.lacks.length === 0 && failedConditions(build).length === 0

/** The build with what each condition is at it. */
export function withConditions(build: WayBuild, shipped: Catalogue): WayBuild {
  const { plan } = build
  const catalogue = effectiveCatalogue(plan, shipped)
  const facts = planAssessor(1).facts(plan, shipped, [
    'drives',
    'machine',
    'fitting',
    'streams',
    'library',
  ])
  return { ...build, conditions: judgeConditions({ plan, catalogue, facts }) }
}

/** Whether enough of a plan is known to say that it meets its need. */
export function isJudged(plan: Plan, catalogue: Catalogue): boolean {
  const { verdicts } = planAssessor(1).assess(plan, catalogue)
  return verdicts.every(({ id, state }) => id === 'money' || state !== 'unknown')
}

/** The plan as it stands, as one way among others. */
export function asItIs(plan: Plan, catalogue: Catalogue): WayBuild {
  const {
    domains: { ownership, years, streams, drives, machine },
    verdicts,
  } = planAssessor(1).assess(plan, catalogue)
  const states = new Map(verdicts.map(verdict => [verdict.id, stateOfBuild(verdict)]))
  return {
    way: 'stay',
    label: machineName(plan),
    plan,
    toPay: ownership.toPay,
    horizonCost: costOverYears(years.question),
    possible: streams.possible?.likely ?? 0,
    roomTB: drives.pool?.roomTB ?? 0,
    lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1,
    idleW: machine.watts.idle.likely,
    freeBays: machine.freeBays,
    second: null,
    drives: plan.drives.lots.map(({ count, sizeTB }) => `${count} × ${sizeTB} TB`).join(' + '),
    risk: 0,
    conditions: [],
    lacks: needIds.filter(id => states.get(id) === 'short' || states.get(id) === 'impossible'),
  }
}

/**
 * One machine that stores and one that converts, with what links them; what the household pays is
 * counted once, with the first.
 */
export function twoMachines(
  stores: WayBuild,
  converts: WayBuild,
  { household, catalogue }: { readonly household: OfHousehold; readonly catalogue: Catalogue },
): WayBuild {
  const { label, idleW } = converts
  const plan = withoutHousehold(converts.plan, catalogue)
  const toPay = converts.toPay - household.toPay
  const horizonCost = converts.horizonCost - household.overYears
  const { linkBetween } = plan.costs
  return {
    ...stores,
    way: 'twoMachines',
    label: `${stores.label} and ${label}`,
    toPay: stores.toPay + toPay + linkBetween,
    horizonCost: stores.horizonCost + horizonCost + linkBetween,
    possible: converts.possible,
    idleW: stores.idleW + idleW,
    risk: stores.risk + converts.risk,
    lacks: [],
    second: { label, plan, toPay, horizonCost, linkPrice: linkBetween },
  }
}
