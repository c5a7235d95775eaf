import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'
import type { SearchCounts } from './branchAndBound'
import { closestBuild } from './closestBuild'
import { createBuildSearch, type BuildSearch } from './buildSearch'
import type { BuildQuestion, FoundBuild } from './buildQuestion'
import { ways, type WayId } from './frame'
import {
  asItIs,
  isJudged,
  isSameBuild,
  meetsAll,
  wayBuild,
  withConditions,
  yearsCost,
  type WayBuild,
} from './wayBuild'
import type { AsSearched } from './asSearched'

/** Why a build is an answer: cheapest over the years, now, or of another kind of building. */
export type Because = 'years' | 'now' | 'otherKind'

export interface BestBuild {
  readonly because: readonly Because[]
  readonly build: WayBuild
}

/** The answers to "which one to buy", as far as they are found. */
export interface BestBuilds extends SearchCounts {
  /** unlike ones: the best over the years first */
  readonly builds: readonly BestBuild[]
  /** where nothing meets the need within the budget: what comes closest, the nearest first */
  readonly closest: readonly WayBuild[]
  /** the plan as it is, where enough of it is known and it meets the need */
  readonly stays: WayBuild | null
  /** the copy away that comes with every build */
  readonly copy: AsSearched['copy']
  readonly done: boolean
}

const allWays = Object.keys(ways) as WayId[]
/**
 * The best build for a plan's need over the years, the best now, and the best of another kind of
 * building; of equal ones one, and the next kind fills the place. The budget is a limit within it.
 * Staying with what is there is one of the ways. Everything that says what to buy asks this.
 */
export function* bestBuilds(plan: Plan, catalogue: Catalogue): Generator<BestBuilds, BestBuilds> {
  const search = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  const { copy } = search.asked
  const stays = stayingOf(search, catalogue)
  const cap = plan.brief.budget
  const found: BestBuild[] = []
  const closest: WayBuild[] = []
  const counts = { nodes: 0, leaves: 0, cut: 0 }
  const told = (done = false): BestBuilds => ({
    ...counts,
    builds: [...found],
    closest: [...closest],
    stays,
    copy,
    done,
  })
  const best = (question: BuildQuestion) => counted(search, question, { counts, told })

  const ofYears = (without: readonly WayId[], capped = cap) =>
    best({ objective: 'horizon', ways: allWays.filter(way => !without.includes(way)), cap: capped })
  const withStaying = (build: WayBuild | null, costOf: (build: WayBuild) => number) =>
    stays && (cap === null || stays.toPay <= cap) && (!build || costOf(stays) <= costOf(build))
      ? stays
      : build

  const first = yield* ofYears([])
  const years = withStaying(first && wayBuild(first), yearsCost)
  if (!years) {
    for (const build of yield* closestBuilds({ cap, best, search, catalogue })) closest.push(build)
    return told(true)
  }
  const judged = (build: WayBuild) => withConditions(build, catalogue)
  found.push({ because: ['years'], build: judged(years) })
  yield told()
  const cheapest = yield* best({ objective: 'now', ways: null, cap })
  const now = withStaying(cheapest && wayBuild(cheapest), ({ toPay }) => toPay) ?? years
  if (isSameBuild(now, years)) found[0] = { because: ['years', 'now'], build: found[0]!.build }
  else found.push({ because: ['now'], build: judged(now) })
  yield told()
  const kinds: WayId[] = [years.way]
  while (found.length < 3) {
    const next = yield* ofYears(kinds)
    if (!next) break
    const build = wayBuild(next)
    kinds.push(build.way)
    const same = found.findIndex(other => isSameBuild(other.build, build))
    // What the plan has is no other kind of itself.
    if (same >= 0 && found[same]!.build.way !== build.way) continue
    if (same >= 0)
      found[same] = { ...found[same]!, because: [...found[same]!.because, 'otherKind'] }
    else found.push({ because: ['otherKind'], build: judged(build) })
    yield told()
  }
  return told(true)
}

/** The plan as it is, where enough of it is known and it meets the need; else null. */
function stayingOf({ asked }: BuildSearch, catalogue: Catalogue): WayBuild | null {
  if (!isJudged(asked.staying, catalogue)) return null
  const build = withConditions(asItIs(asked.staying, catalogue), catalogue)
  return meetsAll(build) ? build : null
}

/** A search to its end, its steps reported and counted. */
function* counted(
  { search }: BuildSearch,
  question: BuildQuestion,
  {
    counts,
    told,
  }: {
    readonly counts: { nodes: number; leaves: number; cut: number }
    readonly told: () => BestBuilds
  },
): Generator<BestBuilds, FoundBuild | null> {
  const before = { ...counts }
  for (const steps = search(question); ;) {
    const step = steps.next()
    counts.nodes = before.nodes + step.value.nodes
    counts.leaves = before.leaves + step.value.leaves
    counts.cut = before.cut + step.value.cut
    if (step.done) return step.value.best?.found ?? null
    yield told()
  }
}

/**
 * Where nothing meets the need: what does for more money, and what does but for a condition; else
 * what lacks least.
 */
function* closestBuilds({
  cap,
  best,
  search,
  catalogue,
}: {
  readonly cap: number | null
  readonly best: (question: BuildQuestion) => Generator<BestBuilds, FoundBuild | null>
  readonly search: BuildSearch
  readonly catalogue: Catalogue
}): Generator<BestBuilds, WayBuild[]> {
  const questions: readonly BuildQuestion[] = [
    { objective: 'horizon', ways: null, cap, withoutConditions: true },
    ...(cap === null ? [] : [{ objective: 'now' as const, ways: null, cap: null }]),
  ]
  const found: WayBuild[] = []
  for (const question of questions) {
    const near = yield* best(question)
    if (near) found.push(withConditions(wayBuild(near), catalogue))
  }
  if (found.length > 0) return found
  const closest = yield* closestBuild({
    best: givenUp => best({ objective: 'now', ways: null, cap: null, ...givenUp }),
    costOf: ({ toPay }) => toPay,
    needed: search.needed,
    outOfReach: search.outOfReach(null),
    isRefused: false,
  })
  return closest ? [withConditions(closest, catalogue)] : []
}
