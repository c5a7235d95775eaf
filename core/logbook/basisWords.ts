import type { Format } from '../units/format'
import type { CalibrationRow } from './calibrationRows'

/** What is measured and what is estimated, in a sentence. */
export function basisWords(rows: readonly CalibrationRow[], { number: n }: Format): string {
  const measured = rows.filter(({ correction }) =>
    correction?.trials.some(({ state }) => state !== 'apart' && state !== 'mistake'),
  )
  const names = (list: readonly CalibrationRow[]) => {
    const first = list
      .slice(0, 3)
      .map(({ label }) => label.charAt(0).toLowerCase() + label.slice(1))
    const others = list.length - first.length
    return others > 0
      ? `${first.join(', ')} and ${others === 1 ? 'one more' : `${n(others)} more`}`
      : first.length > 1
        ? `${first.slice(0, -1).join(', ')} and ${first.at(-1)}`
        : (first[0] ?? '')
  }
  if (measured.length === 0) return 'Nothing of it is measured: every figure is estimated.'
  const left = rows.length - measured.length
  return (
    `Measured: ${names(measured)}. ` +
    (left === 0
      ? 'Nothing that can be measured is left to estimates.'
      : left === 1
        ? 'One more figure could be measured.'
        : `${n(left)} more figures could be measured.`)
  )
}
