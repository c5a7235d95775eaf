import type { Share } from '../../../plan/access'
import {
  calledBy,
  withRight,
  withShare,
  type AccessContext,
  type AccessProblem,
  type AccessRule,
} from '../accessRule'
import { inbox } from '../shareKinds'

/** What the rule keeps: phones keep their own until a copy of the inbox stands. */
export const isKeptFromAway = ({ id, loss }: Pick<Share, 'id' | 'loss'>): boolean =>
  loss === 'irreplaceable' && id !== inbox

function find({ plan, access, cells }: AccessContext): AccessProblem[] {
  const kept = access.shares.filter(isKeptFromAway)
  const reached = new Set(
    plan.system.services.filter(({ reach }) => reach === 'away').map(({ name }) => name),
  )
  const ofServices = access.accounts
    .filter(({ kind, of }) => kind === 'service' && reached.has(of))
    .flatMap(account =>
      kept
        .filter(share => cells.of(share, account) === 'write')
        .map(({ id }) => ({
          cells: [{ share: id, who: account.id }],
          sentence:
            `${calledBy(account)} is reached from away and may write ${id}, which is ` +
            'irreplaceable. Whoever breaks in can delete it.',
          mended: (now: typeof access) => withRight(now, { share: id, who: account.id }, 'read'),
        })),
    )
  const ofShares = kept
    .filter(({ reach }) => reach === 'away')
    .flatMap(share => {
      const writers = access.accounts.filter(account => cells.of(share, account) === 'write')
      return writers.length === 0
        ? []
        : [
            {
              cells: writers.map(({ id }) => ({ share: share.id, who: id })),
              sentence:
                `${share.id} is irreplaceable, reached from away, and can be written. Let it be ` +
                'reached from home only, or be read only.',
              mended: (now: typeof access) => withShare(now, share.id, { reach: 'home' }),
            },
          ]
    })
  return [...ofServices, ...ofShares]
}

export const fromAway: AccessRule = {
  id: 'S2',
  label: 'What is reached from away',
  asks: false,
  find,
}
