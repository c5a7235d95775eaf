import type { Calibration } from '../plan/calibration'
import type { CalibratedFigure, Trial } from '../plan/trials'
import type { Held } from './correction'
import { figureRules } from './figureRules'

/** What of the calibration an assessment looks at. */
export type Trials = Pick<Calibration, 'trials' | 'countsFrom'>

/**
 * The measurements that can count, the oldest first: of this machine or of no machine in
 * particular, and from the day on which somebody let their figure begin anew.
 * @param mark of the machine; what does not depend on it carries none
 */
export function ofMark({ trials, countsFrom }: Trials, mark: string): readonly Trial[] {
  if (trials.length === 0) return none
  return trials
    .filter(({ figure, of, mark: own, day }) => {
      const from = countsFrom.find(entry => entry.figure === figure && entry.of === of)?.day ?? ''
      return (figureRules[figure].depends !== 'machine' || own === mark) && day >= from
    })
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
}
const none: readonly Trial[] = []

/** Those of one figure, whatever they were measured on. */
export const allOf = ({ trials }: Trials, figure: CalibratedFigure): readonly Trial[] =>
  trials.length === 0 ? none : trials.filter(trial => trial.figure === figure)

/** Those of one figure, of one of several, and of what they were measured on. */
export function trialsOf(
  trials: Trials,
  figure: CalibratedFigure,
  { of = '', mark = '' }: { readonly of?: string; readonly mark?: string } = {},
): readonly Trial[] {
  return ofMark(trials, mark).filter(
    trial => trial.figure === figure && trial.of === of && trial.mark === mark,
  )
}

/**
 * A measurement against what the plan predicts for its own conditions.
 * @param predicted in the unit of the measurement; null where the plan cannot say
 * @param spread where it differs from the figure's
 */
export function heldAgainst(
  trial: Trial,
  predicted: number | null,
  spread: number = trial.spread ?? figureRules[trial.figure].spread,
): Held[] {
  if (predicted === null || !(predicted > 0)) return []
  const ratio = (value: number) => (value > 0 ? Math.log(value / predicted) : -Infinity)
  const { value, upTo } = trial
  switch (trial.reads) {
    case 'exact':
      return value > 0 ? [{ trial, from: ratio(value), to: ratio(value), spread }] : []
    case 'atLeast':
      return value > 0 ? [{ trial, from: ratio(value), to: Infinity, spread }] : []
    case 'atMost':
      return value > 0 ? [{ trial, from: -Infinity, to: ratio(value), spread }] : []
    case 'between':
      return upTo !== null && upTo > value
        ? [{ trial, from: ratio(value), to: ratio(upTo), spread }]
        : []
  }
}
