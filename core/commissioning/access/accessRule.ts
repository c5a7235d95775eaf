import type { Access, Account, Right, RightEntry, Share } from '../../plan/access'
import type { Plan } from '../../plan/planSchema'
import { rightCells, type RightCells } from './rightOf'

/** A cell of the matrix; without a share the account's line, without an account the share's. */
export interface CellMark {
  readonly share?: string
  readonly who?: string
}

/** Something that a matrix does against a rule, or that is to be asked. */
export interface AccessProblem {
  readonly cells: readonly CellMark[]
  readonly sentence: string
  /** the matrix without it; null where somebody has to decide */
  readonly mended: ((access: Access) => Access) | null
}

/** What rules look at. */
export interface AccessContext {
  readonly plan: Plan
  readonly access: Access
  readonly cells: RightCells
  /** whether the plan's system keeps snapshots; null where no system is known */
  readonly snapshots: boolean | null
}

/** One rule of who may do what. */
export interface AccessRule {
  readonly id: string
  readonly label: string
  /** what it asks is a question: it may be meant so */
  readonly asks: boolean
  find(context: AccessContext): readonly AccessProblem[]
}

export function accessContext(
  plan: Plan,
  access: Access,
  snapshots: boolean | null,
): AccessContext {
  return { plan, access, cells: rightCells(access), snapshots }
}

/** The matrix with one cell set, or left to the groups with null. */
export function withRight(
  access: Access,
  { share, who }: Pick<RightEntry, 'share' | 'who'>,
  right: Right | null,
): Access {
  const others = access.rights.filter(entry => entry.share !== share || entry.who !== who)
  return { ...access, rights: right === null ? others : [...others, { share, who, right }] }
}

/** The matrix with something else said of a share, or of an account. */
export function withShare(access: Access, id: string, change: Partial<Share>): Access {
  return {
    ...access,
    shares: access.shares.map(share => (share.id === id ? { ...share, ...change } : share)),
  }
}
export function withAccount(access: Access, id: string, change: Partial<Account>): Access {
  return {
    ...access,
    accounts: access.accounts.map(one => (one.id === id ? { ...one, ...change } : one)),
  }
}

/** What a person or a service is called in a sentence. */
export const calledBy = ({ name, id }: Account): string => name || id

/** "a", "a and b", "a, b and c". */
export function listed(names: readonly string[]): string {
  return names.length < 2
    ? (names[0] ?? '')
    : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}
