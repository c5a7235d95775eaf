import { wayInPlace } from './inPlace'
import { joinOrder } from './joinOrder'
import { Move } from './move'
import { epsilon, type WayOut, type WayOutQuestion } from './wayOutQuestion'

/** More than so many borrowed drives are no way. */
export const maxBorrowed = 60

/**
 * The steps from one layout to another over the same drives, with the fewest borrowed drives. Where
 * both keep their files on plain disks, the data stay where they are. Else redundancy is given up,
 * the new pool is begun with drives that are empty, and every drive that has been emptied joins it;
 * meanwhile data lie in the new pool, on drives that have not joined yet, and on borrowed ones,
 * each as large as the largest. Handbook 05.
 * @returns null where the new layout has no room for the data, or cannot be made of these drives at
 *   all
 */
export function wayOut(question: WayOutQuestion): WayOut | null {
  const inPlace = wayInPlace(question)
  if (inPlace) return inPlace
  const order = joinOrder(question)
  if (!order) return null
  const largest = Math.max(0, ...question.drives.map(({ sizeTB }) => sizeTB))
  const borrowed = Math.max(
    0,
    Math.ceil((order.lackingTB - epsilon) / (largest * question.fillShare)),
  )
  if (borrowed > maxBorrowed) return null
  const steps = new Move(question, order, borrowed * largest).steps()
  return {
    borrowed,
    borrowedTB: borrowed * largest,
    steps,
    hours: steps.reduce((sum, step) => sum + step.hours, 0),
    inPlace: false,
  }
}
