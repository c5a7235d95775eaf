import { counted } from '../../../units/counted'
import { fitRule } from '../fitRule'

/** Cards are short and low enough for the case, and it has openings for them. */
export const cardInCase = fitRule<{
  readonly tooLong: string | null
  readonly tooHigh: string | null
  readonly cards: number
  readonly taken: number
  readonly openings: number
  readonly maxMm: number
}>({
  id: 'cardInCase',
  label: 'Cards in the case',
  group: 'parts',
  prunes: 'cards',
  stops: true,
  otherwise: 'Use a shorter or lower card, or do without it.',
  judge({ housing, places }) {
    const cards = places.flatMap(({ holds }) => (holds?.wants === 'slot' ? [holds] : []))
    if (!housing || cards.length === 0) return null
    const tooLong = cards.find(({ lengthMm }) => lengthMm > housing.cardMm)
    const tooHigh = cards.find(({ lowHeight }) => !lowHeight && !housing.fullHeight)
    const taken = cards.reduce((sum, { openings }) => sum + openings, 0)
    const fits = !tooLong && !tooHigh && taken <= housing.cardSlots
    return {
      state: fits ? 'pass' : 'fail',
      clash: { parts: [tooLong, tooHigh].flatMap(card => card?.partIndex ?? []) },
      values: {
        tooLong: tooLong?.label ?? null,
        tooHigh: tooHigh?.label ?? null,
        cards: cards.length,
        taken,
        openings: housing.cardSlots,
        maxMm: housing.cardMm,
      },
    }
  },
  say({ tooLong, tooHigh, cards, taken, openings, maxMm }, { number: n }) {
    if (tooLong) return `${tooLong} is longer than the ${n(maxMm)} mm that the case leaves.`
    if (tooHigh) return `${tooHigh} is of full height; the case takes low cards only.`
    return taken > openings
      ? `${counted(cards, 'card')} ${cards === 1 ? 'takes' : 'take'} ` +
          `${counted(taken, 'opening')} at the back; the case has ${openings || 'none'}.`
      : 'The cards are short and low enough for the case.'
  },
  fixes: ({ places }) => [
    { how: 'replace', kind: 'case' },
    ...places.flatMap(({ holds }) =>
      holds?.kind === 'card' ? [{ how: 'replace', kind: 'card' } as const] : [],
    ),
  ],
})
