/** An amount of money to the cent: a row of a list is rounded once, and sums are those of rows. */
export function wholeCents(amount: number): number {
  return Math.round(amount * 100) / 100
}
