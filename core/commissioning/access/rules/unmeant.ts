import { calledBy, type AccessContext, type AccessProblem, type AccessRule } from '../accessRule'
import { guestsGroup } from '../../../plan/access'
import { forbiddenActions } from '../testList'

function find({ access, cells }: AccessContext): AccessProblem[] {
  const { accounts, shares } = access
  const everything =
    accounts.length < 2 || shares.length === 0
      ? []
      : accounts
          .filter(account => forbiddenActions(account, { access, cells }).length === 0)
          .map((account): AccessProblem => ({
            cells: [{ who: account.id }],
            sentence: `Nothing is forbidden to ${calledBy(account)}. Is that meant?`,
            mended: null,
          }))
  const unwritten = shares
    .filter(
      share =>
        cells.own(share.id, `@${guestsGroup}`) !== 'write' &&
        !accounts.some(account => cells.of(share, account) === 'write'),
    )
    .map(({ id }): AccessProblem => ({
      cells: [{ share: id }],
      sentence: `Nobody writes ${id}. Is that meant?`,
      mended: null,
    }))
  return [...everything, ...unwritten]
}

export const unmeant: AccessRule = { id: 'S8', label: 'Is that meant?', asks: true, find }
