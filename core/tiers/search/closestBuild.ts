import { needIds, type NeedId } from '../../headrooms'
import type { BuildQuestion, FoundBuild } from './buildQuestion'
import type { LinkNeed } from './linksShort'
import { wayBuild, type WayBuild } from './wayBuild'

/** Needs that are given up to see what comes closest: one of them, else two, else all. */
const singles = needIds.map(need => [need])
const pairs = needIds.flatMap((one, at) => needIds.slice(at + 1).map(other => [one, other]))
const givenUpTogether: readonly (readonly (readonly NeedId[])[])[] = [singles, pairs, [needIds]]

/** What is given up of a question, and how much of it is asked for all the same. */
export type GivenUp = Pick<
  BuildQuestion,
  'without' | 'withoutConditions' | 'roomAtLeastTB' | 'possibleAtLeast'
>

/** What is needed of what can be met in part. */
export interface NeededInPart {
  readonly roomTB: number
  readonly conversions: number
}

/** What cannot be met whole is met by so much; the largest share that is found is the closest. */
const shares = [0.75, 0.5, 0.25]
function inPart(without: readonly NeedId[], needed: NeededInPart, share: number): GivenUp {
  return {
    without,
    withoutConditions: true,
    ...(without.includes('space') ? { roomAtLeastTB: share * needed.roomTB } : {}),
    ...(without.includes('streams')
      ? { possibleAtLeast: Math.floor(share * needed.conversions) }
      : {}),
  }
}

/**
 * Where nothing meets a need: the cheapest build that gives up as little as possible. What no
 * machine can mend goes first, then a condition at most, then parts of the need.
 * @param best the best build of the question with something given up; reports on the way
 * @param needed what is asked for where a part of it is better than nothing
 * @param outOfReach needs that no machine of those asked about can meet
 * @param isRefused conditions rule out every machine: it is looked at once more, whatever it lacks
 */
export function* closestBuild<Report>({
  best,
  costOf,
  needed,
  outOfReach,
  isRefused,
}: {
  readonly best: (givenUp: GivenUp) => Generator<Report, FoundBuild | null>
  readonly costOf: (build: WayBuild) => number
  readonly needed: NeededInPart
  readonly outOfReach: readonly LinkNeed[]
  readonly isRefused: boolean
}): Generator<Report, WayBuild | null> {
  if (outOfReach.length > 0) {
    const reached = yield* best({ without: outOfReach })
    if (reached) return wayBuild(reached)
  }
  const free = yield* best({ without: outOfReach, withoutConditions: true })
  if (free) return wayBuild(free)
  for (const together of isRefused ? [[needIds]] : givenUpTogether) {
    let closest: { readonly build: WayBuild; readonly without: readonly NeedId[] } | null = null
    for (const more of together) {
      const without = [...new Set([...outOfReach, ...more])]
      const near = yield* best({ without, withoutConditions: true })
      const build = near && wayBuild(near)
      if (build && (closest === null || costOf(build) < costOf(closest.build)))
        closest = { build, without }
    }
    if (closest) return (yield* inLargestPart(closest.without, best, needed)) ?? closest.build
  }
  return null
}

/** The build that meets the largest part of what is given up; null where none of it can be met. */
function* inLargestPart<Report>(
  without: readonly NeedId[],
  best: (givenUp: GivenUp) => Generator<Report, FoundBuild | null>,
  needed: NeededInPart,
): Generator<Report, WayBuild | null> {
  if (!without.includes('space') && !without.includes('streams')) return null
  for (const share of shares) {
    const near = yield* best(inPart(without, needed, share))
    if (near) return wayBuild(near)
  }
  return null
}
