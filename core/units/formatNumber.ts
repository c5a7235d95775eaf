/**
 * A number as it stands in a formula: up to `significant` digits, thin-space thousands, a decimal point,
 * and powers of ten only where plain digits would hide the size.
 * @example formatNumber(0.0000362) // '3.62e-5'
 * @example formatNumber(12000) // '12 000'
 */
export function formatNumber(value: number, significant = 4): string {
  if (!Number.isFinite(value)) return '–'
  if (value === 0) return '0'
  const size = Math.abs(value)
  if (size < 1e-3 || size >= 1e9) {
    return value.toExponential(Math.max(0, significant - 2)).replace(/\.?0+e/, 'e').replace('e+', 'e')
  }
  const digits = Math.max(0, significant - 1 - Math.floor(Math.log10(size)))
  const [whole = '0', fraction = ''] = Math.abs(Number(value.toFixed(digits))).toFixed(digits).split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, '\u202f')
  const trimmed = fraction.replace(/0+$/, '')
  return (value < 0 ? '−' : '') + grouped + (trimmed ? `.${trimmed}` : '')
}
