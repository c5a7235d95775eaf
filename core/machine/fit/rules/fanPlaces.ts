import { counted } from '../../../units/counted'
import { fitRule, type PossibleFix } from '../fitRule'

/** Every fan has a mount in the case and a header on the board. */
export const fanPlaces = fitRule<{
  readonly fans: number
  readonly mounts: number
  readonly headers: number
  readonly splits: number
}>({
  id: 'fanPlaces',
  label: 'Places for fans',
  group: 'places',
  otherwise: 'Leave a fan out, or choose slower ones that do with less air.',
  judge({ board, housing, build: { base, parts } }) {
    const added = parts.reduce(
      (sum, { kind, part }) => (kind === 'fan' ? sum + part.count : sum),
      0,
    )
    // What a machine comes with is connected.
    const isWhole = base !== null && base.inside.case === housing && base.inside.board === board
    if (!board || !housing || (isWhole && added === 0)) return null
    const fans = housing.fans.length + added
    const splits = parts.reduce(
      (sum, { kind, entry, part }) =>
        kind === 'cable' && entry.use === 'fanSplitter' ? sum + part.count * entry.gives : sum,
      0,
    )
    const headers = Math.max(board.fanHeaders, isWhole ? housing.fans.length : 0)
    return {
      state: fans <= housing.fanMounts && fans <= headers + splits ? 'pass' : 'warning',
      values: { fans, mounts: housing.fanMounts, headers, splits },
    }
  },
  say({ fans, mounts, headers, splits }) {
    if (fans > mounts)
      return `${counted(fans, 'fan')}, and the case has ${counted(mounts, 'mount')} for them.`
    if (fans > headers + splits)
      return (
        `${counted(fans, 'fan')}, and the board has ${counted(headers, 'header')} for them` +
        `${splits > 0 ? `, with ${splits} more by splitters` : ''}: a splitter lets two share one.`
      )
    return fans === 0 ? 'There are no fans.' : 'Every fan has a mount and a header.'
  },
  fixes: ({ housing }, { fans, headers, splits }): readonly PossibleFix[] => [
    {
      how: 'add',
      kind: 'cable',
      count: Math.max(1, fans - headers - splits),
      only: entry => 'use' in entry && entry.use === 'fanSplitter',
    },
    ...(housing && fans > housing.fanMounts ? [{ how: 'replace', kind: 'case' } as const] : []),
  ],
})
