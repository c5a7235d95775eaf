import { maxAccounts, type Account } from '../../../plan/access'
import type { Service } from '../../../plan/system'
import { accountName } from '../accountNames'
import {
  calledBy,
  withRight,
  type AccessContext,
  type AccessProblem,
  type AccessRule,
} from '../accessRule'
import { isKeptFromAway } from './fromAway'

/** Why a service may not write a share; null where it may. */
function whyNot(
  service: Service | null,
  share: Parameters<typeof isKeptFromAway>[0],
): string | null {
  if (!service || service.usesEngine) return 'Media software reads what it shows.'
  if (service.loss === 'nothing') return 'By the plan there is nothing that it writes.'
  return service.loss === 'replaceable' && isKeptFromAway(share)
    ? 'By the plan it writes only what can be replaced.'
    : null
}

function find({ plan, access, cells }: AccessContext): AccessProblem[] {
  const { services } = plan.system
  const own = access.accounts.filter(({ kind }) => kind === 'service')
  const withoutAccount = services
    .filter(({ name }) => !own.some(({ of }) => of === name))
    .map(({ name }) => ({
      cells: [],
      sentence: `${name || 'A service'} has no account of its own.`,
      mended: (now: typeof access) => {
        if (now.accounts.length >= maxAccounts) return now
        const taken = new Set(now.accounts.map(({ id }) => id))
        const account: Account = {
          id: accountName(name, taken, { otherwise: 'service', whole: true }),
          name,
          kind: 'service',
          of: name,
          owner: '',
          groups: [],
          isAdministrator: false,
        }
        return { ...now, accounts: [...now.accounts, account] }
      },
    }))
  const writing = own.flatMap(account => {
    const service = services.find(({ name }) => name === account.of) ?? null
    return access.shares.flatMap(share => {
      const why = whyNot(service, share)
      return why === null || cells.of(share, account) !== 'write'
        ? []
        : [
            {
              cells: [{ share: share.id, who: account.id }],
              sentence: `${calledBy(account)} may write ${share.id}. ${why}`,
              mended: (now: typeof access) =>
                withRight(now, { share: share.id, who: account.id }, 'read'),
            },
          ]
    })
  })
  return [...withoutAccount, ...writing]
}

export const services: AccessRule = {
  id: 'S3',
  label: 'Accounts of services',
  asks: false,
  find,
}
