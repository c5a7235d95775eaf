import { fitRule } from '../fitRule'

/**
 * Under this share of what the processor makes at its most, a cooler does not even do for everyday.
 */
export const minCooling = 0.6

/** The cooler carries away what the processor makes. */
export const coolerHeat = fitRule<{ readonly carriesW: number | null; readonly makesW: number }>({
  id: 'coolerHeat',
  label: 'Heat of the processor',
  group: 'parts',
  prunes: 'machine',
  otherwise: 'Use a processor that makes less heat.',
  judge({ coolsW, processor, board }) {
    if (!board || !processor) return null
    if (coolsW === null)
      return {
        state: board.socket === null ? 'pass' : 'fail',
        values: { carriesW: null, makesW: processor.maxW },
      }
    return {
      state:
        coolsW >= processor.maxW
          ? 'pass'
          : coolsW >= minCooling * processor.maxW
            ? 'warning'
            : 'fail',
      values: { carriesW: coolsW, makesW: processor.maxW },
    }
  },
  say({ carriesW, makesW }, { quantity }, state) {
    if (carriesW === null)
      return state === 'pass'
        ? 'The board comes with its cooler.'
        : 'There is no cooler for the processor.'
    return state === 'pass'
      ? `The cooler carries ${quantity(carriesW, 'W')}; the processor makes at most ` +
          `${quantity(makesW, 'W')}.`
      : `The processor makes ${quantity(makesW, 'W')} at its most; the cooler carries ` +
          `${quantity(carriesW, 'W')}, so it slows down under a long load.`
  },
  fixes: ({ cooler }) => [{ how: cooler ? 'replace' : 'add', kind: 'cooler' }],
})
