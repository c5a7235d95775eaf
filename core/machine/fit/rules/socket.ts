import { fitRule } from '../fitRule'

/** The processor goes into the board's socket; a soldered one stays. */
export const socket = fitRule<{
  readonly board: string | null
  readonly processor: string | null
  readonly name: string
}>({
  id: 'socket',
  label: 'Processor in its socket',
  group: 'parts',
  prunes: 'core',
  stops: true,
  otherwise: 'Board and processor have to be chosen together: look the socket up for both.',
  judge({ board, build: { processor, isReplaced, parts } }) {
    if (!board) return null
    const clash = {
      parts: parts.filter(({ kind }) => kind === 'processor').map(({ index }) => index),
    }
    const values = {
      board: board.socket,
      processor: processor?.socket ?? null,
      name: processor?.name ?? '',
    }
    if (!processor) return { state: board.socket === null ? 'notKnown' : 'fail', values, clash }
    return {
      state:
        board.socket === null
          ? isReplaced
            ? 'fail'
            : 'pass'
          : processor.socket === board.socket
            ? 'pass'
            : 'fail',
      values,
      clash,
    }
  },
  say({ board, processor, name }, _, state) {
    if (!name)
      return board === null
        ? 'It is not known which processor is soldered to the board.'
        : `There is no processor; the board takes one with socket ${board}.`
    if (state === 'pass')
      return board === null
        ? `The ${name} is soldered to the board.`
        : `The ${name} goes into socket ${board}.`
    return board === null
      ? `The processor is soldered to this board, so the ${name} cannot go in.`
      : `The ${name} ` +
          `${processor === null ? 'is only sold soldered to a board' : `needs socket ${processor}`}; ` +
          `the board has socket ${board}.`
  },
  fixes: ({ board }) =>
    board?.socket
      ? [
          {
            how: 'replace',
            kind: 'processor',
            only: entry => 'socket' in entry && entry.socket === board.socket,
          },
          { how: 'replace', kind: 'board' },
        ]
      : [],
})
