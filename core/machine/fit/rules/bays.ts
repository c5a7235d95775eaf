import { counted } from '../../../units/counted'
import { fitRule, passIf } from '../fitRule'

/** A bay for every drive, in the case or beside it; NVMe drives want a place of the board. */
export const bays = fitRule<{ readonly drives: number; readonly bays: number }>({
  id: 'bays',
  label: 'Drive bays',
  group: 'places',
  prunes: 'body',
  stops: true,
  otherwise: 'Fewer, larger drives need fewer bays; otherwise it takes a larger machine.',
  judge: ({ drives, freeBays }) => {
    const inBays = drives.count - drives.nvme
    return inBays === 0
      ? null
      : { state: passIf(freeBays >= 0), values: { drives: inBays, bays: inBays + freeBays } }
  },
  say: ({ drives, bays: there }, _, state) =>
    state === 'pass'
      ? `${counted(drives, 'drive')} in ${counted(there, 'bay')}.`
      : `${counted(drives, 'drive')} ${drives === 1 ? 'does' : 'do'} not fit into ${counted(there, 'bay')}.`,
  fixes: ({ freeBays, housing }) => [
    ...(housing && housing.bays525 > 0
      ? [
          {
            how: 'add',
            kind: 'cable',
            count: -freeBays,
            only: (entry: object) => 'use' in entry && entry.use === 'bayAdapter',
          } as const,
        ]
      : []),
    { how: 'replace', kind: 'case' },
    { how: 'add', kind: 'enclosure' },
  ],
})
