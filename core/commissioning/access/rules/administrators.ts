import { calledBy, withAccount, type AccessContext, type AccessRule } from '../accessRule'

function find({ plan, access }: AccessContext) {
  const viewers = new Set(plan.household.viewers.map(({ id }) => id))
  return access.accounts
    .filter(({ isAdministrator, kind, of }) => {
      return isAdministrator && (kind !== 'person' || viewers.has(of))
    })
    .map(account => ({
      cells: [{ who: account.id }],
      sentence:
        `${calledBy(account)} administers the machine with the account that is in use every ` +
        'day. One wrong press, or one broken program, can then delete everything. Administer ' +
        'with an account that nobody watches with.',
      mended: (now: typeof access) => withAccount(now, account.id, { isAdministrator: false }),
    }))
}

export const administrators: AccessRule = {
  id: 'S5',
  label: 'Administering and watching',
  asks: false,
  find,
}
