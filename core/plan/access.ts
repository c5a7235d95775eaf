import { z } from 'zod'
import { choice, listOf, namedListOf, optionalQuantity, text, toggle } from './fields'

/** What an account or a group may do in a share. */
export const rights = { none: 'Nothing', read: 'Read', write: 'Write' } as const
export type Right = keyof typeof rights

export const accountKinds = {
  person: 'Person',
  service: 'Service',
  computer: 'Computer',
} as const
export type AccountKind = keyof typeof accountKinds

/** How a share is laid out: one folder, or one for each person or computer that has a right. */
export const shareFolders = {
  one: 'One folder',
  people: 'A folder for each person',
  computers: 'A folder for each computer',
} as const

/** Names that mean something else in the settings of file sharing, or that systems keep. */
export const takenShareNames: readonly string[] = ['global', 'homes', 'printers', 'ipc$']

/** The group of those who live here, and the one of those who may come in without a password. */
export const householdGroup = 'household'
export const guestsGroup = 'guests'

const accountPattern = /^[a-z][a-z0-9_-]{0,19}$/
const sharePattern = /^[a-z0-9][a-z0-9-]{0,11}$/
const pathPattern = /^(?!.*\/\.{1,2}(\/|$))(?!.*\/ )(?!.* (\/|$))(\/[^/\p{Cc}"\\%]{1,100}){1,12}$/u

function nameOf(label: string, pattern: RegExp, { allowed, description }: Record<string, string>) {
  const error = `${label} must be ${allowed}.`
  return z.string({ error }).regex(pattern, { error }).meta({ title: label, description })
}
const accountAllowed =
  '1 to 20 small letters a to z, digits, hyphens or underscores, and begin with a letter'

const accountSchema = z.object({
  id: nameOf('Account', accountPattern, {
    allowed: accountAllowed,
    description: 'The name it signs in with.',
  }),
  name: text({ label: 'Whose', max: 60, description: 'The person, service or computer.' }),
  kind: choice({
    label: 'Kind of account',
    fallback: 'person',
    options: accountKinds,
    description: 'A service and a computer that backs itself up have accounts of their own.',
  }),
  of: text({
    label: 'Stands for',
    max: 60,
    description: 'The viewer, service or device of the plan that uses it.',
  }),
  owner: text({
    label: 'Owner',
    max: 20,
    description: 'For a computer: the account of the person whose computer it is.',
  }),
  groups: z
    .array(z.string().regex(accountPattern), { error: 'Groups must be a list of group names.' })
    .max(20, { error: 'Groups must be a list of at most 20 names.' })
    .refine(list => new Set(list).size === list.length, {
      error: 'Groups may name each at most once.',
    })
    .default([])
    .meta({ title: 'Groups', description: 'Groups whose rights it has.' }),
  isAdministrator: toggle({
    label: 'Administers the machine',
    fallback: false,
    description: 'May change settings and every file. Nobody watches with such an account.',
  }),
})

const groupSchema = z.object({
  id: nameOf('Group', accountPattern, {
    allowed: accountAllowed,
    description: 'Accounts that have rights together.',
  }),
})

const shareSchema = z.object({
  id: nameOf('Share', sharePattern, {
    allowed:
      '1 to 12 small letters a to z, digits or hyphens, and none of ' + takenShareNames.join(', '),
    description: 'The name by which it is found on the network.',
  }).refine(name => !takenShareNames.includes(name), {
    error: `Share must not be one of ${takenShareNames.join(', ')}: those names have a meaning.`,
  }),
  path: nameOf('Folder', pathPattern, {
    allowed: 'a path such as /pool/photos, of at most 12 folders, without quotes, backslashes or %',
    description: 'Where it lies on the machine.',
  }),
  folders: choice({
    label: 'Laid out as',
    fallback: 'one',
    options: shareFolders,
    description: 'With a folder for each, a right is a right to the own folder only.',
  }),
  loss: choice({
    label: 'Worst loss',
    fallback: 'replaceable',
    options: { replaceable: 'Can be replaced', irreplaceable: 'Irreplaceable' },
    description: 'The worst that can be lost in it.',
  }),
  reach: choice({
    label: 'Reached from',
    fallback: 'home',
    options: { home: 'Home', away: 'Away as well' },
    description: 'Away: through the private tunnel.',
  }),
  protocol: choice({
    label: 'Protocol',
    fallback: 'smb',
    options: { smb: 'SMB', nfs: 'NFS', sshfs: 'SSHFS', none: 'Not over the network' },
    description:
      'SMB where any desktop of a mixed house connects; NFS or SSHFS where all of them are Unix ' +
      'machines.',
  }),
  quotaGB: optionalQuantity({
    label: 'Quota',
    unit: 'GB',
    min: 1,
    max: 10_000_000,
    description: 'The most that it may hold, or each of its folders. If this is empty, no limit.',
  }),
  owner: text({
    label: 'Kept for',
    max: 20,
    description: 'The account of the person whom it is kept for; empty where it is for all.',
  }),
})

const rightSchema = z.object({
  share: text({ label: 'Share', max: 12, description: 'In which share.' }),
  who: text({ label: 'Who', max: 21, description: 'An account, or a group with @ before it.' }),
  right: choice({
    label: 'Right',
    fallback: 'none',
    options: rights,
    description: 'An account that has a right of its own does not follow its groups.',
  }),
})

const provedSchema = z.object({
  account: text({ label: 'Account', max: 21, description: 'Who tried it.' }),
  test: text({ label: 'What was tried', max: 200, description: 'Both actions of the test list.' }),
})

export const maxAccounts = 180
export const maxShares = 40
export const maxAccountGroups = 20

/** Accounts, groups, shares and rights; fields of the commissioning. */
export const accessFields = {
  poolName: nameOf('Name of the pool', /^[a-z][a-z0-9-]{1,11}$/, {
    allowed: '2 to 12 small letters a to z, digits or hyphens, and begin with a letter',
    description: 'It stands in every path, so it is chosen once.',
  }).default('pool'),
  accounts: namedListOf(accountSchema, {
    label: 'Accounts',
    max: maxAccounts,
    description: 'One a person, a service and a computer that is backed up.',
  }),
  groups: namedListOf(groupSchema, {
    label: 'Groups',
    max: maxAccountGroups,
    description: 'Accounts that have rights together.',
  }),
  shares: namedListOf(shareSchema, {
    label: 'Shares',
    max: maxShares,
    description: 'Folders that are shared. Without any, those that the plan asks for are used.',
  }),
  rights: listOf(rightSchema, {
    label: 'Rights',
    max: (maxAccounts + maxAccountGroups) * maxShares,
    description: 'Who may do what in which share.',
  }),
  guestsBring: toggle({
    label: 'Guests may bring files',
    fallback: false,
    description: 'They can put files into the inbox and see nothing of it.',
  }),
  nfsNetwork: z
    .string()
    .regex(/^$|^(\d{1,3}\.){3}\d{1,3}\/\d{1,2}$/, {
      error: 'Network for NFS must be an address with its length, such as 192.0.2.0/24.',
    })
    .refine(
      text =>
        text === '' ||
        text.split(/[./]/).every((part, at) => Number(part) <= (at === 4 ? 32 : 255)),
      { error: 'Network for NFS must be an address with its length, such as 192.0.2.0/24.' },
    )
    .default('')
    .meta({
      title: 'Network for NFS',
      description: 'The home network, such as 192.0.2.0/24: NFS lets in by address.',
    }),
  proved: listOf(provedSchema, {
    label: 'Tried',
    max: maxAccounts + maxAccountGroups,
    description: 'Accounts whose allowed and forbidden action were both tried.',
  }),
}

export type Account = z.infer<typeof accountSchema>
export type Share = z.infer<typeof shareSchema>
export type RightEntry = z.infer<typeof rightSchema>

/** Who may do what: one plan's matrix. */
export interface Access {
  readonly accounts: readonly Account[]
  readonly groups: readonly { readonly id: string }[]
  readonly shares: readonly Share[]
  readonly rights: readonly RightEntry[]
  readonly guestsBring: boolean
}
