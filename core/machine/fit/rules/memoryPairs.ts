import { fitRule, type PossibleFix } from '../fitRule'

/** Sticks of unlike size: the larger one's surplus runs on one channel. */
export const memoryPairs = fitRule<{ readonly sizes: readonly number[] }>({
  id: 'memoryPairs',
  label: 'Memory sticks of one size',
  group: 'parts',
  inReportOnly: true,
  otherwise: 'It works all the same; choose a second stick as large as the first when you add one.',
  judge({ board, sticks, build: { base } }) {
    const count = base?.memorySticks ?? 0
    if (!board || count + sticks.length < 2) return null
    const sizes = [
      ...Array.from({ length: count }, () => base!.memoryGB / count),
      ...sticks.map(({ module }) => module.memoryGB),
    ]
    const unlike = [...new Set(sizes)].sort((a, b) => a - b)
    return {
      state: unlike.length > 1 ? 'warning' : 'pass',
      values: { sizes: unlike },
      clash: { parts: sticks.flatMap(({ partIndex }) => partIndex ?? []) },
    }
  },
  say: ({ sizes }, { quantity }, state) =>
    state === 'pass'
      ? 'All sticks of memory are of one size.'
      : `The sticks hold ${quantity(sizes[0]!, 'GB')} and ${quantity(sizes.at(-1)!, 'GB')}: what ` +
        'the larger has beyond the smaller runs at half the rate. Films do not notice; a ' +
        'built-in video engine does.',
  fixes({ sticks }) {
    const totalGB = sticks.reduce((sum, { module }) => sum + module.memoryGB, 0)
    return [...new Set([sticks.length, 1])].flatMap(count =>
      count > 0
        ? [
            {
              how: 'replace',
              kind: 'memory',
              count,
              // As much as there is now, at least.
              only: entry => 'memoryGB' in entry && (entry.memoryGB ?? 0) * count >= totalGB,
            } as const satisfies PossibleFix,
          ]
        : [],
    )
  },
})
