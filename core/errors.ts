/**
 * A caller's mistake: an argument outside what a formula is defined for.
 * What a person typed is never reported this way; the plan's schema answers that with sentences.
 */
export class CoreRangeError extends RangeError {
  readonly code: string
  readonly details: Readonly<Record<string, unknown>>

  constructor(code: string, details: Record<string, unknown> = {}) {
    super(`${code} ${JSON.stringify(details)}`)
    this.name = 'CoreRangeError'
    this.code = code
    this.details = details
  }
}

/**
 * Throws a {@link CoreRangeError} with this code unless value is a finite number within [min, max].
 */
export function requireWithin(
  code: string,
  value: number,
  { min, max = Infinity }: { readonly min: number; readonly max?: number },
): void {
  if (!Number.isFinite(value) || value < min || value > max)
    throw new CoreRangeError(code, { value, min, max })
}

/**
 * Throws a {@link CoreRangeError} with this code unless value is a whole number of at least min.
 */
export function requireWhole(code: string, value: number, min = 0): void {
  if (!Number.isInteger(value) || value < min) throw new CoreRangeError(code, { value, min })
}
