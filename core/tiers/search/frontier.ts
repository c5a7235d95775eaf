import { costEpsilon } from './branchAndBound'
import { createBuildSearch } from './buildSearch'
import type { BuildQuestion, Objective } from './buildQuestion'
import type { SearchCounts } from './branchAndBound'
import { wayBuild, type WayBuild } from './wayBuild'
import type { Catalogue } from '../../catalogue/catalogue'
import type { Plan } from '../../plan/planSchema'

/** What money is set against. */
export const frontierAxes = {
  possible: 'Conversions',
  roomTB: 'Room',
  lossChanceAtHorizon: 'Chance of loss',
} as const
export type FrontierAxis = keyof typeof frontierAxes

export interface FrontierProgress extends SearchCounts {
  readonly points: readonly WayBuild[]
  readonly done: boolean
}

/** So little more room, or so little less of a chance, is no step. */
const step = { roomTB: 0.1, loss: 0.98 }
/** No frontier is followed further: beyond it stands what no home needs. */
export const maxPoints = 14

function better(
  axis: FrontierAxis,
  { possible, roomTB, lossChanceAtHorizon }: WayBuild,
): Partial<BuildQuestion> {
  switch (axis) {
    case 'possible':
      return { possibleAtLeast: possible + 1 }
    case 'roomTB':
      return { roomAtLeastTB: roomTB + step.roomTB }
    case 'lossChanceAtHorizon':
      return { lossAtMost: lossChanceAtHorizon * step.loss }
  }
}

/**
 * The builds that no other beats in cost and in one more respect: the cheapest that meets the need,
 * then the cheapest that is better than
 * that in the other respect, and so on until there is none. Each is the end of an exact search.
 */
export function* frontier(
  plan: Plan,
  catalogue: Catalogue,
  { axis, objective }: { readonly axis: FrontierAxis; readonly objective: Objective },
): Generator<FrontierProgress, FrontierProgress> {
  const builds = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, catalogue)
  const points: WayBuild[] = []
  let counts: SearchCounts = { nodes: 0, leaves: 0, cut: 0 }
  let more: Partial<BuildQuestion> = {}
  let cost = -Infinity
  while (points.length < maxPoints) {
    const steps = builds.search({ objective, ways: null, cap: null, ...more })
    let next = steps.next()
    for (; !next.done; next = steps.next())
      yield {
        points,
        done: false,
        nodes: counts.nodes + next.value.nodes,
        leaves: counts.leaves + next.value.leaves,
        cut: counts.cut + next.value.cut,
      }
    const { best, nodes, leaves, cut } = next.value
    counts = { nodes: counts.nodes + nodes, leaves: counts.leaves + leaves, cut: counts.cut + cut }
    if (!best) break
    const build = wayBuild(best.found)
    // What costs the same and is better beats the one before.
    if (points.length > 0 && best.cost <= cost + costEpsilon) points.pop()
    points.push(build)
    cost = best.cost
    if (axis === 'lossChanceAtHorizon' && build.lossChanceAtHorizon <= 0) break
    more = better(axis, build)
    yield { points: [...points], done: false, ...counts }
  }
  return { points, done: true, ...counts }
}
