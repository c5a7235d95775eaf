import { partKinds } from '../../../catalogue/hardware/partWords'
import { fitRule } from '../fitRule'

const single = ['processor', 'board', 'case', 'supply', 'cooler'] as const
type SingleKind = (typeof single)[number]

/** A machine has one processor, board, case, supply and cooler: the last of the list is used. */
export const singleParts = fitRule<{ readonly kind: SingleKind; readonly count: number }>({
  id: 'singleParts',
  label: 'Parts there is one of',
  group: 'parts',
  otherwise: 'Mark all but one of them as spare.',
  judge({ build: { parts } }) {
    const lists = single.flatMap(kind => {
      const alike = parts.filter(part => part.kind === kind)
      const count = alike.reduce((sum, { part }) => sum + part.count, 0)
      return count > 0 ? [{ kind, count, unused: alike.slice(0, -1) }] : []
    })
    const first = lists.find(({ count }) => count > 1) ?? lists[0]
    return first
      ? {
          state: first.count > 1 ? 'warning' : 'pass',
          values: { kind: first.kind, count: first.count },
          clash: { parts: first.unused.map(({ index }) => index) },
        }
      : null
  },
  say: ({ kind, count }, _, state) =>
    state === 'pass'
      ? 'Of every part that a machine has one of there is one.'
      : `${partKinds[kind]}: ${count} in the list, and a machine has one. Only the last one is ` +
        'used; mark the others as spare.',
  fixes: ({ build: { parts } }, { kind }) =>
    parts
      .filter(part => part.kind === kind)
      .slice(0, -1)
      .map(({ index }) => ({ how: 'remove', partIndex: index }) as const),
})
