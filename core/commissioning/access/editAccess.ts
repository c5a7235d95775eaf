import {
  guestsGroup,
  householdGroup,
  maxAccountGroups,
  maxAccounts,
  maxShares,
  type Access,
  type Account,
  type Share,
} from '../../plan/access'
import type { Plan } from '../../plan/planSchema'
import { accountName } from './accountNames'

/** The plan with a matrix of its own. */
export function withAccess(plan: Plan, access: Access): Plan {
  const { accounts, groups, shares, rights, guestsBring } = access
  return {
    ...plan,
    commissioning: {
      ...plan.commissioning,
      accounts: [...accounts],
      groups: [...groups],
      shares: [...shares],
      rights: [...rights],
      guestsBring,
    },
  }
}

/** The plan without a matrix of its own: the one that it asks for stands again. */
export function withoutAccess(plan: Plan): Plan {
  return withAccess(plan, {
    accounts: [],
    groups: [],
    shares: [],
    rights: [],
    guestsBring: plan.commissioning.guestsBring,
  })
}

/** The matrix with one more account; as it is where there are as many as there may be. */
export function withNewAccount(access: Access): Access {
  if (access.accounts.length >= maxAccounts) return access
  const id = accountName('', new Set(access.accounts.map(account => account.id)), {
    otherwise: 'person',
  })
  const account: Account = {
    id,
    name: '',
    kind: 'person',
    of: '',
    owner: '',
    groups: access.groups.some(group => group.id === householdGroup) ? [householdGroup] : [],
    isAdministrator: false,
  }
  return { ...access, accounts: [...access.accounts, account] }
}

/** The matrix with one more group, in which nobody is yet. */
export function withNewGroup(access: Access): Access {
  if (access.groups.length >= maxAccountGroups) return access
  const taken = new Set([...access.groups, ...access.accounts].map(({ id }) => id))
  let number = 1
  while (taken.has(`group-${number}`)) number++
  return { ...access, groups: [...access.groups, { id: `group-${number}` }] }
}

/** Groups that the rules speak of; they keep their names and stay. */
export const isFixedGroup = (id: string): boolean => id === householdGroup || id === guestsGroup

/** The matrix without a group: nobody is in it any more, and its rights go with it. */
export function withoutGroup(access: Access, id: string): Access {
  return {
    ...access,
    groups: access.groups.filter(group => group.id !== id),
    accounts: access.accounts.map(account => ({
      ...account,
      groups: account.groups.filter(group => group !== id),
    })),
    rights: access.rights.filter(({ who }) => who !== `@${id}`),
  }
}

/** The matrix with an account in a group, or not in it. */
export function withMember(
  access: Access,
  { account, group }: { readonly account: string; readonly group: string },
  isIn: boolean,
): Access {
  return {
    ...access,
    accounts: access.accounts.map(one => {
      if (one.id !== account) return one
      const others = one.groups.filter(other => other !== group)
      return { ...one, groups: isIn ? [...others, group] : others }
    }),
  }
}

/** The matrix with one more share, in a folder of its own. */
export function withNewShare(access: Access, poolName: string): Access {
  if (access.shares.length >= maxShares) return access
  const taken = new Set(access.shares.map(({ id }) => id))
  let number = 1
  while (taken.has(`share-${number}`)) number++
  const id = `share-${number}`
  const share: Share = {
    id,
    path: `/${poolName}/${id}`,
    folders: 'one',
    loss: 'replaceable',
    reach: 'home',
    protocol: 'smb',
    quotaGB: null,
    owner: '',
  }
  return { ...access, shares: [...access.shares, share] }
}

/** The matrix without an account: its rights go with it, and what it owned has no owner. */
export function withoutAccount(access: Access, id: string): Access {
  const disowned = <Owned extends { readonly owner: string }>(owned: Owned): Owned =>
    owned.owner === id ? { ...owned, owner: '' } : owned
  return {
    ...access,
    accounts: access.accounts.filter(account => account.id !== id).map(disowned),
    shares: access.shares.map(disowned),
    rights: access.rights.filter(({ who }) => who !== id),
  }
}

/** The matrix without a share and its rights. */
export function withoutShare(access: Access, id: string): Access {
  return {
    ...access,
    shares: access.shares.filter(share => share.id !== id),
    rights: access.rights.filter(({ share }) => share !== id),
  }
}

/** The matrix in which an account, group or share got another name: what names it follows. */
export function withNewName(
  access: Access,
  list: 'accounts' | 'groups' | 'shares',
  { from, to }: { readonly from: string; readonly to: string },
): Access {
  if (list === 'shares')
    return {
      ...access,
      rights: access.rights.map(entry => (entry.share === from ? { ...entry, share: to } : entry)),
    }
  if (list === 'groups')
    return {
      ...access,
      accounts: access.accounts.map(account => ({
        ...account,
        groups: account.groups.map(group => (group === from ? to : group)),
      })),
      rights: access.rights.map(entry =>
        entry.who === `@${from}` ? { ...entry, who: `@${to}` } : entry,
      ),
    }
  const follow = <Owned extends { readonly owner: string }>(owned: Owned): Owned =>
    owned.owner === from ? { ...owned, owner: to } : owned
  return {
    ...access,
    accounts: access.accounts.map(follow),
    shares: access.shares.map(follow),
    rights: access.rights.map(entry => (entry.who === from ? { ...entry, who: to } : entry)),
  }
}
