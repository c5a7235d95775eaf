import type { Account, Right, Share } from '../../../plan/access'
import { proposedShares } from '../proposedAccess'
import {
  calledBy,
  withAccount,
  withRight,
  withShare,
  type AccessContext,
  type AccessProblem,
  type AccessRule,
} from '../accessRule'

/** What an account may do at most where computers keep their backups, and what it needs. */
function meantFor({ kind }: Account): { readonly most: Right; readonly why: string } {
  if (kind === 'computer') return { most: 'write', why: '' }
  return kind === 'person'
    ? { most: 'read', why: 'A backup is written by its computer only, and read by its owner.' }
    : { most: 'none', why: 'No service opens the backups of computers.' }
}

function ofShare({ plan, access, cells, snapshots }: AccessContext, share: Share) {
  const at = (who: string) => ({ share: share.id, who })
  const { accounts } = access
  const computers = accounts.filter(({ kind }) => kind === 'computer')
  const tooMuch = accounts.flatMap((account): AccessProblem[] => {
    const { most, why } = meantFor(account)
    const has = cells.of(share, account)
    if (has === 'none' || has === most || most === 'write') return []
    return [
      {
        cells: [at(account.id)],
        sentence: `${calledBy(account)} may ${has} ${share.id}. ${why}`,
        mended: now => withRight(now, at(account.id), most),
      },
    ]
  })
  const cannot = computers
    .filter(account => cells.of(share, account) !== 'write')
    .map((account): AccessProblem => ({
      cells: [at(account.id)],
      sentence: `${calledBy(account)} cannot write its backups to ${share.id}.`,
      mended: now => withRight(now, at(account.id), 'write'),
    }))
  const usual = proposedShares(plan, computers.length).find(({ id }) => id === share.id)?.quotaGB
  const unlimited: AccessProblem[] =
    share.quotaGB !== null
      ? []
      : [
          {
            cells: [{ share: share.id }],
            sentence:
              `${share.id} has no quota. Backups of computers keep versions until the pool is ` +
              'full: twice what the computer holds is enough.',
            mended: usual ? now => withShare(now, share.id, { quotaGB: usual }) : null,
          },
        ]
  const unkept: AccessProblem[] =
    snapshots === false
      ? [
          {
            cells: [{ share: share.id }],
            sentence:
              'The system keeps no snapshots, so a program that encrypts a computer can ' +
              `encrypt its backups in ${share.id} as well.`,
            mended: null,
          },
        ]
      : []
  return [...tooMuch, ...cannot, ...unlimited, ...unkept]
}

function find(context: AccessContext): AccessProblem[] {
  const { access, cells } = context
  const backups = access.shares.filter(({ folders }) => folders === 'computers')
  const people = new Set(
    access.accounts.filter(({ kind }) => kind === 'person').map(({ id }) => id),
  )
  const computers = access.accounts.filter(({ kind }) => kind === 'computer')
  const elsewhere = computers.flatMap(account =>
    access.shares
      .filter(share => share.folders !== 'computers' && cells.of(share, account) !== 'none')
      .map((share): AccessProblem => ({
        cells: [{ share: share.id, who: account.id }],
        sentence:
          `${calledBy(account)} is the account of a computer and opens ${share.id}. It writes ` +
          'its backups and nothing else.',
        mended: now => withRight(now, { share: share.id, who: account.id }, 'none'),
      })),
  )
  const ownerless = computers
    .filter(({ owner }) => owner !== '' && !people.has(owner))
    .map((account): AccessProblem => ({
      cells: [{ who: account.id }],
      sentence: `The owner of ${calledBy(account)} has no account.`,
      mended: now => withAccount(now, account.id, { owner: '' }),
    }))
  return [...backups.flatMap(share => ofShare(context, share)), ...elsewhere, ...ownerless]
}

export const computers: AccessRule = {
  id: 'S4',
  label: 'Backups of computers',
  asks: false,
  find,
}
