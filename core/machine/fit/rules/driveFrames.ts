import { counted } from '../../../units/counted'
import { fitRule } from '../fitRule'

/** A smaller drive goes into a larger bay by a frame. */
export const driveFrames = fitRule<{ readonly missing: number }>({
  id: 'driveFrames',
  label: 'Frames for smaller drives',
  group: 'places',
  otherwise:
    'Every larger bay wants a frame; it costs little, and a drive without one hangs on ' +
    'its cable.',
  judge: ({ bays: { framed, frames } }) =>
    framed === 0
      ? null
      : { state: frames >= framed ? 'pass' : 'warning', values: { missing: framed - frames } },
  say: ({ missing }, _, state) =>
    state === 'pass'
      ? 'Every 2.5" drive in a 3.5" bay has its frame.'
      : `${counted(missing, '2.5" drive')} in ${missing === 1 ? 'a 3.5" bay wants a frame' : '3.5" bays want a frame each'}.`,
  fixes: (_, { missing }) => [
    {
      how: 'add',
      kind: 'cable',
      count: missing,
      only: entry => 'use' in entry && entry.use === 'driveFrame',
    },
  ],
})
