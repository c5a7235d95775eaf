import { fitRule } from '../fitRule'

/**
 * Drives that need each other (for parity, as mirrors, pairs or second copies, or because files
 * spread over all of them) and hang on USB: when the cable drops out, some are missing.
 */
export const usbParity = fitRule<{ readonly redundant: boolean }>({
  id: 'usbParity',
  label: 'Layout over USB',
  group: 'running',
  prunes: 'body',
  otherwise:
    'Keep single drives on USB, and a copy of them; put redundancy into a machine with bays.',
  judge: ({ build: { parts }, redundant, enclosedDrives, drives: { inOwnCase } }) =>
    inOwnCase > 0 ||
    (parts.some(({ kind, entry }) => kind === 'enclosure' && entry.link === 'usb') &&
      enclosedDrives > 0)
      ? { state: redundant ? 'warning' : 'pass', values: { redundant } }
      : null,
  say: ({ redundant }) =>
    redundant
      ? 'Drives that need each other hang on USB: when a cable or an enclosure drops out ' +
        'for a second, drives are missing and a rebuild begins.'
      : 'Single drives on USB; none depends on another.',
  fixes: () => [
    { how: 'replace', kind: 'enclosure', only: entry => 'link' in entry && entry.link === 'cable' },
  ],
})
