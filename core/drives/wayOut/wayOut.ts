import { Move } from './move'
import { epsilon, usableOf, type WayOut, type WayOutQuestion } from './wayOutQuestion'

/** More than so many borrowed drives are no way. */
export const maxBorrowed = 60

/**
 * The steps from one layout to another over the same drives, with the fewest borrowed drives:
 * redundancy is given up, the new
 * pool is begun with the drives that are free, data are moved into it, and every drive that is
 * empty then joins it. Where the
 * old drives cannot be emptied one by one, or the new pool cannot be begun small, all data lie on
 * borrowed drives meanwhile.
 * @returns null where the new layout has no room for the data, or cannot be made of these drives at
 *   all
 */
export function wayOut(question: WayOutQuestion): WayOut | null {
  const { drives, to, fillShare } = question
  const largest = Math.max(0, ...drives.map(({ sizeTB }) => sizeTB))
  const contentTB = drives.reduce((sum, drive) => sum + drive.contentTB, 0)
  const whole = usableOf(
    to,
    drives.map(({ sizeTB }) => sizeTB),
  )
  if (whole === null || whole * fillShare < contentTB - epsilon) return null
  for (let borrowed = 0; borrowed <= maxBorrowed; borrowed++) {
    const steps = new Move(question, borrowed * largest).steps()
    if (steps)
      return {
        borrowed,
        borrowedTB: borrowed * largest,
        steps,
        hours: steps.reduce((sum, step) => sum + step.hours, 0),
      }
  }
  return null
}
