import { fitRule } from '../fitRule'

/** Every stick is of the board's type and shape. */
export const memoryType = fitRule<{
  readonly type: string
  readonly wrong: string | null
  readonly registered: boolean
  readonly mixed: boolean
  readonly soldered: boolean
}>({
  id: 'memoryType',
  label: 'Kind of memory',
  group: 'parts',
  prunes: 'core',
  stops: true,
  otherwise: 'Look the kind up on the label of the sticks that are in it.',
  judge({ board, sticks, build: { base } }) {
    if (!board || sticks.length === 0) return null
    const { type, shape, registered: canRegister } = board.memory
    const wrong = sticks.filter(
      ({ module }) =>
        module.type !== type || module.shape !== shape || (module.registered && !canRegister),
    )
    const comesWith = base && base.memorySticks > 0 ? [base.memoryRegistered] : []
    const kinds = new Set([...comesWith, ...sticks.map(({ module }) => module.registered)])
    return {
      state: wrong.length || kinds.size > 1 ? 'fail' : 'pass',
      clash: { parts: wrong.flatMap(({ partIndex }) => partIndex ?? []) },
      values: {
        mixed: kinds.size > 1,
        registered: wrong[0]?.module.registered ?? false,
        type: `${type}${shape === 'SO-DIMM' ? ', small' : ''}`,
        wrong: wrong[0]
          ? `${wrong[0].module.label} ` +
            `(${wrong[0].module.type}${wrong[0].module.shape === 'SO-DIMM' ? ', small' : ''})`
          : null,
        soldered: shape === 'soldered',
      },
    }
  },
  say: ({ type, wrong, registered, mixed, soldered }) =>
    soldered
      ? 'The memory is soldered; none can be added.'
      : wrong
        ? `${wrong} does not go into this board; it takes ${registered ? 'plain ' : ''}${type}.`
        : mixed
          ? 'Registered and plain memory do not run together: the board starts with one kind only.'
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
