import { markOf } from '../../markOf'
import type { RehearsalWorld } from './rehearsalWorld'
import type { SessionOffer } from './sessionOffer'

/**
 * A mark of all that evenings are drawn from and played on: while it is the same, so is the result.
 */
export function worldMark({
  resources,
  places,
  draw,
  backgrounds,
  cutMinute,
}: RehearsalWorld): string {
  const offers = new Map<SessionOffer, unknown>()
  const told = (offer: SessionOffer | null) => {
    if (!offer) return null
    const known = offers.get(offer) ?? [offer.never, offer.never ? [] : offer.routes(0, false)]
    offers.set(offer, known)
    return known
  }
  const habits = draw.habits.map(({ rows, soundAlone, habit: _, ...habit }) => [
    habit,
    told(soundAlone),
    rows.map(({ upTo, plain, subtitled }) => [upTo, told(plain), told(subtitled)]),
  ])
  const { onDrives, fallbackShare, seekChance } = draw
  return markOf(
    JSON.stringify([
      resources.list,
      places,
      habits,
      [onDrives, fallbackShare, seekChance, cutMinute],
      backgrounds,
    ]),
  )
}
