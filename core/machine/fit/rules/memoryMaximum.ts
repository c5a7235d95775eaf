import { fitRule, passIf } from '../fitRule'

/** The board takes so much memory at most. */
export const memoryMaximum = fitRule<{ readonly gb: number; readonly maxGB: number }>({
  id: 'memoryMaximum',
  label: 'Most memory',
  group: 'parts',
  prunes: 'core',
  stops: true,
  otherwise: 'The board knows no more: use fewer or smaller sticks.',
  judge({ board, build: { memoryGB }, sticks }) {
    if (!board || sticks.length === 0) return null
    return {
      state: passIf(memoryGB <= board.memory.maxGB),
      values: { gb: memoryGB, maxGB: board.memory.maxGB },
      clash: { parts: sticks.flatMap(({ partIndex }) => partIndex ?? []) },
    }
  },
  say: ({ gb, maxGB }, { quantity }, state) =>
    state === 'pass'
      ? `${quantity(gb, 'GB')} of at most ${quantity(maxGB, 'GB')}.`
      : `The board takes at most ${quantity(maxGB, 'GB')}; there are ${quantity(gb, 'GB')}.`,
  fixes: ({ sticks }) => [
    { how: 'replace', kind: 'memory', count: sticks.length },
    { how: 'replace', kind: 'memory' },
  ],
})
