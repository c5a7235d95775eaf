import type { FitState } from '~~/core/machine/fit/fitRule'

/** Word and shape of each state of a rule; the shape is a path in a 16×16 box. */
export const fitMarks: Readonly<
  Record<
    FitState,
    {
      readonly word: string
      /** behind a number */ /** behind the number: at one, and at others */
      readonly counted: readonly [one: string, more: string]
      readonly path: string
    }
  >
> = {
  pass: {
    word: 'Fits',
    counted: ['fits', 'fit'],
    path: 'M2.500 8.200L6.300 12 13.500 4.500 12 3 6.300 9 4 6.700z',
  },
  warning: {
    word: 'Look at it',
    counted: ['to look at', 'to look at'],
    path: 'M8 2l6.500 12h-13zM7.200 6.500v4h1.600v-4zM7.200 11.500v1.500h1.600v-1.500z',
  },
  fail: {
    word: 'Does not fit',
    counted: ['does not fit', 'do not fit'],
    path:
      'M3.600 2L8 6.400 12.400 2 14 3.600 9.600 8l4.400 4.400-1.600 1.600L8 9.600 3.600 14 2 ' +
      '12.400 6.400 8 2 3.600z',
  },
  notKnown: {
    word: 'Not known',
    counted: ['not known', 'not known'],
    path: 'M8 2a6 6 0 1 1 0 12A6 6 0 0 1 8 2zm0 2a4 4 0 1 0 0 8 4 4 0 0 0 0-8z',
  },
}
