import { partsOfKind } from '../../knownParts'
import { fitRule, passIf } from '../fitRule'

/** Somebody can see what it says when it does not start. */
export const consoleAtHand = fitRule<{ readonly remote: boolean }>({
  id: 'console',
  label: 'When it does not start',
  group: 'running',
  otherwise: 'Keep a monitor and a keyboard where they can be carried to it.',
  judge({ board, machine, build: { base, parts } }) {
    if (!board) return null
    const remote =
      board.remoteManagement ||
      base?.class === 'appliance' ||
      partsOfKind(parts, 'cable').some(({ entry }) => entry.use === 'consoleBox')
    return { state: passIf(remote || machine.monitorAtHand, 'warning'), values: { remote } }
  },
  say: ({ remote }, _, state) =>
    remote
      ? 'It is managed over the network, even when it does not start.'
      : state === 'pass'
        ? 'A monitor is at hand for the day when it does not start.'
        : 'Without a monitor and without management over the network, nobody sees why it ' +
          'does not start.',
  fixes: () => [
    { how: 'add', kind: 'cable', only: entry => 'use' in entry && entry.use === 'consoleBox' },
  ],
})
