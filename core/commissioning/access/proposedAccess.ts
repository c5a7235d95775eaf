import { isIrreplaceable } from '../../library/holdingSizes'
import {
  guestsGroup,
  householdGroup,
  type Access,
  type Account,
  type RightEntry,
  type Share,
} from '../../plan/access'
import type { Plan } from '../../plan/planSchema'
import { accountName } from './accountNames'
import { forGuests, inbox, mediaShares, shareKinds } from './shareKinds'
import { computerClasses } from '../setupSlice'

/** How many of the household may write what cannot be replaced. */
const keepers = 3
/** A computer's backups may take so many times what it holds. */
export const backupQuota = 2

const readAlike: readonly string[] = [
  'films',
  'series',
  'music',
  'photos',
  'own-video',
  'household',
]
const keptTogether: readonly string[] = ['photos', 'own-video', 'household']

const backedUp = ({ library }: Plan) =>
  library.holdings.some(({ kind }) => kind === 'computerBackups')

/** The viewer whose habits name a device most often. */
function ownerOf(deviceId: string, { household }: Plan): string {
  const counts = new Map<string, number>()
  for (const { device, viewer } of household.habits)
    if (device === deviceId && viewer) counts.set(viewer, (counts.get(viewer) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? ''
}

/** One account a viewer, a service, the media software, and a computer that is backed up. */
function proposedAccounts(plan: Plan): Account[] {
  const { household, system } = plan
  const taken = new Set<string>()
  const add = (
    name: string,
    rest: Pick<Account, 'kind' | 'of'> & Partial<Account>,
    otherwise: string,
  ): Account => {
    const id = accountName(name, taken, { otherwise, whole: rest.kind !== 'person' })
    taken.add(id)
    return { id, name, owner: '', groups: [], isAdministrator: false, ...rest }
  }
  const people = household.viewers.map(({ id, name }) =>
    add(name || id, { kind: 'person', of: id, groups: [householdGroup] }, 'viewer'),
  )
  const chooses = household.viewers.some(({ chooses }) => chooses !== 'folders')
  const media =
    chooses && !system.services.some(({ usesEngine }) => usesEngine)
      ? [add('Media software', { kind: 'service', of: '' }, 'media')]
      : []
  const services = system.services.map(({ name }) =>
    add(name, { kind: 'service', of: name }, 'service'),
  )
  const computers = backedUp(plan)
    ? household.devices
        .filter(device => computerClasses.includes(device.class))
        .map(({ id, name }) => {
          const owner = people.find(({ of }) => of === ownerOf(id, plan))?.id ?? ''
          return add(name || id, { kind: 'computer', of: id, owner }, 'computer')
        })
    : []
  return [...people, ...media, ...services, ...computers]
}

/** Twice what a computer holds, by what the backups of all of them hold today. */
function quotaGB({ library }: Plan, computers: number): number | null {
  const heldGB = library.holdings
    .filter(({ kind }) => kind === 'computerBackups')
    .reduce((sum, { sizeGB }) => sum + (sizeGB ?? 0), 0)
  return heldGB > 0 && computers > 0
    ? Math.max(1, Math.ceil((backupQuota * heldGB) / computers))
    : null
}

/** Shares for what is kept: one a kind, a private folder each, documents of all, and the inbox. */
export function proposedShares(plan: Plan, computers = 0): Share[] {
  const { library, commissioning } = plan
  return shareKinds
    .filter(
      ({ holds, always }) => always || library.holdings.some(({ kind }) => holds.includes(kind)),
    )
    .map(({ id, holds, folders, loss }): Share => {
      const held = library.holdings.filter(({ kind }) => holds.includes(kind))
      const worst = held.some(isIrreplaceable) ? 'irreplaceable' : 'replaceable'
      return {
        id,
        path: `/${commissioning.poolName}/${id}`,
        folders,
        loss: held.length > 0 ? worst : loss,
        reach: 'home',
        protocol: 'smb',
        quotaGB: folders === 'computers' ? quotaGB(plan, computers) : null,
        owner: '',
      }
    })
}

/** What the accounts of a kind get. */
function proposedRights(
  plan: Plan,
  { accounts, shares }: Pick<Access, 'accounts' | 'shares'>,
): RightEntry[] {
  const there = new Set(shares.map(({ id }) => id))
  const give = (who: string, right: RightEntry['right'], ids: readonly string[]) =>
    ids.filter(id => there.has(id)).map((share): RightEntry => ({ share, who, right }))
  const people = accounts.filter(({ kind }) => kind === 'person')
  const rightsOfService = ({ id, of }: Account): RightEntry[] => {
    const service = plan.system.services.find(({ name }) => name === of)
    if (!service || service.usesEngine)
      return give(id, 'read', [...mediaShares, 'photos', 'own-video'])
    // What it can write that is irreplaceable comes in by the inbox.
    return service.loss === 'irreplaceable' ? give(id, 'write', [inbox]) : []
  }
  return [
    ...give(`@${householdGroup}`, 'read', readAlike),
    ...give(`@${householdGroup}`, 'write', ['people', inbox]),
    ...give(`@${guestsGroup}`, 'read', forGuests),
    ...people.slice(0, keepers).flatMap(({ id }) => give(id, 'write', keptTogether)),
    ...people.slice(0, 1).flatMap(({ id }) => give(id, 'write', [...mediaShares, 'projects'])),
    ...accounts.filter(({ kind }) => kind === 'service').flatMap(rightsOfService),
    ...accounts
      .filter(({ kind }) => kind === 'computer')
      .flatMap(({ id, owner }) => [
        ...give(id, 'write', ['computers']),
        ...(owner === '' ? [] : give(owner, 'read', ['computers'])),
      ]),
  ]
}

/** Accounts, shares and rights that the plan asks for. */
export function proposedAccess(plan: Plan): Access {
  const accounts = proposedAccounts(plan)
  const shares = proposedShares(plan, accounts.filter(({ kind }) => kind === 'computer').length)
  const rights = proposedRights(plan, { accounts, shares })
  return {
    accounts,
    groups: [{ id: householdGroup }, { id: guestsGroup }],
    shares,
    // An owner of two computers is named once.
    rights: [
      ...new Map(rights.map(entry => [`${entry.share}\n${entry.who}`, entry] as const)).values(),
    ],
    guestsBring: plan.commissioning.guestsBring,
  }
}

/** Whether a matrix was entered, be it one without any share. */
export function hasOwnAccess({ commissioning: { shares, groups } }: Plan): boolean {
  return shares.length > 0 || groups.length > 0
}

/** The matrix of a plan: as it was entered, otherwise as the plan asks for it. */
export function accessOf(plan: Plan): Access {
  const { shares, accounts, groups, rights, guestsBring } = plan.commissioning
  return hasOwnAccess(plan)
    ? { shares, accounts, groups, rights, guestsBring }
    : proposedAccess(plan)
}
