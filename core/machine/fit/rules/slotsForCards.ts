import { counted } from '../../../units/counted'
import { fitRule } from '../fitRule'

/** Every card has a slot that is long enough and alive. */
export const slotsForCards = fitRule<{
  readonly cards: number
  readonly missing: readonly string[]
}>({
  id: 'slotsForCards',
  label: 'Slots for the cards',
  group: 'places',
  stops: true,
  otherwise: 'Leave a card out, or choose one that does the work of two.',
  judge({ board, places, unplaced }) {
    if (!board) return null
    const missing = unplaced.filter(({ wants }) => wants === 'slot').map(({ item }) => item)
    const cards = places.filter(({ holds }) => holds?.wants === 'slot').length + missing.length
    if (cards === 0) return null
    return {
      state: missing.length ? 'fail' : 'pass',
      values: { cards, missing: missing.map(({ label }) => label) },
      clash: { parts: missing.flatMap(({ partIndex }) => partIndex ?? []) },
    }
  },
  say: ({ cards, missing }) =>
    missing.length
      ? `There is no free slot for: ${missing.join(', ')}.`
      : `${counted(cards, 'card')}, each in a slot that takes it.`,
  fixes: ({ unplaced }) => [
    { how: 'replace', kind: 'board' },
    ...unplaced.flatMap(({ item }) =>
      item.partIndex === null || item.wants !== 'slot'
        ? []
        : [{ how: 'remove', partIndex: item.partIndex } as const],
    ),
  ],
})
