import type { Access, Account, Right, Share } from '../../plan/access'

const rank: Readonly<Record<Right, number>> = { none: 0, read: 1, write: 2 }

/** The cells of a matrix, found by share and by who: an account, or a group with @ before it. */
export interface RightCells {
  /** the cell itself; null where nothing is entered, so that groups decide */
  own(shareId: string, who: string): Right | null
  /** what an account may do: its own cell, otherwise the highest of its groups */
  of(share: Pick<Share, 'id'>, account: Account): Right
}

const keyOf = (shareId: string, who: string) => `${shareId}\n${who}`

/** Looks up a matrix. Rights of a share or of somebody that is not in it say nothing. */
export function rightCells({ rights, groups }: Pick<Access, 'rights' | 'groups'>): RightCells {
  const cells = new Map(rights.map(({ share, who, right }) => [keyOf(share, who), right]))
  const known = new Set(groups.map(({ id }) => id))
  const own = (shareId: string, who: string) => cells.get(keyOf(shareId, who)) ?? null
  return {
    own,
    of: ({ id }, account) =>
      own(id, account.id) ??
      account.groups
        .filter(group => known.has(group))
        .map(group => own(id, `@${group}`) ?? 'none')
        .reduce<Right>((best, right) => (rank[right] > rank[best] ? right : best), 'none'),
  }
}

/** Whether one right allows what another does. */
export const allows = (right: Right, wanted: Right): boolean => rank[right] >= rank[wanted]
