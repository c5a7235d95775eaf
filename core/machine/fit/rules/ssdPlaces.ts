import { fitRule } from '../fitRule'

/** Every M.2 SSD has a place that takes its kind. */
export const ssdPlaces = fitRule<{ readonly missing: readonly string[] }>({
  id: 'ssdPlaces',
  label: 'M.2 places',
  group: 'places',
  stops: true,
  judge({ board, places, unplaced }) {
    const isM2 = (wants: string) => wants === 'nvme' || wants === 'sata'
    const missing = unplaced.filter(({ wants }) => isM2(wants))
    if (!board || (missing.length === 0 && !places.some(({ holds }) => holds && isM2(holds.wants))))
      return null
    return {
      state: missing.length ? 'fail' : 'pass',
      values: { missing: missing.map(({ item }) => item.label) },
      clash: { parts: missing.flatMap(({ item }) => item.partIndex ?? []) },
    }
  },
  say: ({ missing }) =>
    missing.length
      ? `There is no free M.2 place that takes: ${missing.join(', ')}.`
      : 'Every M.2 SSD has a place that takes it.',
  fixes: () => [
    { how: 'replace', kind: 'ssd' },
    { how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'm2Card' },
    { how: 'replace', kind: 'board' },
  ],
})
