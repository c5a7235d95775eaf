import { fitRule } from '../fitRule'

/** Without a fan, a long load slows the processor down. */
export const passiveLoad = fitRule<{ readonly conversions: number }>({
  id: 'passiveLoad',
  label: 'Long load without a fan',
  group: 'running',
  otherwise: 'Convert less on it, or count with the fifth.',
  judge: ({ build: { passivelyCooled }, conversionsNeeded }) =>
    passivelyCooled
      ? {
          state: conversionsNeeded > 0 ? 'warning' : 'pass',
          values: { conversions: conversionsNeeded },
        }
      : null,
  say: ({ conversions }) =>
    conversions > 0
      ? 'Without a fan the processor slows down while it converts; its capacity counts a ' +
        'fifth less.'
      : 'Nothing is converted, so it needs no fan.',
  fixes: () => [{ how: 'replace', kind: 'cooler' }],
})
