const root2Pi = Math.sqrt(2 * Math.PI)

/** Density of the standard normal distribution. */
export function normalDensity(z: number): number {
  return Math.exp((-z * z) / 2) / root2Pi
}

/**
 * Chance that a standard normal value lies above z: for small z by the series of the error
 * function, further out by its continued fraction, so that far tails keep their digits.
 * @param z any number; ±Infinity gives 0 and 1
 * @returns 0..1, good to 1e-13 of itself out to z = 37
 * @see Abramowitz and Stegun 26.2.10 and 26.2.14
 */
export function normalAbove(z: number): number {
  if (z < 0) return 1 - normalAbove(-z)
  if (z === Infinity) return 0
  if (z < 2.5) {
    let term = z
    let sum = z
    for (let n = 1; Math.abs(term) > 1e-17 * sum; n++) {
      term *= (z * z) / (2 * n + 1)
      sum += term
    }
    return 0.5 - normalDensity(z) * sum
  }
  let fraction = z
  for (let n = 80; n >= 1; n--) fraction = z + n / fraction
  return normalDensity(z) / fraction
}

/** Chance that a standard normal value lies between two ends; its digits are kept in the tails. */
export function normalBetween(from: number, to: number): number {
  return from >= 0
    ? normalAbove(from) - normalAbove(to)
    : to <= 0
      ? normalAbove(-to) - normalAbove(-from)
      : 1 - normalAbove(-from) - normalAbove(to)
}
