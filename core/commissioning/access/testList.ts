import { guestsGroup, type Access, type Account, type Share } from '../../plan/access'
import { rightCells, type RightCells } from './rightOf'
import { inbox } from './shareKinds'

/** Something to try with an account: to write or to read a share, or somebody's own folder. */
export interface Trial {
  readonly action: 'read' | 'write'
  readonly share: string
  /** whose folder, where the share has one for each */
  readonly folder: string | null
}
/** What to try with an account: something that works, and something that does not. */
export interface AccountTest {
  /** an account, or @guests */
  readonly who: string
  readonly name: string
  readonly allowed: Trial | null
  readonly forbidden: Trial | null
}

const isPrivate = ({ folders }: Share) => folders !== 'one'
const kindOfFolder = ({ folders }: Share) => (folders === 'people' ? 'person' : 'computer')

/** Whose folders of a share an account may open: its own, and an owner those of its computers. */
export function opensFolder(account: Account, share: Share, folderOf: Account): boolean {
  if (account.id === folderOf.id) return true
  return share.folders === 'computers' && folderOf.owner === account.id
}

/** Accounts that have a folder of their own in a share. */
export function foldersOf(
  share: Share,
  { accounts }: Pick<Access, 'accounts'>,
  cells: RightCells,
): Account[] {
  if (!isPrivate(share)) return []
  return accounts.filter(
    account => account.kind === kindOfFolder(share) && cells.of(share, account) !== 'none',
  )
}

function trialsIn(share: Share, account: Account, { access, cells }: AccessCells) {
  const right = cells.of(share, account)
  const trial = (action: Trial['action'], folder: string | null = null): Trial => ({
    action,
    share: share.id,
    folder,
  })
  if (!isPrivate(share)) {
    const allowed: Trial[] =
      right === 'write' ? [trial('write'), trial('read')] : right === 'read' ? [trial('read')] : []
    const forbidden: Trial[] =
      right === 'none' ? [trial('write'), trial('read')] : right === 'read' ? [trial('write')] : []
    return { allowed, forbidden }
  }
  const folders = foldersOf(share, access, cells)
  const own = folders.filter(other => right !== 'none' && opensFolder(account, share, other))
  const others = folders.filter(other => !own.includes(other))
  const writes = (other: Account) => right === 'write' && other.id === account.id
  return {
    allowed: own.flatMap(other => [
      ...(writes(other) ? [trial('write', other.id)] : []),
      trial('read', other.id),
    ]),
    forbidden: [
      ...own.filter(other => !writes(other)).map(other => trial('write', other.id)),
      ...others.flatMap(other => [trial('write', other.id), trial('read', other.id)]),
    ],
  }
}
/** A matrix with what looks it up. */
interface AccessCells {
  readonly access: Access
  readonly cells: RightCells
}

const actionOrder = { write: 0, read: 1 }

/** Allowed and forbidden actions of an account, the most telling ones first. */
function actionsOf(account: Account, { access, cells }: AccessCells) {
  const all = access.shares.map(share => ({
    share,
    ...trialsIn(share, account, { access, cells }),
  }))
  const rank = new Map(
    access.shares.map(({ id, loss }, at) => [id, (loss === 'irreplaceable' ? 0 : 1000) + at]),
  )
  const allowed = all
    .flatMap(one => one.allowed)
    .sort((a, b) => actionOrder[a.action] - actionOrder[b.action])
  const forbidden = all
    .flatMap(one => one.forbidden)
    .sort(
      (a, b) =>
        Math.floor(rank.get(a.share)! / 1000) - Math.floor(rank.get(b.share)! / 1000) ||
        actionOrder[a.action] - actionOrder[b.action] ||
        rank.get(a.share)! - rank.get(b.share)!,
    )
  return { allowed, forbidden }
}

/** What an account may not do: irreplaceable shares first, writing before reading. */
export function forbiddenActions(account: Account, matrix: AccessCells): Trial[] {
  return actionsOf(account, matrix).forbidden
}

/**
 * One action for each account that works and one that is refused; guests read what they may and
 * try to write there.
 */
export function testList(access: Access): AccountTest[] {
  const cells = rightCells(access)
  const ofAccounts = access.accounts.map((account): AccountTest => {
    const { allowed, forbidden } = actionsOf(account, { access, cells })
    return {
      who: account.id,
      name: account.name || account.id,
      allowed: allowed[0] ?? null,
      forbidden: forbidden[0] ?? null,
    }
  })
  const forGuests = access.shares.find(
    ({ id }) => id !== inbox && cells.own(id, `@${guestsGroup}`) === 'read',
  )
  if (!forGuests) return ofAccounts
  const trial = (action: Trial['action']): Trial => ({
    action,
    share: forGuests.id,
    folder: null,
  })
  return [
    ...ofAccounts,
    { who: `@${guestsGroup}`, name: 'Guests', allowed: trial('read'), forbidden: trial('write') },
  ]
}

const trialText = (trial: Trial | null) =>
  trial ? `${trial.action} ${trial.share}${trial.folder ? `/${trial.folder}` : ''}` : 'nothing'

/** What was tried, as it is kept: a tick counts while the list still asks for the same. */
export function testMark({ allowed, forbidden }: AccountTest): string {
  return `${trialText(allowed)}; not ${trialText(forbidden)}`
}

/** An action in words. */
export function trialWords({ action, share, folder }: Trial): string {
  const what = folder === null ? share : `the folder of ${folder} in ${share}`
  return `${action === 'read' ? 'Open' : 'Write to'} ${what}`
}
