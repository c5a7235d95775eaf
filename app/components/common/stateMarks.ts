import type { VerdictState } from '~~/core/verdict'

/** Word and shape of each state; the shape is a path in a 16×16 box. */
export const stateMarks: Readonly<Record<VerdictState, { word: string; path: string }>> = {
  ample: {
    word: 'Ample',
    path: 'M2 9l6-5 6 5-1.3 1.5L8 6.6l-4.7 3.9zM2 13.5l6-5 6 5L12.7 15 8 11.1 3.3 15z',
  },
  enough: { word: 'Enough', path: 'M2 11l6-6 6 6-1.5 1.5L8 8l-4.5 4.5z' },
  tight: { word: 'Tight', path: 'M2 5h12v2.2H2zM2 9h12v2.2H2z' },
  short: { word: 'Short', path: 'M2 5l6 6 6-6-1.5-1.5L8 8 3.5 3.500z' },
  impossible: {
    word: 'Impossible',
    path:
      'M3.600 2L8 6.400 12.400 2 14 3.600 9.600 8l4.400 4.400-1.600 1.600L8 9.600 3.600 14 2 ' +
      '12.400 6.400 8 2 3.600z',
  },
  unknown: {
    word: 'Not known',
    path: 'M8 2a6 6 0 1 1 0 12A6 6 0 0 1 8 2zm0 2a4 4 0 1 0 0 8 4 4 0 0 0 0-8z',
  },
}
