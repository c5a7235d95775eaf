import { partsOfKind } from '../../knownParts'
import { fitRule } from '../fitRule'

/** Damp and dust where it stands. */
export const dampAndDust = fitRule<{
  readonly damp: boolean
  readonly dusty: boolean
  readonly filtered: boolean
}>({
  id: 'dampAndDust',
  label: 'Damp and dust',
  group: 'place',
  about: ['brief.place'],
  otherwise: 'Stand it in a drier place, off the floor.',
  judge({ brief: { damp, dusty }, build: { parts } }) {
    const filtered = partsOfKind(parts, 'cable').some(({ entry }) => entry.use === 'dustFilter')
    return {
      state: damp || (dusty && !filtered) ? 'warning' : 'pass',
      values: { damp, dusty, filtered },
    }
  },
  say: ({ damp, dusty, filtered }) =>
    [
      damp ? 'It is damp there: contacts corrode, and it must not stand in a sealed cupboard.' : '',
      dusty
        ? filtered
          ? 'It is dusty there, and filters stand before the fans: clean them twice a year, ' +
            'unplugged.'
          : 'It is dusty there: put filters before the fans, and clean them twice a year, ' +
            'unplugged.'
        : '',
    ]
      .filter(Boolean)
      .join(' ') || 'It stands dry and clean.',
  fixes: (_, { dusty, filtered }) =>
    dusty && !filtered
      ? [{ how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'dustFilter' }]
      : [],
})
