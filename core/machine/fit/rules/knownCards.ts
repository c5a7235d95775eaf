import { fitRule } from '../fitRule'

/** The chosen kind of system knows the cards. */
export const knownCards = fitRule<{ readonly what: string | null; readonly system: string }>({
  id: 'knownCards',
  label: 'Cards that the system knows',
  group: 'running',
  prunes: 'core',
  otherwise:
    'Look the card up for your system before you buy it, or choose a system that knows ' +
    'more cards.',
  judge({ build: { parts }, system }) {
    const cards = parts.filter(({ kind }) => kind === 'controller' || kind === 'networkCard')
    if (cards.length === 0 || !system) return null
    const strange = system.knowsServerCards
      ? []
      : cards.filter(({ entry }) => 'knownTo' in entry && entry.knownTo === 'servers')
    return {
      state: strange.length ? 'warning' : 'pass',
      values: {
        what: strange[0] && 'label' in strange[0].entry ? strange[0].entry.label : null,
        system: system.label,
      },
      clash: { parts: strange.map(({ index }) => index) },
    }
  },
  say: ({ what, system }) =>
    what
      ? `Not every system knows ${what}; look it up for: ${system}.`
      : 'The cards are of a kind that every such system knows.',
  fixes: ({ build: { parts } }) =>
    parts.flatMap(({ kind }) =>
      kind === 'controller' || kind === 'networkCard' ? [{ how: 'replace', kind } as const] : [],
    ),
})
