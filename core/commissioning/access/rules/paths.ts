import type { Share } from '../../../plan/access'
import { withShare, type AccessContext, type AccessProblem, type AccessRule } from '../accessRule'

/** Names are compared as desktops do, without case. */
const folded = (path: string) => path.normalize('NFC').toLowerCase()

function whatIsWrong(share: Share, others: readonly Share[], root: string): string | null {
  const path = folded(share.path)
  if (path === root)
    return `${share.id} is the root of the pool: whoever opens it sees every other share.`
  if (!path.startsWith(`${root}/`)) return `${share.id} does not lie in the pool, in ${root}.`
  // Of two in one folder the one moves that the folder is not named after.
  const isUsual = path === `${root}/${share.id}`
  const same = isUsual ? undefined : others.find(other => folded(other.path) === path)
  if (same) return `${share.id} and ${same.id} are the same folder.`
  const around = others.find(other => path.startsWith(`${folded(other.path)}/`))
  return around && folded(around.path) !== root
    ? `${share.id} lies inside ${around.id}: the rights of one decide over the other.`
    : null
}

function find({ plan, access, cells }: AccessContext): AccessProblem[] {
  const root = `/${plan.commissioning.poolName}`
  const { shares, accounts } = access
  const misplaced = shares.flatMap((share): AccessProblem[] => {
    const sentence = whatIsWrong(
      share,
      shares.filter(other => other !== share),
      root,
    )
    return sentence === null
      ? []
      : [
          {
            cells: [{ share: share.id }],
            sentence,
            mended: now => withShare(now, share.id, { path: `${root}/${share.id}` }),
          },
        ]
  })
  // A folder of one's own is found by the account's name.
  const taken = new Set(shares.map(({ id }) => id))
  const named = shares
    .filter(({ folders }) => folders !== 'one')
    .flatMap(share =>
      accounts
        .filter(({ id, kind }) => {
          const meant = share.folders === 'people' ? 'person' : 'computer'
          return kind === meant && taken.has(id)
        })
        .filter(account => cells.of(share, account) !== 'none')
        .map(({ id }): AccessProblem => ({
          cells: [{ share: id }, { share: share.id, who: id }],
          sentence:
            `The folder of ${id} in ${share.id} is found under its account's name, which is the ` +
            'name of a share too. Give one of them another name.',
          mended: null,
        })),
    )
  return [...misplaced, ...named]
}

export const paths: AccessRule = { id: 'S6', label: 'Where shares lie', asks: false, find }
