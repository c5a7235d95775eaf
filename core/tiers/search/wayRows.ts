import type { Catalogue } from '../../catalogue/catalogue'
import { planAssessor } from '../../assess'
import { costOverYears } from '../../ownership/cashFlow'
import type { Plan } from '../../plan/planSchema'
import type { SearchCounts } from './branchAndBound'
import { createBuildSearch } from './buildSearch'
import { needIds, type NeedId } from '../../headrooms'
import { lacksOf, type BuildQuestion, type FoundBuild, type Objective } from './buildQuestion'
import { ways, type WayId } from './frames'
import { layoutLabel } from './names'

/** A budget by which builds are sorted. */
export interface Tier {
  readonly name: string
  readonly cap: number
}

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

/**
 * One way of building: its best build, the best in each tier, and where nothing does, the one that
 * comes closest: it lacks least, and costs least of those.
 */
export interface WayRow {
  readonly way: WayId
  readonly best: WayBuild | null
  readonly tiers: readonly { readonly tier: Tier; readonly build: WayBuild | null }[]
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
  return {
    way,
    label: plan.machine.name || frame,
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
    second: null,
  }
}

/** The plan as it stands, as one way among others. */
function asItIs(plan: Plan, catalogue: Catalogue): WayBuild {
  const {
    domains: { ownership, years, streams, drives, machine },
    verdicts,
  } = planAssessor(1).assess(plan, catalogue)
  const states = new Map(verdicts.map(({ id, state }) => [id, state]))
  return {
    way: 'stay',
    label: plan.machine.name,
    plan,
    toPay: ownership.toPay,
    horizonCost: costOverYears(years.question),
    possible: streams.possible?.likely ?? 0,
    roomTB: drives.pool?.roomTB ?? 0,
    lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1,
    idleW: machine.states[0].watts.likely,
    freeBays: machine.freeBays,
    second: null,
    drives: plan.drives.lots.map(({ count, sizeTB }) => `${count} × ${sizeTB} TB`).join(' + '),
    lacks: needIds.filter(id => states.get(id) === 'short' || states.get(id) === 'impossible'),
  }
}

/** Needs that are given up to see what comes closest: one of them, else two, else all. */
const singles = needIds.map(need => [need])
const pairs = needIds.flatMap((one, at) => needIds.slice(at + 1).map(other => [one, other]))
const givenUpTogether: readonly (readonly (readonly NeedId[])[])[] = [singles, pairs, [needIds]]

export interface WaysQuestion {
  readonly objective: Objective
  readonly tiers: readonly Tier[]
}

/**
 * Every way of building for a plan's need, one after the other: the best build without a limit, the
 * best within each tier, and where a way
 * does not meet the need, the cheapest build that gives up one part of it. Reports on the way; rows
 * that are done stay as they are.
 */
