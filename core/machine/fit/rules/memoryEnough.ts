import { fitRule } from '../fitRule'

/** Memory by use: below the floor it fails, below what is wanted it is a warning. */
export const memoryEnough = fitRule<{
  readonly gb: number
  readonly floorGB: number
  readonly wantedGB: number
}>({
  id: 'memoryEnough',
  label: 'Enough memory',
  group: 'running',
  prunes: 'core',
  otherwise: 'Run fewer services or conversions on it, or use a machine that takes more memory.',
  judge({ build: { memoryGB }, memory: { floorGB, wantedGB, sumGB }, board, machine }) {
    if (memoryGB === 0) return { state: 'fail', values: { gb: 0, floorGB, wantedGB } }
    if (!board && machine.memoryGB === null)
      return { state: 'notKnown', values: { gb: memoryGB, floorGB, wantedGB } }
    return {
      state: memoryGB < sumGB ? 'fail' : memoryGB < wantedGB ? 'warning' : 'pass',
      values: { gb: memoryGB, floorGB, wantedGB },
    }
  },
  say({ gb, floorGB, wantedGB }, { quantity }, state) {
    if (gb === 0) return `There is no memory; at least ${quantity(floorGB, 'GB')} are needed.`
    if (state === 'notKnown')
      return (
        `How much memory there is has not been entered; ${quantity(floorGB, 'GB')} are the ` +
        `least, ${quantity(wantedGB, 'GB')} are wanted.`
      )
    if (state === 'fail')
      return (
        `${quantity(gb, 'GB')} of memory are too little; at least ${quantity(floorGB, 'GB')} ` +
        'are needed.'
      )
    return state === 'pass'
      ? `${quantity(gb, 'GB')} of memory; ${quantity(wantedGB, 'GB')} are wanted.`
      : `${quantity(gb, 'GB')} of memory will do; ${quantity(wantedGB, 'GB')} are wanted.`
  },
  fixes: () => [
    { how: 'add', kind: 'memory' },
    { how: 'replace', kind: 'memory' },
    { how: 'replace', kind: 'memory', count: 2 },
  ],
})
