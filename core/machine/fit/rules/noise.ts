import { isPlaceSaid } from '../../place/standsIn'
import { fitRule } from '../fitRule'

/** What arrives at the ear stays below the ceiling of the room. */
export const noise = fitRule<{ readonly atEarDb: number; readonly ceilingDb: number }>({
  id: 'noise',
  label: 'Noise at the ear',
  group: 'place',
  about: ['brief.place'],
  prunes: 'noise',
  otherwise: 'A closed cupboard takes 5 dB, and makes it warmer.',
  judge: ({ brief, noise: { atEarDb, ceilingDb, sources }, housing, drives }) =>
    housing && (drives.count > 0 || sources.length > 0)
      ? {
          state: !isPlaceSaid(brief) ? 'notKnown' : atEarDb <= ceilingDb ? 'pass' : 'warning',
          values: { atEarDb, ceilingDb },
        }
      : null,
  say: ({ atEarDb, ceilingDb }, { quantity }, state) =>
    state === 'notKnown'
      ? 'Say where it stands, under Brief; then the noise at the ear is judged.'
      : `While the drives seek, ${quantity(Math.round(atEarDb), 'dB(A)')} arrive at the ear; ` +
        `${quantity(ceilingDb, 'dB(A)')} are the most for that ` +
        `room${state === 'pass' ? '.' : '. Move it away, or choose slower drives and fans.'}`,
  fixes: () => [
    { how: 'replace', kind: 'supply' },
    { how: 'replace', kind: 'case' },
  ],
})