export function* wayRows(
  plan: Plan,
  catalogue: Catalogue,
  { objective, tiers }: WaysQuestion,
): Generator<WaysProgress, WaysProgress> {
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  const costOf = (build: WayBuild) => (objective === 'now' ? build.toPay : build.horizonCost)
  const rows: WayRow[] = []
  const all = (Object.keys(ways) as WayId[]).filter(
    way =>
      way === 'stay' || way === 'twoMachines' || builds.frames.some(frame => frame.way === way),
  )
  let counts: SearchCounts = { nodes: 0, leaves: 0, cut: 0 }
  let at: WayId | null = null
  const progress = (now: SearchCounts = { nodes: 0, leaves: 0, cut: 0 }): WaysProgress => ({
    rows: [...rows],
    at,
    done: rows.length,
    of: all.length,
    nodes: counts.nodes + now.nodes,
    leaves: counts.leaves + now.leaves,
    cut: counts.cut + now.cut,
  })
  function* one(
    question: Omit<BuildQuestion, 'objective'>,
  ): Generator<WaysProgress, FoundBuild | null> {
    const steps = builds.search({ ...question, objective })
    for (;;) {
      const step = steps.next()
      if (step.done) {
        const { nodes, leaves, cut } = step.value
        counts = {
          nodes: counts.nodes + nodes,
          leaves: counts.leaves + leaves,
          cut: counts.cut + cut,
        }
        return step.value.best?.found ?? null
      }
      yield progress(step.value)
    }
  }
  const halves = {
    stores: { ways: null, without: ['streams'] },
    converts: { ways: null, without: ['space', 'survival'], withoutDrives: true },
  } as const
  /**
   * Of one half every build that none beats in both what is paid now and the cost that is made
   * least: the dearest first.
   */
  function* front(
    half: Omit<BuildQuestion, 'objective' | 'cap'>,
    first: WayBuild,
  ): Generator<WaysProgress, WayBuild[]> {
    const found = [first]
    for (;;) {
      const next = yield* one({ ...half, cap: found.at(-1)!.toPay - 0.01 })
      if (!next) return found
      found.push(wayBuild(next))
    }
  }
  /**
   * One machine stores and one converts: each need is met by one of them, so the cheapest pair is
   * the cheapest of each, and under a limit the best of the pairs of their fronts.
   */
  function* pairRow(): Generator<WaysProgress, WayRow> {
    const way = 'twoMachines'
    const [stores, converts] = [
      yield* one({ ...halves.stores, cap: null }),
      yield* one({ ...halves.converts, cap: null }),
    ]
    if (!stores || !converts)
      return { way, best: null, closest: null, tiers: tiers.map(tier => ({ tier, build: null })) }
    const pair = (one: WayBuild, other: WayBuild) => twoMachines(one, other, plan.costs)
    const best = pair(wayBuild(stores), wayBuild(converts))
    if (objective === 'now' || tiers.every(({ cap }) => best.toPay <= cap))
      return {
        way,
        best,
        closest: null,
        tiers: tiers.map(tier => ({ tier, build: best.toPay <= tier.cap ? best : null })),
      }
    const [storing, converting] = [
      yield* front(halves.stores, wayBuild(stores)),
      yield* front(halves.converts, wayBuild(converts)),
    ]
    const all = storing
      .flatMap(one => converting.map(other => pair(one, other)))
      .sort((a, b) => a.horizonCost - b.horizonCost)
    return {
      way,
      best,
      closest: null,
      tiers: tiers.map(tier => ({
        tier,
        build: all.find(({ toPay }) => toPay <= tier.cap) ?? null,
      })),
    }
  }
  for (const way of all) {
    at = way
    yield progress()
    if (way === 'stay') {
      const build = asItIs(plan, catalogue)
      const meets = build.lacks.length === 0
      rows.push({
        way,
        best: meets ? build : null,
        closest: meets ? null : build,
        tiers: tiers.map(tier => ({
          tier,
          build: meets && build.toPay <= tier.cap ? build : null,
        })),
      })
      continue
    }
    if (way === 'twoMachines') {
      rows.push(yield* pairRow())
      continue
    }
    const found = yield* one({ ways: [way], cap: null })
    const best = found && wayBuild(found)
    const within: WayRow['tiers'][number][] = []
    for (const tier of tiers) {
      const capped =
        best === null || best.toPay <= tier.cap ? null : yield* one({ ways: [way], cap: tier.cap })
      within.push({
        tier,
        build: best && best.toPay <= tier.cap ? best : capped && wayBuild(capped),
      })
    }
    let closest: WayBuild | null = null
    if (!best)
      for (const together of givenUpTogether) {
        for (const without of together) {
          const near = yield* one({ ways: [way], cap: null, without })
          if (near && (closest === null || costOf(wayBuild(near)) < costOf(closest)))
            closest = wayBuild(near)
        }
        if (closest) break
      }
    rows.push({ way, best, tiers: within, closest })
  }
  at = null
  return progress()
}

/**
 * One machine that stores and one that converts, with what links them; what is paid whatever is
 * bought is counted once.
 */
function twoMachines(
  stores: WayBuild,
  converts: WayBuild,
  { extras, linkBetween }: Plan['costs'],
): WayBuild {
  const { label, plan, horizonCost, idleW } = converts
  const toPay = converts.toPay - extras
  return {
    ...stores,
    way: 'twoMachines',
    label: `${stores.label} and ${label}`,
    toPay: stores.toPay + toPay + linkBetween,
    horizonCost: stores.horizonCost + horizonCost + linkBetween,
    possible: converts.possible,
    idleW: stores.idleW + idleW,
    lacks: [],
    second: { label, plan, toPay, horizonCost, linkPrice: linkBetween },
  }
}
