import type { EveningRun } from '../evening/eveningRun'

/** How an evening went, as far as evenings are compared. */
export interface EveningScore {
  readonly number: number
  /** refused by the machine, and given up */
  readonly lost: number
  readonly stalledS: number
  /** of starts and seeks */
  readonly waitedS: number
  /** something was never possible on this machine, on however quiet an evening */
  readonly isNever: boolean
  /** a stall, a refusal for want of a place, or somebody gave up */
  readonly isBusy: boolean
  readonly hours: number
}

export const isDisturbed = ({ isNever, isBusy }: Pick<EveningScore, 'isNever' | 'isBusy'>) =>
  isNever || isBusy

export function scoreOf(number: number, { results }: Pick<EveningRun, 'results'>): EveningScore {
  let [lost, stalledS, waitedS, seconds] = [0, 0, 0, 0]
  let [isNever, isBusy] = [false, false]
  for (const result of results) {
    const { outcome, live, plan, over } = result!
    if (outcome === 'never' && plan.never?.by === 'machine') {
      lost++
      isNever = true
    }
    if (outcome === 'noPlace' || outcome === 'gaveUp') {
      lost++
      isBusy = true
    }
    if (!live) continue
    seconds += over - plan.start
    stalledS += live.stalled
    waitedS += live.startWait + live.seekWait
    if (live.stalls > 0) isBusy = true
  }
  return { number, lost, stalledS, waitedS, isNever, isBusy, hours: seconds / 3600 }
}

/** Worse ones first: more refused and given up, more stalled, longer waits, the smaller number. */
export function worseFirst(one: EveningScore, other: EveningScore): number {
  return (
    other.lost - one.lost ||
    other.stalledS - one.stalledS ||
    other.waitedS - one.waitedS ||
    one.number - other.number
  )
}
