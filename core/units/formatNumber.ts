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
  const text = Math.abs(Number(value.toFixed(digits))).toFixed(digits)
  const point = digits > 0 ? text.indexOf('.') : text.length
  let end = text.length
  if (digits > 0) while (text.charCodeAt(end - 1) === zeroCode) end--
  const whole = text.slice(0, point)
  const shown = (point > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole) + (end > point + 1 ? text.slice(point, end) : '')
  return value < 0 ? `−${shown}` : shown
}

const zeroCode = 48
