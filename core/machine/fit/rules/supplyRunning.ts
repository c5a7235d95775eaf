import { maxShareOfRating } from '../../power/startSurge'
import { fitRule, passIf } from '../fitRule'

/** With everything at work, a supply is used to four fifths. */
export const supplyRunning = fitRule<{ readonly runningW: number; readonly ratingW: number }>({
  id: 'supplyRunning',
  label: 'Supply while all works',
  group: 'power',
  prunes: 'body',
  otherwise: 'Use a thriftier processor or card, or fewer, larger drives.',
  judge: ({ supply, runningW }) =>
    supply && {
      state: passIf(runningW <= maxShareOfRating * supply.ratingW),
      values: { runningW, ratingW: supply.ratingW },
    },
  say: ({ runningW, ratingW }, { quantity, share }, state) =>
    `With everything at work ${quantity(runningW, 'W')} are taken, ` +
    `${share(runningW / ratingW)} of ` +
    `${quantity(ratingW, 'W')}${state === 'pass' ? '.' : `; ${share(maxShareOfRating)} are the most for years of service.`}`,
  fixes: () => [{ how: 'replace', kind: 'supply' }],
})
