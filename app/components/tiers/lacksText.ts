import { headrooms, type NeedId } from '~~/core/headrooms'
import { conditions } from '~~/core/tiers/conditions/conditions'
import { failedConditions, type WayBuild } from '~~/core/tiers/search/wayBuild'
import { withinSentence } from '~~/core/withinSentence'

/** A headroom and a condition may lack the same: it is told once. */
function sentenceOf(all: readonly string[]): string {
  const parts = [...new Set(all)]
  if (parts.length === 0) return ''
  const text =
    parts.length === 1 ? parts[0]! : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
}

/** What a build lacks, in a sentence; empty where it lacks nothing. */
export function lacksText(lacks: readonly NeedId[]): string {
  return sentenceOf(lacks.map(id => headrooms[id].lacking))
}

/** The same with the conditions that it does not meet. */
export function lackingText(build: Pick<WayBuild, 'lacks' | 'conditions'>): string {
  const failed = failedConditions(build)
  return sentenceOf([
    ...build.lacks.map(id => headrooms[id].lacking),
    ...conditions.flatMap(({ id, lacking }) => (failed.includes(id) ? [lacking] : [])),
  ])
}

/** What just holds at a build, in a sentence; empty where nothing is close. */
export function tightText({ conditions: judged }: Pick<WayBuild, 'conditions'>): string {
  const tight = judged.flatMap(({ id, state }) =>
    state === 'tight'
      ? [withinSentence(conditions.find(condition => condition.id === id)!.label)]
      : [],
  )
  return tight.length ? `Just holds: ${tight.join(', ')}.` : ''
}
