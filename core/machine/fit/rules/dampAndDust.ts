import { fitRule } from '../fitRule'

/** Damp and dust where it stands. */
export const dampAndDust = fitRule<{ readonly damp: boolean; readonly dusty: boolean }>({
  id: 'dampAndDust',
  label: 'Damp and dust',
  group: 'place',
  about: ['brief.place'],
  judge: ({ brief: { damp, dusty } }) => ({
    state: damp || dusty ? 'warning' : 'pass',
    values: { damp, dusty },
  }),
  say: ({ damp, dusty }) =>
    [
      damp ? 'It is damp there: contacts corrode, and it must not stand in a sealed cupboard.' : '',
      dusty
        ? 'It is dusty there: put filters before the fans, and clean them twice a year, unplugged.'
        : '',
    ]
      .filter(Boolean)
      .join(' ') || 'It stands dry and clean.',
})
