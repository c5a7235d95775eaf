import type { NeedId } from '~~/core/tiers/search/buildSearch'

const lacking: Readonly<Record<NeedId, string>> = {
  streams: 'it converts too little',
  space: 'it has too little room',
  survival: 'too few drives may fail',
  home: 'the home network is too slow',
  away: 'the upload is too small',
  fit: 'it does not go together',
}

/** What a build lacks, in a sentence; empty where it lacks nothing. */
export function lacksText(lacks: readonly NeedId[]): string {
  if (lacks.length === 0) return ''
  const parts = lacks.map(id => lacking[id])
  const text =
    parts.length === 1 ? parts[0]! : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`
}
