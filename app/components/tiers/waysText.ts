import { withinSentence } from '~~/core/withinSentence'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'

/** The cheapest of all ways, in a sentence. */
export function waysText(
  best: readonly WayBuild[],
  costOf: (build: WayBuild) => number,
  money: (value: number) => string,
): string {
  const [first] = best
  if (!first) return 'No build that meets the need has been found yet.'
  return (
    `${first.label} (${withinSentence(wayNames[first.way])}) with ${first.drives}: ` +
    `${money(costOf(first))}.`
  )
}
