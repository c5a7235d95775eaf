import { maxDriveC, warmDriveC } from '../../place/heat'
import { isPlaceSaid } from '../../place/standsIn'
import { fitRule } from '../fitRule'

/** Drives stay below 45 °C on the warmest day. */
export const warmDrives = fitRule<{ readonly warmestC: number; readonly riseK: number }>({
  id: 'warmDrives',
  label: 'Temperature of the drives',
  group: 'place',
  about: ['brief.place'],
  prunes: 'heat',
  otherwise:
    'Stand it in a cooler place, open the cupboard or make vents in it, and leave empty bays ' +
    'between drives.',
  judge: ({ brief, drives, heat, housing }) =>
    drives.count + drives.inOwnCase > 0 && housing
      ? {
          state: !isPlaceSaid(brief)
            ? 'notKnown'
            : heat.warmestC > maxDriveC
              ? 'fail'
              : heat.warmestC > warmDriveC
                ? 'warning'
                : 'pass',
          values: { warmestC: heat.warmestC, riseK: heat.riseK },
        }
      : null,
  say: ({ warmestC, riseK }, { quantity }, state) =>
    state === 'notKnown'
      ? 'Say where it stands, under Brief; then the warmth of the drives is judged.'
      : 'On the warmest day the drives reach about ' +
        `${quantity(warmestC, '°C')}${riseK >= 1 ? `, of which the closed cupboard adds ${quantity(riseK, '°C')}` : ''}${state === 'pass' ? '.' : state === 'warning' ? `. Over ${quantity(warmDriveC, '°C')} they fail more often: count that under Risk.` : `. No drive is made for more than ${quantity(maxDriveC, '°C')}.`}`,
  fixes: () => [
    { how: 'add', kind: 'fan' },
    { how: 'replace', kind: 'case' },
  ],
})
