import { fitRule } from '../fitRule'

const names = {
  board: 'board',
  processor: 'processor',
  memory: 'memory',
  case: 'case',
  supply: 'power supply',
} as const

/** What cannot be exchanged in a prebuilt machine: its maker's own boards, supplies and plugs. */
export const fixedParts = fitRule<{ readonly base: string; readonly what: string | null }>({
  id: 'fixedParts',
  label: 'What the maker fixed',
  group: 'parts',
  prunes: 'machine',
  stops: true,
  otherwise: "Keep the maker's own part, or choose another machine.",
  judge({ build: { base, parts } }) {
    if (!base || base.fixed.length === 0) return null
    const clash = parts.filter(({ kind }) => (base.fixed as readonly string[]).includes(kind))
    const first = clash[0]?.kind
    return {
      state: clash.length ? 'fail' : 'pass',
      values: {
        base: base.label,
        what: first && first in names ? names[first as keyof typeof names] : null,
      },
      clash: { parts: clash.map(({ index }) => index) },
    }
  },
  say: ({ base, what }) =>
    what
      ? `The ${what} of the ${base} is its maker's own and cannot be exchanged.`
      : `Nothing is exchanged that the maker of the ${base} fixed.`,
  fixes: ({ build: { base, parts } }) =>
    parts
      .filter(({ kind }) => (base?.fixed as readonly string[] | undefined)?.includes(kind))
      .map(({ index }) => ({ how: 'remove', partIndex: index })),
})
