import { formatNumber } from './formatNumber'

/**
 * A share or chance as people read it: per cent down to a tenth of one, then "1 in N".
 * @param share 0..1
 * @example shareText(0.0000362) // '1 in 28 000'
 */
export function shareText(share: number): string {
  if (share <= 0) return '0 %'
  if (share >= 0.001) return `${formatNumber(share * 100, share >= 0.995 ? 3 : 2)} %`
  return share < 1e-12 ? 'under 1 in 10¹²' : `1 in ${grouped(1 / share)}`
}

function grouped(count: number): string {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(count)) - 1)
  const rounded = Math.round(count / step) * step
  return rounded < 1e6 ? formatNumber(rounded, 9) : `${formatNumber(rounded / 1e6, 2)} million`
}
