import { measuredBounds } from './measuredBounds'
import { planAssessor } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import { createBoxEvaluator } from '../boxEvaluator'
import type { BoxEvaluator } from '../buildRows'
import { branchAndBound, type SearchResult } from './branchAndBound'
import type { BuildQuestion, FoundBuild, SearchSpace } from './buildQuestion'
import { framesOf } from './frames'
import type { Frame, WayId } from './frame'
import { noDrives, poolOffers } from './poolOffers'
import { linksShort, type LinkNeed } from './linksShort'
import type { NeededInPart } from './closestBuild'
import { createPruning } from './pruning'
import { fitRules } from '../../machine/fit/fitRules'
import {
  noConditions,
  searchConditions,
  type SearchConditions,
} from '../conditions/searchConditions'
import { withoutNeedlessVents } from './vents'
import { asSearched, type AsSearched } from './asSearched'
import { searchProblem, type Asked, type BuildProblem, type SearchBasis } from './searchProblem'

type Steps = Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>>

export interface BuildSearch {
  /**
   * the cheapest build for a question, in steps; memory of what was worked out is kept between
   * questions
   */
  readonly search: (question: BuildQuestion) => Steps
  /**
   * the same of a plan that has other conditions, a copy away excepted: what was worked out of
   * machines and drives serves it too
   */
  readonly searchWith: (conditions: Plan['conditions'], question: BuildQuestion) => Steps
  /** the plan as it is searched for, with the copy away that it lacked */
  readonly asked: AsSearched
  readonly frames: readonly Frame[]
  /** whether conditions rule out every machine of a way */
  readonly refuses: (way: WayId) => boolean
  /** what no machine of these ways can mend, of any way where none is named */
  readonly outOfReach: (ways: readonly WayId[] | null) => readonly LinkNeed[]
  /** what is asked for of what can be met in part */
  readonly needed: NeededInPart
  readonly evaluator: BoxEvaluator
  /** the least that any build can cost for a question */
  readonly minCost: (question: BuildQuestion) => number
}

/** What a plan asks for; nothing is taken where the copy that it asks for cannot be had. */
function conditionsOf(plan: Plan, catalogue: Catalogue, isUnmet: boolean): SearchConditions {
  const asked = searchConditions(plan, catalogue)
  return isUnmet ? { ...asked, takesFrame: () => false } : asked
}

/** Conditions with what they prune. */
function askedBy(
  conditions: SearchConditions,
  {
    plan,
    catalogue,
    evaluator,
  }: { readonly plan: Plan; readonly catalogue: Catalogue; readonly evaluator: BoxEvaluator },
): Asked {
  const { strictRules } = conditions
  return {
    conditions,
    pruning: createPruning(plan, catalogue, { evaluator, strictRules }),
    strict: fitRules.filter(({ id }) => strictRules.has(id)),
  }
}

/** A plan made ready for searching, with the space that is searched. */
export function searchBasis(
  { plan, copy, isUnmet }: AsSearched,
  shipped: Catalogue,
  space?: SearchSpace,
): SearchBasis {
  const catalogue = effectiveCatalogue(plan, shipped)
  const offers = space?.pools ?? poolOffers(plan, catalogue, { roomTB: 0, survives: 0 })
  const usual = offers.find(({ count }) => count > 0)?.drives ?? plan.drives
  const evaluator = createBoxEvaluator(plan, shipped, usual)
  const { library, drives, streams, machine, fitting } = planAssessor(1).facts(plan, shipped, [
    'library',
    'drives',
    'streams',
    'machine',
    'fitting',
  ])
  return {
    plan,
    frames: space?.frames ?? framesOf(plan, catalogue),
    offers,
    withoutDrives: noDrives(plan, catalogue),
    evaluator,
    asked: {
      asked: askedBy(conditionsOf(plan, catalogue, isUnmet), { plan, catalogue, evaluator }),
      free: askedBy(noConditions, { plan, catalogue, evaluator }),
    },
    copyPrice: copy?.price ?? 0,
    ownLayout: drives.layoutId,
    // Nobody chose it: other drives may have to survive more, which their own row says.
    survivesAtLeast:
      drives.asked.because === 'chosen' ? drives.asked.count : Math.min(1, drives.asked.count),
    contentTB: Math.max(library.contentAtHorizonTB.likely, library.contentTB.likely),
    conversions: streams.needed.needed,
    keepsNothing: library.empty,
    measured: measuredBounds({ machine, drives, fitting }),
  }
}

