import { calledBy, listed, type AccessContext, type AccessRule } from '../accessRule'
import { isKeptFromAway } from './fromAway'

/** Accounts that may write what is irreplaceable, besides the one that it is kept for. */
export const writersBesideOwner = 2

function find({ access, cells }: AccessContext) {
  return access.shares
    .filter(share => share.folders === 'one' && isKeptFromAway(share))
    .flatMap(share => {
      const writers = access.accounts.filter(account => cells.of(share, account) === 'write')
      const beside = writers.filter(({ id }) => id !== share.owner)
      const isOwned = access.accounts.some(({ id }) => id === share.owner)
      const most = isOwned ? writersBesideOwner : writersBesideOwner + 1
      return beside.length <= most
        ? []
        : [
            {
              cells: beside.map(({ id }) => ({ share: share.id, who: id })),
              sentence:
                `${share.id} is irreplaceable, and ${writers.length} accounts may write it: ` +
                `${listed(writers.map(calledBy))}. ` +
                (isOwned
                  ? `At most ${writersBesideOwner} besides the one that it is kept for should.`
                  : `At most ${most} should.`),
              mended: null,
            },
          ]
    })
}

export const writers: AccessRule = {
  id: 'S7',
  label: 'Who may write what is irreplaceable',
  asks: false,
  find,
}
