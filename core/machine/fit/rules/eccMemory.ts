import { fitRule } from '../fitRule'

/**
 * Error-correcting memory needs processor, board and sticks that can. Checksummed pools like it; at
 * home it is a wish.
 */
export const eccMemory = fitRule<{ readonly lacks: readonly string[]; readonly asked: boolean }>({
  id: 'eccMemory',
  label: 'Error-correcting memory',
  group: 'parts',
  prunes: 'core',
  otherwise:
    'Processor, board and memory all have to be able to; with this machine that means ' +
    'another one. Check files by their checksums meanwhile.',
  judge({ board, processor, sticks, machine, copyOnWrite, build: { base } }) {
    if (!board || (!machine.wantsEcc && !copyOnWrite)) return null
    const plain = sticks.filter(({ module }) => !module.ecc)
    const comesWith = base && board === base.inside.board && base.memoryGB > 0
    // One stick that cannot leaves all of the memory without.
    const corrects = plain.length === 0 && (comesWith ? base.memoryEcc : sticks.length > 0)
    const lacks = [
      ...(processor?.ecc ? [] : ['processor']),
      ...(board.memory.ecc ? [] : ['board']),
      ...(corrects ? [] : ['memory']),
    ]
    return {
      state: lacks.length === 0 || !machine.wantsEcc ? 'pass' : 'fail',
      values: { lacks, asked: machine.wantsEcc },
      clash: {
        parts: plain.flatMap(({ partIndex }) => partIndex ?? []),
      },
    }
  },
  say: ({ lacks, asked }) =>
    lacks.length === 0
      ? 'Processor, board and memory correct errors.'
      : asked
        ? `Errors are not corrected, because of the ${lacks.join(' and the ')}.`
        : 'Memory errors are not corrected. At home a checksummed pool does without; some want it.',
  fixes: ({ sticks }, { lacks }) =>
    lacks.length === 1 && lacks[0] === 'memory'
      ? [
          {
            how: 'replace',
            kind: 'memory',
            count: Math.max(1, sticks.length),
            only: entry => 'ecc' in entry && entry.ecc === true,
          },
        ]
      : [],
})
