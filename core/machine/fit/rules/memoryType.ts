import { fitRule } from '../fitRule'

/** Every stick is of the board's type and shape. */
export const memoryType = fitRule<{
  readonly type: string
  readonly wrong: string | null
  readonly soldered: boolean
}>({
  id: 'memoryType',
  label: 'Kind of memory',
  group: 'parts',
  prunes: 'core',
  stops: true,
  judge({ board, sticks }) {
    if (!board || sticks.length === 0) return null
    const { type, shape } = board.memory
    const wrong = sticks.filter(({ module }) => module.type !== type || module.shape !== shape)
    return {
      state: wrong.length ? 'fail' : 'pass',
      clash: { parts: wrong.flatMap(({ partIndex }) => partIndex ?? []) },
      values: {
        type: `${type}${shape === 'SO-DIMM' ? ', small' : ''}`,
        wrong: wrong[0]
          ? `${wrong[0].module.label} ` +
            `(${wrong[0].module.type}${wrong[0].module.shape === 'SO-DIMM' ? ', small' : ''})`
          : null,
        soldered: shape === 'soldered',
      },
    }
  },
  say: ({ type, wrong, soldered }) =>
    soldered
      ? 'The memory is soldered; none can be added.'
      : wrong
        ? `${wrong} does not go into this board; it takes ${type}.`
        : `The memory is ${type}, as the board takes it.`,
  fixes: ({ board, sticks }) =>
    board
      ? [
          {
            how: 'replace',
            kind: 'memory',
            count: Math.min(sticks.length, board.memory.slots),
            only: entry =>
              'memoryGB' in entry && 'type' in entry && entry.type === board.memory.type,
          },
        ]
      : [],
})
