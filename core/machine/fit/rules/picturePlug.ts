import { partsOfKind } from '../../knownParts'
import { fitRule } from '../fitRule'

/** A card that sleeps without a screen is woken by a plug that stands in for one. */
export const picturePlug = fitRule<{ readonly card: string; readonly plugged: boolean }>({
  id: 'picturePlug',
  label: 'A screen for the video card',
  group: 'running',
  otherwise: 'Leave a screen plugged in.',
  judge({ build: { parts } }) {
    const cards = partsOfKind(parts, 'card').filter(({ entry }) => entry.wantsScreen)
    const [first] = cards
    if (!first) return null
    const plugged = partsOfKind(parts, 'cable').some(({ entry }) => entry.use === 'picturePlug')
    return {
      state: plugged ? 'pass' : 'warning',
      values: { card: first.entry.label, plugged },
      clash: { parts: plugged ? [] : cards.map(({ index }) => index) },
    }
  },
  say: ({ card, plugged }) =>
    plugged
      ? 'A plug stands in for the screen that the video card wants.'
      : `The video card (${card}) may sleep while no screen is plugged in, and then converts ` +
        'nothing. A plug that stands in for a screen wakes it.',
  fixes: () => [
    { how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'picturePlug' },
    { how: 'replace', kind: 'card' },
  ],
})
