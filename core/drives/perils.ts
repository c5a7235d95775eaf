/**
 * A chance of loss this much smaller than that of the other perils says nothing about the data any
 * more.
 */
export const farBelow = 1e-3

/**
 * Whether a chance of loss through failing drives is so far below the other perils of a machine
 * that its number has no
 * meaning: the data are far likelier to go another way.
 * @param chance high end of the chance within the years
 * @param theftChance chance of theft, fire and water a year: the peril of a machine that no layout
 *   of its drives helps against
 */
export function isFarBelowOtherPerils(chance: number, years: number, theftChance: number): boolean {
  return chance < farBelow * theftChance * years
}
