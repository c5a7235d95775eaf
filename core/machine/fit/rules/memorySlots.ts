import { sticksTaken } from '../../assembly/assembly'
import { counted } from '../../../units/counted'
import { fitRule, passIf } from '../fitRule'

/** There is a slot for every stick, those that came with the machine counted. */
export const memorySlots = fitRule<{ readonly sticks: number; readonly slots: number }>({
  id: 'memorySlots',
  label: 'Memory slots',
  group: 'parts',
  prunes: 'core',
  stops: true,
  otherwise: 'Use fewer, larger sticks.',
  judge(context) {
    const { board, sticks } = context
    if (!board || sticks.length === 0) return null
    const taken = sticksTaken(context)
    return {
      state: passIf(taken <= board.memory.slots),
      values: { sticks: taken, slots: board.memory.slots },
      clash: { parts: sticks.flatMap(({ partIndex }) => partIndex ?? []) },
    }
  },
  say: ({ sticks, slots }, _, state) =>
    state === 'pass'
      ? `${counted(sticks, 'stick')} in ${counted(slots, 'memory slot')}.`
      : `${counted(sticks, 'stick')} of memory, and only ${counted(slots, 'slot')}.`,
  fixes: ({ board, build, sticks }) =>
    board
      ? [
          {
            how: 'replace',
            kind: 'memory',
            count: Math.max(
              1,
              Math.min(sticks.length, board.memory.slots - (build.base?.memorySticks ?? 0)),
            ),
          },
        ]
      : [],
})
