import type { Access } from '../../plan/access'
import { rightCells } from './rightOf'
import { foldersOf } from './testList'

/** Blanks and hash signs of a path as the file of exports writes them. */
const escaped = (path: string) =>
  path.replace(/[\s#]/g, sign => `\\${sign.charCodeAt(0).toString(8).padStart(3, '0')}`)

/**
 * A line for each share that goes over NFS, for the network that was entered. NFS lets in by
 * address: who may do what is decided by the owner and mode of the folders.
 */
export function nfsExports(access: Access, network: string): string {
  const cells = rightCells(access)
  const isWritten = (share: Access['shares'][number]) =>
    access.accounts.some(
      account => account.kind !== 'service' && cells.of(share, account) === 'write',
    )
  const lines = access.shares
    .filter(({ protocol }) => protocol === 'nfs')
    .flatMap(share => {
      const how = `${isWritten(share) ? 'rw' : 'ro'},root_squash,no_subtree_check`
      const paths =
        share.folders === 'one'
          ? [share.path]
          : foldersOf(share, access, cells).map(({ id }) => `${share.path}/${id}`)
      return paths.map(path => `${escaped(path)} ${network}(${how})`)
    })
  return lines.map(line => `${line}\n`).join('')
}
