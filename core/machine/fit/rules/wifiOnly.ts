import { fitRule } from '../fitRule'

/** A machine that serves others hangs on a cable. */
export const wifiOnly = fitRule<{ readonly knowsWifi: boolean }>({
  id: 'wifiOnly',
  label: 'On a cable',
  group: 'running',
  prunes: 'core',
  otherwise:
    'No part makes Wi-Fi as good as a cable. Until one is laid, stand the machine beside the ' +
    'router.',
  judge: ({ build: { parts }, machine, system }) =>
    machine.onWifi ||
    parts.some(({ kind, entry }) => kind === 'networkCard' && entry.medium === 'wifi')
      ? {
          state: machine.onWifi ? (system && !system.wifi ? 'fail' : 'warning') : 'pass',
          values: { knowsWifi: system?.wifi ?? true },
        }
      : null,
  say: ({ knowsWifi }, _, state) =>
    state === 'pass'
      ? 'The machine hangs on a cable; its Wi-Fi stays unused.'
      : knowsWifi
        ? 'The machine hangs on Wi-Fi: what it sends to a device on Wi-Fi crosses the channel ' +
          'twice. Lay a cable to it.'
        : 'The machine hangs on Wi-Fi, and its system does not support that. Lay a cable to it.',
})
