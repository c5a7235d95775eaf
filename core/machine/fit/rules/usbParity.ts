import { fitRule } from '../fitRule'

/** Drives that share parity and hang on USB lose each other when the cable does. */
export const usbParity = fitRule<{ readonly parity: boolean }>({
  id: 'usbParity',
  label: 'Parity over USB',
  group: 'running',
  judge: ({ build: { parts }, parity, enclosedDrives }) =>
    parts.some(({ kind, entry }) => kind === 'enclosure' && entry.link === 'usb') &&
    enclosedDrives > 0
      ? { state: parity ? 'warning' : 'pass', values: { parity } }
      : null,
  say: ({ parity }) =>
    parity
      ? 'Drives with parity hang on USB: when the enclosure drops out for a second, several ' +
        'are missing at once and a rebuild begins.'
      : 'Single drives on USB; none depends on another.',
  fixes: () => [
    { how: 'replace', kind: 'enclosure', only: entry => 'link' in entry && entry.link === 'cable' },
  ],
})
