import {
  guestsGroup,
  householdGroup,
  type Access,
  type Account,
  type Share,
} from '../../plan/access'
import { rightCells, type RightCells } from './rightOf'
import { foldersOf, opensFolder } from './testList'
import { inbox } from './shareKinds'

type Lines = readonly (readonly [key: string, value: string])[]

/** Accounts that come in over the network: a service on the machine gets the folder mounted. */
const overNetwork = ({ kind }: Account) => kind !== 'service'

/**
 * Names for a list of users: a group where all its members belong to the list, and whoever is left.
 */
function userList(
  { accounts, groups }: Access,
  isIn: (account: Account) => boolean,
): readonly string[] {
  const connecting = accounts.filter(overNetwork)
  const whole = groups.filter(({ id }) => {
    const members = accounts.filter(account => account.groups.includes(id))
    return members.length > 1 && members.every(one => overNetwork(one) && isIn(one))
  })
  const inGroups = (account: Account) => whole.some(({ id }) => account.groups.includes(id))
  return [
    ...whole.map(({ id }) => `@${id}`),
    ...connecting.filter(one => isIn(one) && !inGroups(one)).map(({ id }) => id),
  ]
}

const listLine = (key: string, names: readonly string[]): Lines =>
  names.length > 0 ? [[key, names.join(' ')]] : []

/** A folder for all, with its guests. */
function sharedLines(share: Share, access: Access, cells: RightCells): Lines | null {
  const ofGuests = cells.own(share.id, `@${guestsGroup}`) ?? 'none'
  const isGuestShare = ofGuests !== 'none'
  const brought = share.id === inbox && ofGuests === 'write'
  const has = (account: Account) => cells.of(share, account)
  const valid = userList(access, account => has(account) !== 'none')
  if (!isGuestShare && valid.length === 0) return null
  const writers = userList(access, account => has(account) === 'write')
  const isHousehold = access.groups.some(({ id }) => id === householdGroup)
  return [
    ['path', share.path],
    ['comment', share.loss === 'irreplaceable' ? 'Irreplaceable' : 'Can be replaced'],
    ['browseable', 'yes'],
    ['guest ok', isGuestShare ? 'yes' : 'no'],
    ['read only', brought ? 'no' : 'yes'],
    ...(isGuestShare
      ? listLine(
          'invalid users',
          access.accounts
            .filter(one => overNetwork(one) && has(one) === 'none')
            .map(({ id }) => id),
        )
      : listLine('valid users', valid)),
    ...(brought
      ? listLine(
          'read list',
          userList(access, account => has(account) === 'read'),
        )
      : listLine('write list', writers)),
    // Whoever brings files must not become a member of those who read them.
    ...(isHousehold && !brought ? ([['force group', householdGroup]] as const) : []),
    ['create mask', '0660'],
    ['directory mask', '2770'],
  ]
}

/** The folder of one person or computer. */
function privateLines(share: Share, folderOf: Account, { access, cells }: Matrix): Lines {
  const readers = access.accounts.filter(
    account =>
      overNetwork(account) &&
      cells.of(share, account) !== 'none' &&
      opensFolder(account, share, folderOf),
  )
  return [
    ['path', `${share.path}/${folderOf.id}`],
    ['comment', share.folders === 'people' ? 'Private' : 'Backups of a computer'],
    ['browseable', 'no'],
    ['guest ok', 'no'],
    ['read only', 'yes'],
    ...listLine(
      'valid users',
      readers.map(({ id }) => id),
    ),
    ...listLine('write list', cells.of(share, folderOf) === 'write' ? [folderOf.id] : []),
    ['create mask', '0600'],
    ['directory mask', '0700'],
  ]
}
interface Matrix {
  readonly access: Access
  readonly cells: RightCells
}

function sectionText(name: string, lines: Lines, notes: readonly string[]): string {
  return [
    ...notes.map(note => `# ${note}`),
    `[${name}]`,
    ...lines.map(([key, value]) => `   ${key} = ${value}`),
  ].join('\n')
}

function notesOf(share: Share): string[] {
  return share.quotaGB === null
    ? []
    : [
        `${share.folders === 'one' ? 'Quota' : 'Quota of each'}: ${share.quotaGB} GB, on the folder.`,
      ]
}

/**
 * The shares as a fragment of the settings of SMB file sharing (smb.conf), a section each; a folder
 * of one's own is a section named as its account. The lines that belong into its global part stand
 * above as comments. No passwords.
 */
export function smbConf(access: Access): string {
  const cells = rightCells(access)
  const sections = access.shares
    .filter(({ protocol }) => protocol === 'smb')
    .flatMap(share => {
      if (share.folders !== 'one')
        return foldersOf(share, access, cells)
          .filter(overNetwork)
          .map(account =>
            sectionText(
              account.id,
              privateLines(share, account, { access, cells }),
              notesOf(share),
            ),
          )
      const lines = sharedLines(share, access, cells)
      const bring =
        share.id === inbox && cells.own(share.id, `@${guestsGroup}`) === 'write'
          ? [`Guests put files in and see none: chmod 3773 ${share.path}`]
          : []
      return lines ? [sectionText(share.id, lines, [...notesOf(share), ...bring])] : []
    })
  const head = [
    '# Shares by the matrix of the plan. Into the [global] section belong:',
    '#    server min protocol = SMB3',
    '#    map to guest = Bad User',
  ].join('\n')
  return `${[head, ...sections].join('\n\n')}\n`
}