/** Searches of one plan over the catalogue, with one memory for all of them. */
export function createBuildSearch(
  plan: Plan,
  shipped: Catalogue,
  space?: SearchSpace,
): BuildSearch {
  const asked = asSearched(plan, shipped)
  const basis = searchBasis(asked, shipped, space)
  return {
    asked,
    search: question =>
      settled(stepsOf(searchProblem(basis, question), question.costsAtMost), asked, shipped),
    searchWith(conditions, question) {
      const other = { ...asked.plan, conditions }
      const catalogue = effectiveCatalogue(other, shipped)
      const { evaluator } = basis
      const set = askedBy(conditionsOf(other, catalogue, asked.isUnmet), {
        plan: other,
        catalogue,
        evaluator,
      })
      const problem = searchProblem(
        { ...basis, plan: other, asked: { ...basis.asked, asked: set } },
        question,
      )
      return settled(stepsOf(problem, question.costsAtMost), asked, shipped)
    },
    frames: basis.frames,
    refuses: way =>
      basis.frames.every(
        frame => frame.way !== way || !basis.asked.asked.conditions.takesFrame(frame),
      ),
    outOfReach(ways) {
      const frames = basis.frames.filter(({ way }) => ways === null || ways.includes(way))
      const short = frames.map(frame => linksShort(frame, basis.evaluator))
      return short.length === 0
        ? []
        : short[0]!.filter(need => short.every(others => others.includes(need)))
    },
    needed: { roomTB: basis.contentTB, conversions: basis.conversions },
    evaluator: basis.evaluator,
    minCost: question => searchProblem(basis, question).least(),
  }
}

/**
 * A first look within a narrow limit, then wider ones: dear ways are hardly looked into before a
 * good build is known.
 */
function* stepsOf(problem: BuildProblem, costsAtMost = Infinity): Steps {
  const least = problem.least()
  let [nodes, leaves, cut] = [0, 0, 0]
  if (least === Infinity) return { best: null, nodes, leaves, cut }
  for (let upTo = least + firstStep(least); ; upTo = upTo + 2 * (upTo - least)) {
    const limit = Math.min(upTo > unlimitedFrom ? Infinity : upTo, costsAtMost)
    const steps = branchAndBound(problem, limit)
    let step = steps.next()
    for (; !step.done; step = steps.next())
      yield {
        ...step.value,
        nodes: nodes + step.value.nodes,
        leaves: leaves + step.value.leaves,
        cut: cut + step.value.cut,
      }
    nodes += step.value.nodes
    leaves += step.value.leaves
    cut += step.value.cut
    if (step.value.best || limit === Infinity || limit === costsAtMost)
      return { best: step.value.best, nodes, leaves, cut }
  }
}

/** The end of a search without vents that its build does not need. */
function* settled(steps: Steps, { staying }: AsSearched, shipped: Catalogue): Steps {
  const end = yield* steps
  if (!end.best) return end
  const { found } = end.best
  const plan = withoutNeedlessVents(found.plan, staying.brief, shipped)
  return plan === found.plan ? end : { ...end, best: { ...end.best, found: { ...found, plan } } }
}

/** The first limit stands so far above the least that a build can cost. */
const firstStep = (least: number) => Math.max(80, 0.25 * least)
/** Beyond this there is no limit any more. */
const unlimitedFrom = 60_000

/** Runs a search to its end. */
export function finishSearch(
  steps: Generator<SearchResult<FoundBuild>, SearchResult<FoundBuild>>,
): SearchResult<FoundBuild> {
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
