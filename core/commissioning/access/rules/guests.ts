import { guestsGroup, householdGroup, type Account, type Right } from '../../../plan/access'
import { withRight, calledBy, type AccessContext, type AccessRule } from '../accessRule'
import { forGuests, inbox } from '../shareKinds'

const isGuest = ({ groups }: Account) =>
  groups.includes(guestsGroup) && !groups.includes(householdGroup)

/** What guests may do at most; in the inbox they bring without looking. */
const most = (shareId: string, bring: boolean): Right =>
  forGuests.includes(shareId) ? 'read' : shareId === inbox && bring ? 'write' : 'none'

function isFine(right: Right, shareId: string, bring: boolean): boolean {
  const allowed = most(shareId, bring)
  // The inbox is brought to or not seen at all.
  return right === 'none' || right === allowed
}

function find({ access, cells }: AccessContext) {
  const { shares, accounts, guestsBring } = access
  const guests = [
    { who: `@${guestsGroup}`, called: 'Guests', right: (id: string) => cells.own(id, '@guests') },
    ...accounts.filter(isGuest).map(account => ({
      who: account.id,
      called: calledBy(account),
      right: (id: string) => cells.of({ id }, account),
    })),
  ]
  return guests.flatMap(({ who, called, right }) =>
    shares
      .map(({ id }) => ({ id, has: right(id) ?? 'none' }))
      .filter(({ id, has }) => !isFine(has, id, guestsBring))
      .map(({ id, has }) => ({
        cells: [{ share: id, who }],
        sentence:
          `${called} may ${has} ${id}. Guests read ${forGuests.join(', ')} only, and write ` +
          `nowhere${id === inbox ? ' unless they may bring files' : ''}.`,
        mended: (now: typeof access) =>
          withRight(now, { share: id, who }, most(id, now.guestsBring)),
      })),
  )
}

export const guests: AccessRule = { id: 'S1', label: 'What guests may do', asks: false, find }
