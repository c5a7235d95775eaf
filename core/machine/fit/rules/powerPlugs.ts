import { counted } from '../../../units/counted'
import { fitRule, passIf } from '../fitRule'
import { plugsOf } from '../plugs'

/** A plug of the supply for every drive; splitters count. */
export const powerPlugs = fitRule<{
  readonly needed: number
  readonly own: number
  readonly split: number
}>({
  id: 'powerPlugs',
  label: 'Plugs for the drives',
  group: 'power',
  prunes: 'body',
  stops: true,
  boughtAlong: true,
  otherwise: 'Use fewer, larger drives, or a supply with more plugs.',
  judge(context) {
    const { needed, own, split } = plugsOf(context)
    // A case whose trays feed themselves needs a plug for four of them.
    if (!context.supply || needed === 0) return null
    const fed =
      context.housing?.hotSwap && context.housing.hotSwap >= 12 ? Math.ceil(needed / 4) : needed
    return { state: passIf(fed <= own + split), values: { needed: fed, own, split } }
  },
  say: ({ needed, own, split }, _, state) =>
    `${counted(needed, 'plug')} ${needed === 1 ? 'is' : 'are'} needed; the supply has ` +
    `${own}${split ? `, and splitters add ${split}` : ''}${state === 'pass' ? '.' : ': too few.'}`,
  fixes: (_, { needed, own, split }) => [
    {
      how: 'add',
      kind: 'cable',
      count: Math.max(1, Math.ceil((needed - own - split) / 3)),
      only: entry =>
        'use' in entry &&
        entry.use === 'splitter' &&
        !('moulded' in entry && entry.moulded) &&
        'gives' in entry &&
        entry.gives! > 1,
    },
    {
      how: 'add',
      kind: 'cable',
      count: Math.max(1, needed - own - split),
      only: entry =>
        'use' in entry &&
        entry.use === 'splitter' &&
        !('moulded' in entry && entry.moulded) &&
        'gives' in entry &&
        entry.gives === 1,
    },
    { how: 'replace', kind: 'supply' },
  ],
})
