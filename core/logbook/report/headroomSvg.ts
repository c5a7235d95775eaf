import type { verdictStates, Verdict } from '../../verdict'

/** Words of the states as the headroom line has them. */
const stateWords: Readonly<Record<(typeof verdictStates)[number], string>> = {
  ample: 'Ample',
  enough: 'Enough',
  tight: 'Tight',
  short: 'Short',
  impossible: 'Impossible',
  unknown: 'Not known',
}

/** A text as it may stand in a page. */
export const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')

const rowHeight = 26
const labelWidth = 130
const stateWidth = 100

/**
 * The headroom line as a picture that needs nothing else: of each need how much of what is possible
 * it takes, as water up to its wall.
 * @param width px; letters stay as large as they are
 */
export function headroomSvg(verdicts: readonly Verdict[], width = 680): string {
  const barWidth = width - labelWidth - stateWidth
  const rows = verdicts.map(({ label, share, state }, at) => {
    const y = at * rowHeight
    const filled = share === null ? 0 : Math.min(1, share) * barWidth
    return (
      `<g><text x="0" y="${y + 17}">${escaped(label)}</text>` +
      `<rect x="${labelWidth}" y="${y + 6}" width="${barWidth}" height="14" fill="none" stroke="#2b3b40"/>` +
      `<rect x="${labelWidth}" y="${y + 6}" width="${filled.toFixed(1)}" height="14" fill="#7fa9b8"/>` +
      (share !== null && share > 1
        ? `<text x="${labelWidth + barWidth - 6}" y="${y + 17}" text-anchor="end">over</text>`
        : '') +
      `<text x="${labelWidth + barWidth + 12}" y="${y + 17}">${stateWords[state]}</text></g>`
    )
  })
  const height = verdicts.length * rowHeight + 4
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" ` +
    `height="${height}" role="img" aria-label="Of each need, how much of what is possible it takes" ` +
    `font-family="system-ui, sans-serif" font-size="13" fill="#1c2b30">${rows.join('')}</svg>`
  )
}
