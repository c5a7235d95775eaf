import type { Catalogue } from '../../catalogue/catalogue'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import type { SearchCounts } from './branchAndBound'
import { createBuildSearch } from './buildSearch'
import { closestBuild, type NeededInPart } from './closestBuild'
import type { BuildQuestion, FoundBuild, Objective } from './buildQuestion'
import { type WayId, ways } from './frame'
import type { LinkNeed } from './linksShort'
import { ofHousehold } from './ofHousehold'
import {
  asItIs,
  isJudged,
  meetsAll,
  twoMachines,
  wayBuild,
  withConditions,
  yearsCost,
  type WayBuild,
} from './wayBuild'

/** A budget by which builds are sorted. */
export interface Tier {
  readonly name: string
  readonly cap: number
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
  const all = (Object.keys(ways) as WayId[]).filter(
    way =>
      way === 'stay' || way === 'twoMachines' || builds.frames.some(frame => frame.way === way),
  )
  const rows: WayRow[] = []
  const counted: SearchCounts[] = []
  let at: WayId | null = null
  const progress = (...now: SearchCounts[]): WaysProgress => ({
    rows: [...rows],
    at,
    done: rows.length,
    of: all.length,
    ...sumOf([...counted, ...now]),
  })
  const asking: Asking = {
    plan: builds.asked.plan,
    catalogue,
    isRefused: way => builds.refuses(way),
    outOfReach: way => builds.outOfReach([way]),
    needed: builds.needed,
    objective,
    tiers,
    *best(question) {
      const steps = builds.search({ ...question, objective })
      for (;;) {
        const step = steps.next()
        if (step.done) {
          counted.push(step.value)
          return step.value.best?.found ?? null
        }
        yield progress(step.value)
      }
    },
  }
  for (const way of all) {
    at = way
    yield progress()
    rows.push(
      way === 'stay'
        ? rowAsItIs(builds.asked.staying, asking)
        : way === 'twoMachines'
          ? yield* pairRow(asking)
          : yield* searchedRow(way, asking),
    )
  }
  at = null
  return progress()
}

function sumOf(counts: readonly SearchCounts[]): SearchCounts {
  const total = (of: keyof SearchCounts) => counts.reduce((sum, each) => sum + each[of], 0)
  return { nodes: total('nodes'), leaves: total('leaves'), cut: total('cut') }
}

/** What rows are made with. */
interface Asking extends WaysQuestion {
  readonly plan: Plan
  readonly catalogue: Catalogue
  /** whether conditions rule out every machine of a way */
  readonly isRefused: (way: WayId) => boolean
  readonly needed: NeededInPart
  /** what no machine of a way can mend */
  readonly outOfReach: (way: WayId) => readonly LinkNeed[]
  /** the best build of a question; reports on the way */
  readonly best: (
    question: Omit<BuildQuestion, 'objective'>,
  ) => Generator<WaysProgress, FoundBuild | null>
}

function rowAsItIs(plan: Plan, { tiers, catalogue }: Asking): WayRow {
  const build = withConditions(asItIs(plan, catalogue), catalogue)
  const meets = meetsAll(build) && isJudged(plan, catalogue)
  return {
    way: 'stay',
    best: meets ? build : null,
    closest: meets ? null : build,
    tiers: tiers.map(tier => ({ tier, build: meets && build.toPay <= tier.cap ? build : null })),
  }
}

function* searchedRow(way: WayId, asking: Asking): Generator<WaysProgress, WayRow> {
  const found = yield* asking.best({ ways: [way], cap: null })
  const best = found && withConditions(wayBuild(found), asking.catalogue)
  const within: WayRow['tiers'][number][] = []
  for (const tier of asking.tiers) {
    const { cap } = tier
    const capped =
      best === null || best.toPay <= cap ? null : yield* asking.best({ ways: [way], cap })
    within.push({ tier, build: best && best.toPay <= cap ? best : capped && wayBuild(capped) })
  }
  return { way, best, tiers: within, closest: best ? null : yield* closestOf(way, asking) }
}

function* closestOf(
  way: WayId,
  { objective, best, catalogue, isRefused, outOfReach, needed }: Asking,
): Generator<WaysProgress, WayBuild | null> {
  const closest = yield* closestBuild({
    best: givenUp => best({ ways: [way], cap: null, ...givenUp }),
    costOf: build => (objective === 'now' ? build.toPay : yearsCost(build)),
    needed,
    outOfReach: outOfReach(way),
    isRefused: isRefused(way),
  })
  return closest && withConditions(closest, catalogue)
}

const halves = {
  stores: { ways: null, without: ['streams'] },
  converts: { ways: null, without: ['space', 'survival'], withoutDrives: true },
} as const

/**
 * Of one half every build that none beats in both what is paid now and the cost that is made least:
 * the dearest first.
 */
function* front(
  half: Omit<BuildQuestion, 'objective' | 'cap'>,
  first: WayBuild,
  { best }: Asking,
): Generator<WaysProgress, WayBuild[]> {
  const found = [first]
  for (;;) {
    const next = yield* best({ ...half, cap: found.at(-1)!.toPay - 0.01 })
    if (!next) return found
    found.push(wayBuild(next))
  }
}

/**
 * One machine stores and one converts: each need is met by one of them, so the cheapest pair is the
 * cheapest of each, and under a limit the best of the pairs of their fronts.
 */
function* pairRow(asking: Asking): Generator<WaysProgress, WayRow> {
  const { plan, objective, tiers } = asking
  const catalogue = effectiveCatalogue(plan, asking.catalogue)
  const household = ofHousehold(plan, catalogue)
  const row = (best: WayBuild | null, within: (tier: Tier) => WayBuild | null): WayRow => ({
    way: 'twoMachines',
    best,
    closest: null,
    tiers: tiers.map(tier => ({ tier, build: within(tier) })),
  })
  const stores = yield* asking.best({ ...halves.stores, cap: null })
  const converts = yield* asking.best({ ...halves.converts, cap: null })
  if (!stores || !converts) return row(null, () => null)
  const pair = (one: WayBuild, other: WayBuild) => twoMachines(one, other, { household, catalogue })
  const best = pair(wayBuild(stores), wayBuild(converts))
  if (objective === 'now' || tiers.every(({ cap }) => best.toPay <= cap))
    return row(best, ({ cap }) => (best.toPay <= cap ? best : null))
  const storing = yield* front(halves.stores, wayBuild(stores), asking)
  const converting = yield* front(halves.converts, wayBuild(converts), asking)
  const pairs = storing
    .flatMap(one => converting.map(other => pair(one, other)))
    .sort((a, b) => yearsCost(a) - yearsCost(b))
  return row(best, ({ cap }) => pairs.find(({ toPay }) => toPay <= cap) ?? null)
}
