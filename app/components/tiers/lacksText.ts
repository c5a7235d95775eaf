import { headrooms, type NeedId } from '~~/core/headrooms'

/** What a build lacks, in a sentence; empty where it lacks nothing. */
export function lacksText(lacks: readonly NeedId[]): string {
  if (lacks.length === 0) return ''
  const parts = lacks.map(id => headrooms[id].lacking)
  const text =
    parts.length === 1 ? parts[0]! : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
}
