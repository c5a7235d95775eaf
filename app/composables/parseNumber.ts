/**
 * A number as people type it: spaces between thousands, a decimal point or comma.
 * @returns null for empty text, undefined for text that is no number
 */
export function parseNumber(text: string): number | null | undefined {
  const tidy = text.replace(/[\s\u00A0\u202F']/g, '').replace('−', '-')
  if (tidy === '') return null
  const point =
    tidy.includes('.') && tidy.includes(',')
      ? tidy.lastIndexOf('.') > tidy.lastIndexOf(',')
        ? tidy.replaceAll(',', '')
        : tidy.replaceAll('.', '').replace(',', '.')
      : tidy.replace(',', '.')
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(point) ? Number(point) : undefined
}
