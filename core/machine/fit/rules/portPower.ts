import { fitRule } from '../fitRule'

/** What a USB port feeds: 0.9 A at 5 V. */
export const usbPortW = 4.5

/** A drive that is fed by its port gets too little there. */
export const portPower = fitRule<{ readonly wantsW: number }>({
  id: 'portPower',
  label: 'Drives fed by a port',
  group: 'power',
  prunes: 'body',
  otherwise: 'Use a port or a hub with a supply of its own.',
  judge({ build: { parts }, bays: { turningOutside, flashOutside }, drives }) {
    const fed = parts.filter(({ kind, entry }) => kind === 'enclosure' && !entry.ownSupply)
    if (fed.length === 0 || turningOutside + flashOutside === 0) return null
    const wantsW =
      turningOutside > 0
        ? drives.turningActiveW / drives.spinning
        : (drives.activeW - drives.turningActiveW - drives.ownCaseActiveW) /
          (drives.count - drives.spinning)
    return {
      state: turningOutside > 0 || wantsW > usbPortW ? 'fail' : 'pass',
      values: { wantsW },
      clash: { parts: fed.map(({ index }) => index) },
    }
  },
  say: ({ wantsW }, { quantity }, state) =>
    state === 'pass'
      ? 'The port feeds the drive.'
      : `A port gives ${quantity(usbPortW, 'W')}; such a drive wants ` +
        `${quantity(wantsW, 'W')} and more while it spins up. It needs an enclosure with a ` +
        'supply of its own.',
  fixes: () => [
    {
      how: 'replace',
      kind: 'enclosure',
      only: entry => 'ownSupply' in entry && entry.ownSupply === true,
    },
  ],
})
