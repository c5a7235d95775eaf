import { fitRule } from '../fitRule'

/** Every M.2 SSD has a place that takes its kind. */
export const ssdPlaces = fitRule<{
  readonly missing: readonly string[]
  readonly diskOut: boolean
}>({
  id: 'ssdPlaces',
  label: 'M.2 places',
  group: 'places',
  stops: true,
  otherwise: 'Use an SSD with a data port.',
  judge({ board, places, unplaced, diskOut }) {
    const isM2 = (wants: string) => wants === 'nvme' || wants === 'sata'
    const missing = unplaced.filter(({ wants }) => isM2(wants))
    if (
      !board ||
      (missing.length === 0 && !diskOut && !places.some(({ holds }) => holds && isM2(holds.wants)))
    )
      return null
    return {
      state: missing.length ? 'fail' : diskOut ? 'warning' : 'pass',
      values: { missing: missing.map(({ item }) => item.label), diskOut },
      clash: { parts: missing.flatMap(({ item }) => item.partIndex ?? []) },
    }
  },
  say: ({ missing, diskOut }) =>
    missing.length
      ? `There is no free M.2 place that takes: ${missing.join(', ')}.`
      : diskOut
        ? 'The system disk that it comes with gives its place to the SSD that you put in. ' +
          'Install the system on that one, or take an SSD of another kind.'
        : 'Every M.2 SSD has a place that takes it.',
  fixes: () => [
    { how: 'replace', kind: 'ssd' },
    { how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'm2Card' },
    { how: 'replace', kind: 'board' },
  ],
})
