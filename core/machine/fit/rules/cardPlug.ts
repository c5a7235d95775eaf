import { counted } from '../../../units/counted'
import { fitRule, passIf } from '../fitRule'

/** Video cards that want a plug of their own get one. */
export const cardPlug = fitRule<{ readonly needed: number; readonly there: number }>({
  id: 'cardPlug',
  label: 'Plugs for video cards',
  group: 'power',
  prunes: 'body',
  stops: true,
  otherwise: 'Use a card that its slot feeds. Do not make a plug out of an adapter.',
  judge({ places, unplaced, supply }) {
    const needed = [
      ...places.flatMap(({ holds }) => holds ?? []),
      ...unplaced.map(({ item }) => item),
    ].reduce((sum, { cardPlugs }) => sum + cardPlugs, 0)
    return supply && needed > 0
      ? { state: passIf(needed <= supply.cardPlugs), values: { needed, there: supply.cardPlugs } }
      : null
  },
  say: ({ needed, there }, _, state) =>
    state === 'pass'
      ? `${counted(needed, 'plug')} for video cards, and the supply has ${there}.`
      : `The video card needs ${needed === 1 ? 'a plug' : `${needed} plugs`} of its own; the ` +
        `supply has ${there === 0 ? 'none' : there}.`,
  fixes: () => [
    { how: 'replace', kind: 'supply' },
    { how: 'replace', kind: 'card' },
  ],
})
