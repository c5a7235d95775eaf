import { partsOfKind } from '../../knownParts'
import { counted } from '../../../units/counted'
import { fitRule, passIf } from '../fitRule'

/**
 * Drives in an enclosure by cable hang on a socket at a controller's bracket each: ports inside the
 * machine do not reach them.
 */
export const outsideSockets = fitRule<{ readonly needed: number; readonly there: number }>({
  id: 'outsideSockets',
  label: 'Outside sockets',
  group: 'places',
  stops: true,
  otherwise: 'Use an enclosure by USB.',
  judge({ build: { parts }, enclosedDrives, outsideSockets: there, board }) {
    const enclosures = partsOfKind(parts, 'enclosure')
    const byCable = enclosures.filter(({ entry }) => entry.link === 'cable')
    if (!board || byCable.length === 0) return null
    // Of several enclosures those on USB are taken as filled first.
    const onUsb = enclosures.reduce(
      (sum, { part, entry }) => (entry.link === 'usb' ? sum + part.count * entry.bays : sum),
      0,
    )
    const needed = Math.max(0, enclosedDrives - onUsb)
    return {
      state: passIf(needed <= there),
      clash: { parts: byCable.map(({ index }) => index) },
      values: { needed, there },
    }
  },
  say: ({ needed, there }, _, state) =>
    state === 'pass'
      ? `${counted(needed, 'drive')} outside on ${counted(there, 'outside socket')}.`
      : `${counted(needed, 'drive')} in an enclosure by cable ${needed === 1 ? 'needs' : 'need'} ` +
        `an outside socket${needed === 1 ? '' : ' each'} of a controller card; there ` +
        `${there === 0 ? 'is none' : there === 1 ? 'is 1' : `are ${there}`}.`,
  fixes: () => [
    { how: 'add', kind: 'controller', only: entry => 'outside' in entry && entry.outside! > 0 },
    { how: 'replace', kind: 'controller', only: entry => 'outside' in entry && entry.outside! > 0 },
    { how: 'replace', kind: 'enclosure', only: entry => 'link' in entry && entry.link === 'usb' },
  ],
})
