import { fitRule } from '../fitRule'

/** What arrives at the ear stays below the ceiling of the room. */
export const noise = fitRule<{ readonly atEarDb: number; readonly ceilingDb: number }>({
  id: 'noise',
  label: 'Noise at the ear',
  group: 'place',
  about: ['brief.place'],
  otherwise: 'A closed cupboard takes 5 dB, and makes it warmer.',
  judge: ({ noise: { atEarDb, ceilingDb, sources }, housing, drives }) =>
    housing && (drives.count > 0 || sources.length > 0)
      ? { state: atEarDb <= ceilingDb ? 'pass' : 'warning', values: { atEarDb, ceilingDb } }
      : null,
  say: ({ atEarDb, ceilingDb }, { quantity }, state) =>
    `While the drives seek, ${quantity(Math.round(atEarDb), 'dB(A)')} arrive at the ear; ` +
    `${quantity(ceilingDb, 'dB(A)')} are the most for that ` +
    `room${state === 'pass' ? '.' : '. Move it away, or choose slower drives and fans.'}`,
  fixes: () => [
    { how: 'replace', kind: 'supply' },
    { how: 'replace', kind: 'case' },
  ],
})
