import { agreeing, counted } from '../../../units/counted'
import { drivesOnPorts } from '../../assembly/assembly'
import { fitRule, passIf } from '../fitRule'

/**
 * Ports for every drive, system SSD and disc drive: those of the board that are alive, and of
 * controllers.
 */
export const dataPorts = fitRule<{
  readonly needed: number
  readonly drives: number
  readonly board: number
  readonly controllers: number
  readonly dead: number
  readonly deadBy: string
}>({
  id: 'dataPorts',
  label: 'Data ports',
  group: 'places',
  stops: true,
  otherwise: 'Fewer, larger drives need fewer ports.',
  judge(context) {
    const { board, places, boardPorts, controllerPorts, otherPorts } = context
    if (!board) return null
    const dead = places.filter(({ place, offBy }) => place.kind === 'data' && offBy !== null)
    const drives = drivesOnPorts(context)
    return {
      state: passIf(drives + otherPorts <= boardPorts + controllerPorts),
      clash: { places: dead.flatMap(({ place, offBy }) => [place.id, offBy!]) },
      values: {
        needed: drives + otherPorts,
        drives,
        board: boardPorts,
        controllers: controllerPorts,
        dead: dead.length,
        deadBy: places.find(({ place }) => place.id === dead[0]?.offBy)?.place.label ?? '',
      },
    }
  },
  say({ needed, board, controllers, dead, deadBy }, _, state) {
    const there =
      `${counted(board, 'data port')} on the ` +
      `board${dead ? ` (${dead} more ${dead === 1 ? 'is' : 'are'} switched off by ${deadBy})` : ''}${controllers ? ` and ${controllers} on controller cards` : ''}`
    return state === 'pass'
      ? `${counted(needed, 'port')} of ${there}.`
      : `Drives and SSDs need ${counted(needed, 'data port')}; there ${agreeing(board, 'is', 'are')} ${there}.`
  },
  fixes: ({ places }) => [
    ...places.flatMap(({ place, holds }) =>
      holds?.partIndex != null && places.some(({ offBy }) => offBy === place.id)
        ? [{ how: 'move', partIndex: holds.partIndex } as const]
        : [],
    ),
    { how: 'add', kind: 'controller', only: entry => !('mode' in entry) || entry.mode === 'plain' },
    { how: 'replace', kind: 'ssd' },
    { how: 'replace', kind: 'board' },
  ],
})
