import { fitRule } from '../fitRule'

const cautions = {
  shelf:
    'On an open shelf nothing stands between its parts and fingers, pets or a spilled glass, and ' +
    'every edge is bare. The supply keeps its own housing, screwed to metal; nothing that gets ' +
    'warm lies on wood or fabric.',
  printed:
    'Printed mounts soften from about 55 °C and burn: they may hold drives that have air, never ' +
    'the supply.',
  drilled:
    'Holes leave sharp edges and chips: deburr them, remove every chip, and drill with nothing ' +
    'inside. Its metal has to stay earthed.',
} as const

/** A case that somebody made: edges, fire, earth. */
export const madeCase = fitRule<{ readonly made: keyof typeof cautions | null }>({
  id: 'madeCase',
  label: 'Safety of the case',
  group: 'place',
  otherwise:
    'Leave what carries mains voltage closed, and to licensed practice; local codes come first.',
  judge({ housing, build: { parts } }) {
    if (!housing) return null
    const { made = null } = housing
    return {
      state: made ? 'warning' : 'pass',
      values: { made },
      clash: { parts: parts.flatMap(({ kind, index }) => (kind === 'case' ? [index] : [])) },
    }
  },
  say: ({ made }) => (made ? cautions[made] : 'The case is one that is sold.'),
  fixes: () => [{ how: 'replace', kind: 'case' }],
})
