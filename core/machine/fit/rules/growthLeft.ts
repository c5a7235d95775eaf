import { drivesOnPorts } from '../../assembly/assembly'
import { counted } from '../../../units/counted'
import { fitRule } from '../fitRule'

/** Something is left for the years: a bay with its port, and a slot. */
export const growthLeft = fitRule<{
  readonly bays: number
  readonly ports: number
  readonly slots: number
}>({
  id: 'growthLeft',
  label: 'Room to grow',
  group: 'places',
  inReportOnly: true,
  otherwise: 'The next step is larger drives one by one, or a larger machine.',
  judge(context) {
    const { board, places, boardPorts, controllerPorts, otherPorts, freeBays, drives } = context
    if (!board || drives.count === 0) return null
    const ports = boardPorts + controllerPorts - otherPorts - drivesOnPorts(context)
    const slots = places.filter(
      ({ place, holds, offBy }) => place.kind === 'slot' && !holds && offBy === null,
    ).length
    return {
      state: freeBays > 0 && (ports > 0 || slots > 0) ? 'pass' : 'warning',
      values: { bays: Math.max(0, freeBays), ports: Math.max(0, ports), slots },
    }
  },
  say: ({ bays, ports, slots }, _, state) =>
    `${counted(bays, 'bay')}, ${counted(ports, 'data port')} and ${counted(slots, 'slot')} ` +
    'are ' +
    `left${state === 'pass' ? '.' : ': the next drive means replacing one, or a larger machine.'}`,
  fixes: ({ freeBays }) =>
    freeBays <= 0
      ? [
          { how: 'replace', kind: 'case' },
          { how: 'add', kind: 'enclosure' },
        ]
      : [
          {
            how: 'add',
            kind: 'controller',
            only: entry => !('mode' in entry) || entry.mode === 'plain',
          },
        ],
})
