import { minDriveC } from '../../place/heat'
import { fitRule } from '../fitRule'

/** Drives do not start colder than they are made for. */
export const coldDrives = fitRule<{ readonly coldestC: number }>({
  id: 'coldDrives',
  label: 'Coldest start of the drives',
  group: 'place',
  about: ['brief.roomLowC'],
  otherwise: 'No part warms a drive.',
  judge: ({ drives, brief: { roomLowC } }) =>
    drives.count + drives.inOwnCase > 0
      ? { state: roomLowC < minDriveC ? 'warning' : 'pass', values: { coldestC: roomLowC } }
      : null,
  say: ({ coldestC }, { quantity }, state) =>
    state === 'pass'
      ? `On the coldest day they start at ${quantity(coldestC, '°C')}, which they are made for.`
      : `On the coldest day they start at ${quantity(coldestC, '°C')}; drives are made for ` +
        `${quantity(minDriveC, '°C')} and more, and damp settles on cold ones. Let the machine ` +
        'run through, or find a warmer place.',
})
