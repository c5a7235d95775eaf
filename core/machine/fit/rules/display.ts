import { fitRule } from '../fitRule'

/** The board shows a picture, or starts without one. */
export const display = fitRule<{
  readonly shows: 'own' | 'engine' | 'card' | 'none'
  readonly headless: boolean
}>({
  id: 'display',
  label: 'Starts without a screen',
  group: 'running',
  prunes: 'core',
  stops: true,
  otherwise: 'Choose a processor with a video engine, or a board with a display of its own.',
  judge({ board, build: { builtIn, cards, base, processor } }) {
    if (!board || !processor) return null
    const shows =
      base?.class === 'appliance' || board.display === 'own'
        ? 'own'
        : board.display === 'withEngine' && builtIn
          ? 'engine'
          : cards.length
            ? 'card'
            : 'none'
    return {
      state: shows !== 'none' ? 'pass' : board.startsHeadless ? 'warning' : 'fail',
      values: { shows, headless: board.startsHeadless },
    }
  },
  say({ shows, headless }) {
    switch (shows) {
      case 'own':
        return 'It is set up without a video card.'
      case 'engine':
        return "The processor's engine drives a screen."
      case 'card':
        return 'The video card drives a screen.'
      case 'none':
        return headless
          ? 'Neither board nor processor drives a screen. It starts without one, but to ' +
              'install a system a card has to be borrowed.'
          : 'Neither board nor processor drives a screen, and the board does not start ' +
              'without one: it needs a video card for good.'
    }
  },
  fixes: () => [
    { how: 'add', kind: 'card' },
    { how: 'replace', kind: 'processor' },
    { how: 'replace', kind: 'board' },
  ],
})
