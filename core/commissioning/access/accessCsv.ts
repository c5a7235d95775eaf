import { csvText } from '../../formats/csvTable'
import type { Access } from '../../plan/access'
import { rightCells } from './rightOf'

/** The matrix as a table: a row for each share and each account or group, with what it may do. */
export function accessCsv(access: Access): string {
  const cells = rightCells(access)
  const rows = access.shares.flatMap(share => {
    const { id, path, quotaGB, protocol, loss, reach } = share
    const row = (who: string, right: string) =>
      [id, path, who, right, quotaGB ?? '', protocol, loss, reach] as const
    return [
      ...access.groups.map(group =>
        row(`group ${group.id}`, cells.own(id, `@${group.id}`) ?? 'none'),
      ),
      ...access.accounts.map(account => row(account.id, cells.of(share, account))),
    ]
  })
  return csvText([
    ['share', 'path', 'account', 'right', 'quotaGB', 'protocol', 'loss', 'reach'],
    ...rows,
  ])
}
