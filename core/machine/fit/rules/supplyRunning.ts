import { maxShareOfRating } from '../../power/startSurge'
import { fitRule, passIf, type FitCases } from '../fitRule'

/** With everything at work, a supply is used to four fifths. */
export const supplyRunning = fitRule<{ readonly runningW: number; readonly ratingW: number }>({
  id: 'supplyRunning',
  label: 'Supply while all works',
  group: 'power',
  prunes: 'body',
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

export const cases: FitCases = {
  passing: {
    state: 'pass',
    plan: {
      machine: {
        base: 'parts',
        parts: [{ ref: 'mole-300' }, { ref: 'postern-21' }, { ref: 'leat-22' }],
      },
    },
  },
  failing: {
    state: 'fail',
    plan: {
      machine: {
        base: 'parts',
        parts: [
          { ref: 'mole-300' },
          { ref: 'hatch-22' },
          { ref: 'race-24' },
          { ref: 'cardModern' },
        ],
      },
      drives: { lots: [{ count: 6 }] },
    },
  },
}
