import { fitRule } from '../fitRule'

/** A machine that hangs on Wi-Fi has an aerial: on its board, or a card in a slot. */
export const wifiThere = fitRule<{ readonly byCard: boolean }>({
  id: 'wifiThere',
  label: 'Wi-Fi in the machine',
  group: 'running',
  about: ['network.serverLink'],
  otherwise: 'Where no slot is left for such a card, a cable is the way.',
  judge({ board, build: { parts }, places, machine }) {
    if (!machine.onWifi || !board) return null
    const byCard = parts.some(
      ({ kind, entry, index }) =>
        kind === 'networkCard' &&
        entry.medium === 'wifi' &&
        places.some(({ holds, offBy }) => holds?.partIndex === index && offBy === null),
    )
    return { state: board.wifi || byCard ? 'pass' : 'fail', values: { byCard } }
  },
  say: ({ byCard }, _, state) =>
    state === 'pass'
      ? `Its Wi-Fi is ${byCard ? 'a card in a slot' : 'on the board'}.`
      : 'The plan has the machine on Wi-Fi, and it has none. Lay a cable to it, or add a card.',
  fixes: () => [
    {
      how: 'add',
      kind: 'networkCard',
      only: entry => 'medium' in entry && entry.medium === 'wifi',
    },
  ],
})
