import { onCard } from '../../assembly/placement'
import { partsOfKind } from '../../knownParts'
import { fitRule } from '../fitRule'

/** Boards from this year on start from an NVMe SSD wherever it sits. */
export const bootsFromSlotSince = 2014

/** An old board does not start from an NVMe SSD on a card in a slot. */
export const bootFromSlot = fitRule<{ readonly year: number }>({
  id: 'bootFromSlot',
  label: 'Starting from an SSD on a card',
  group: 'running',
  otherwise: 'Free a data port for a small system disk.',
  judge({ board, places, build: { base, parts } }) {
    if (!board) return null
    const hasSsdOnCard = places.some(
      ({ place, holds }) => holds !== null && place.id.startsWith(onCard),
    )
    if (!hasSsdOnCard) return null
    const others = partsOfKind(parts, 'ssd').filter(
      ({ index, entry }) =>
        entry.shape === 'stick' ||
        places.some(({ place, holds }) => holds?.partIndex === index && place.kind === 'data'),
    )
    const canStart =
      board.year >= bootsFromSlotSince || others.length > 0 || base?.systemDisk != null
    return { state: canStart ? 'pass' : 'warning', values: { year: board.year } }
  },
  say: ({ year }, _, state) =>
    state === 'pass'
      ? 'The board starts from where its system is.'
      : `A board of ${year} seldom starts from an NVMe SSD on a card in a slot. A small system ` +
        'disk on a data port, or a boot stick, mends it.',
  fixes: () => [
    {
      how: 'add',
      kind: 'ssd',
      only: entry => 'shape' in entry && (entry.shape === '2.5' || entry.shape === 'stick'),
    },
  ],
})
