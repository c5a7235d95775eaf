import {
  calledBy,
  withRight,
  type AccessContext,
  type AccessProblem,
  type AccessRule,
} from '../accessRule'
import { mediaShares } from '../shareKinds'

function find({ plan, access, cells }: AccessContext): AccessProblem[] {
  const { accounts, shares } = access
  const writersOf = (share: (typeof shares)[number]) =>
    accounts.filter(account => cells.of(share, account) === 'write')
  return plan.household.viewers.flatMap((viewer): AccessProblem[] => {
    const own = accounts.filter(({ kind, of }) => kind === 'person' && of === viewer.id)
    const name = viewer.name || viewer.id
    if (own.length === 0) return [{ cells: [], sentence: `${name} has no account.`, mended: null }]
    if (viewer.chooses === 'folders')
      return shares.length === 0 || own.some(one => shares.some(s => cells.of(s, one) !== 'none'))
        ? []
        : [
            {
              cells: own.map(({ id }) => ({ who: id })),
              sentence: `${name} works with plain folders and may open none.`,
              mended: null,
            },
          ]
    // Somebody has to fill a folder; whoever only watches need not be able to empty it.
    return own.flatMap(account =>
      shares
        .filter(share => mediaShares.includes(share.id))
        .filter(share => {
          const writers = writersOf(share)
          return writers.includes(account) && writers.length > 1
        })
        .map(share => ({
          cells: [{ share: share.id, who: account.id }],
          sentence:
            `${calledBy(account)} chooses by pictures, and may write ${share.id} as others do. ` +
            'Media software needs no such right, and a wrong press deletes a film.',
          // The last that can write keeps it.
          mended: (now: typeof access) =>
            withRight(now, { share: share.id, who: account.id }, 'read'),
        })),
    )
  })
}

export const watching: AccessRule = {
  id: 'S9',
  label: 'Plain folders and media software',
  asks: false,
  find,
}
