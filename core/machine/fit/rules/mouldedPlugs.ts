import { fitRule } from '../fitRule'

/** Adapters with moulded plugs have shorted and burnt. */
export const mouldedPlugs = fitRule<{ readonly name: string }>({
  id: 'mouldedPlugs',
  label: 'Adapters that can burn',
  group: 'power',
  prunes: 'body',
  otherwise: 'A lead of the supply itself is best.',
  judge({ build: { parts } }) {
    const cables = parts.filter(({ kind }) => kind === 'cable')
    if (cables.length === 0) return null
    const moulded = cables.filter(({ entry }) => 'moulded' in entry && entry.moulded)
    return {
      state: moulded.length ? 'fail' : 'pass',
      values: {
        name: moulded[0] ? ('label' in moulded[0].entry ? moulded[0].entry.label : '') : '',
      },
      clash: { parts: moulded.map(({ index }) => index) },
    }
  },
  say: ({ name }) =>
    name
      ? `${name}: such plugs have shorted and set fire to machines. Use crimped ones.`
      : 'No adapter has a moulded plug.',
  fixes: ({ build: { parts } }) =>
    parts.flatMap(({ kind, entry, index }) =>
      kind === 'cable' && entry.moulded ? [{ how: 'remove', partIndex: index } as const] : [],
    ),
})
