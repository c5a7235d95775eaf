import type { Catalogue } from '../../catalogue/catalogue'
import { planAssessor } from '../../assess'
import { costOverYears } from '../../ownership/cashFlow'
import type { Plan } from '../../plan/planSchema'
import type { SearchCounts } from './branchAndBound'
import { createBuildSearch, lacksOf, needIds, type BuildQuestion, type FoundBuild, type NeedId, type Objective } from './buildSearch'
import { ways, type WayId } from './frames'
import { layoutLabel } from './names'

/** A budget by which builds are sorted. */
export interface Tier { readonly name: string, readonly cap: number }

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
  /** the second machine of two; null for one */
  readonly second: Plan | null
}

/** One way of building: its best build, the best in each tier, and where nothing does, the one that comes closest. */
export interface WayRow {
  readonly way: WayId
  readonly best: WayBuild | null
  readonly tiers: readonly { readonly tier: Tier, readonly build: WayBuild | null }[]
  readonly closest: WayBuild | null
}

export interface WaysProgress extends SearchCounts {
  readonly rows: readonly WayRow[]
  /** the way that is gone through now; null at the end */
  readonly at: WayId | null
  readonly done: number
  readonly of: number
}

/** A build as it is shown. */
export function wayBuild({ way, pool, evaluation, plan, frame }: FoundBuild): WayBuild {
  const { toPay, horizonCost, possible, roomTB, lossChanceAtHorizon, idleW, freeBays } = evaluation
  const lots = plan.drives.lots.map(({ count, sizeTB }) => `${count} × ${sizeTB} TB`).join(' + ')
  return { way, label: plan.machine.name || frame, plan, toPay, horizonCost, possible, roomTB, lossChanceAtHorizon, idleW, freeBays, drives: pool.count === 0 ? 'no drives' : `${lots}, ${layoutLabel(pool.choice.layout)}`, lacks: lacksOf(evaluation), second: null }
}

/** The plan as it stands, as one way among others. */
function asItIs(plan: Plan, catalogue: Catalogue): WayBuild {
  const { domains: { ownership, years, streams, drives, machine }, verdicts } = planAssessor(1).assess(plan, catalogue)
  const states = new Map(verdicts.map(({ id, state }) => [id, state]))
  return {
    way: 'stay', label: plan.machine.name, plan, toPay: ownership.toPay, horizonCost: costOverYears(years.question), possible: streams.possible?.likely ?? 0, roomTB: drives.pool?.roomTB ?? 0,
    lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1, idleW: machine.states[0].watts.likely, freeBays: machine.freeBays, second: null,
    drives: plan.drives.lots.map(({ count, sizeTB }) => `${count} × ${sizeTB} TB`).join(' + '), lacks: needIds.filter(id => states.get(id) === 'short' || states.get(id) === 'impossible'),
  }
}

/** Needs that are given up one by one to see what comes closest. */
const givenUp: readonly NeedId[] = ['streams', 'space', 'survival', 'home', 'away', 'fit']

export interface WaysQuestion { readonly objective: Objective, readonly tiers: readonly Tier[] }

/**
 * Every way of building for a plan's need, one after the other: the best build without a limit, the best within each tier, and where a way
 * does not meet the need, the cheapest build that gives up one part of it. Reports on the way; rows that are done stay as they are.
 */
export function* wayRows(plan: Plan, catalogue: Catalogue, { objective, tiers }: WaysQuestion): Generator<WaysProgress, WaysProgress> {
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  const costOf = (build: WayBuild) => objective === 'now' ? build.toPay : build.horizonCost
  const rows: WayRow[] = []
  const all = (Object.keys(ways) as WayId[]).filter(way => way === 'stay' || way === 'twoMachines' || builds.frames.some(frame => frame.way === way))
  let counts: SearchCounts = { nodes: 0, leaves: 0, cut: 0 }
  let at: WayId | null = null
  const progress = (now: SearchCounts = { nodes: 0, leaves: 0, cut: 0 }): WaysProgress => ({ rows: [...rows], at, done: rows.length, of: all.length, nodes: counts.nodes + now.nodes, leaves: counts.leaves + now.leaves, cut: counts.cut + now.cut })
  function* one(question: Omit<BuildQuestion, 'objective'>): Generator<WaysProgress, FoundBuild | null> {
    const steps = builds.search({ ...question, objective })
    for (;;) {
      const step = steps.next()
      if (step.done) {
        const { nodes, leaves, cut } = step.value
        counts = { nodes: counts.nodes + nodes, leaves: counts.leaves + leaves, cut: counts.cut + cut }
        return step.value.best?.found ?? null
      }
      yield progress(step.value)
    }
  }
  for (const way of all) {
    at = way
    yield progress()
    if (way === 'stay') {
      const build = asItIs(plan, catalogue)
      const meets = build.lacks.length === 0
      rows.push({ way, best: meets ? build : null, closest: meets ? null : build, tiers: tiers.map(tier => ({ tier, build: meets && build.toPay <= tier.cap ? build : null })) })
      continue
    }
    if (way === 'twoMachines') {
      const stores = yield* one({ ways: null, cap: null, without: ['streams'] })
      const converts = yield* one({ ways: null, cap: null, without: ['space', 'survival'], withoutDrives: true })
      const pair = stores && converts ? twoMachines(wayBuild(stores), wayBuild(converts), plan.costs.extras) : null
      rows.push({ way, best: pair, closest: null, tiers: tiers.map(tier => ({ tier, build: pair && pair.toPay <= tier.cap ? pair : null })) })
      continue
    }
    const found = yield* one({ ways: [way], cap: null })
    const best = found && wayBuild(found)
    const within: WayRow['tiers'][number][] = []
    for (const tier of tiers) {
      const capped = best === null || best.toPay <= tier.cap ? null : yield* one({ ways: [way], cap: tier.cap })
      within.push({ tier, build: best && best.toPay <= tier.cap ? best : capped && wayBuild(capped) })
    }
    let closest: WayBuild | null = null
    if (!best) for (const need of givenUp) {
      const near = yield* one({ ways: [way], cap: null, without: [need] })
      if (near && (closest === null || costOf(wayBuild(near)) < costOf(closest))) closest = wayBuild(near)
    }
    rows.push({ way, best, tiers: within, closest })
  }
  at = null
  return progress()
}

/** One machine that stores and one that converts; what is paid whatever is bought is counted once. */
function twoMachines(stores: WayBuild, converts: WayBuild, extras: number): WayBuild {
  return {
    ...stores, way: 'twoMachines', label: `${stores.label} and ${converts.label}`, toPay: stores.toPay + converts.toPay - extras, horizonCost: stores.horizonCost + converts.horizonCost,
    possible: converts.possible, idleW: stores.idleW + converts.idleW, lacks: [], second: converts.plan,
  }
}
