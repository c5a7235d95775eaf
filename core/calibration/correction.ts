import type { Estimate } from '../figure'
import type { CalibratedFigure, Trial } from '../plan/trials'
import { figureRules } from './figureRules'
import type { Observation } from './noise'
import { posterior, type Posterior } from './posterior'
import { priorOf, tenthAt, type Prior } from './prior'

/** Further from the plan than so many standard deviations, a measurement is held apart. */
export const apartFrom = 4
/** Under this chance that nothing else ran, a measurement does not fit the others. */
export const leastWeight = 0.5

/** A measurement against what the plan predicts of it. */
export interface Held {
  readonly trial: Trial
  /** logarithms of measured ÷ predicted; ends that are open are infinite */
  readonly from: number
  readonly to: number
  /** standard deviation of ln noise */
  readonly spread: number
}

export type HeldState =
  'counts' | 'doesNotFit' | 'apart' | 'fault' | 'mistake' | 'soItIs' | 'before'

export interface HeldTrial extends Held {
  readonly state: HeldState
  /** chance that nothing else ran, 0..1; null where it does not count */
  readonly weight: number | null
  /** standard deviations between it and the range it is held against */
  readonly deviations: number
}

/** What measurements make of a figure. */
export interface Correction {
  readonly figure: CalibratedFigure
  /** the range before: the plan's, or the one that usually stands in */
  readonly planned: Estimate
  readonly corrected: Estimate
  /** corrected ends against the plan's likely value */
  readonly factor: Estimate
  readonly trials: readonly HeldTrial[]
}

/** A range of the plan; where it has none, the usual one of the figure. */
export function plannedRange(figure: CalibratedFigure, plan: Estimate): Estimate {
  const { usual } = figureRules[figure]
  return usual && plan.low === plan.high
    ? { low: plan.likely * usual.low, likely: plan.likely, high: plan.likely * usual.high }
    : plan
}

/** Standard deviations between a range and the nearest end of a measurement. */
function deviationsOf({ from, to, spread }: Held, { below, above }: Prior): number {
  const nearest = from > 0 ? from : to < 0 ? to : 0
  const side = nearest < 0 ? below : above
  return nearest / Math.hypot(side, spread)
}

/** The value of a measurement that stands as it is: in the middle of what it says. */
function standsAt({ from, to }: Held): number {
  if (from === -Infinity) return to
  return to === Infinity ? from : (from + to) / 2
}

const observationOf = ({ from, to, spread }: Held): Observation =>
  from === to ? { at: from, spread } : { from, to, spread }

/** Posteriors by what they follow from: an edit asks for the same ones again. */
const remembered = new Map<string, Posterior>()
const mostRemembered = 400
function posteriorOf(prior: Prior, held: readonly Held[]): Posterior {
  const observations = held.map(observationOf)
  const key = JSON.stringify([
    prior,
    held.map(({ from, to, spread }) => [
      Number.isFinite(from) ? from : null,
      Number.isFinite(to) ? to : null,
      spread,
    ]),
  ])
  const known = remembered.get(key)
  if (known) return known
  const found = posterior(prior, observations)
  if (remembered.size >= mostRemembered) remembered.clear()
  remembered.set(key, found)
  return found
}

/** Never narrower than the least that is believed. */
function noNarrower({ low, likely, high }: Estimate, least: number): Estimate {
  return {
    low: Math.min(low, likely / (1 + least)),
    likely,
    high: Math.max(high, likely * (1 + least)),
  }
}

/**
 * What measurements make of a figure. One that stands as it is (*so it is*) takes the place of the
 * plan's range, and only later ones count on top of it; what is far off is held apart until
 * somebody says what it is.
 * @param plan range of the plan
 * @param held measurements of this figure, the oldest first
 * @returns null where nothing was measured, or the plan's range is not above 0
 */
export function correctionOf(
  figure: CalibratedFigure,
  plan: Estimate,
  held: readonly Held[],
): Correction | null {
  const first = held[0]?.trial
  if (!first) return null
  // An edit elsewhere asks for the same ones again, by the very same measurements of the plan.
  const before = made.get(first) ?? []
  const known = before.find(entry => isSame(entry, { figure, plan, held }))
  if (known) return known.correction
  const correction = madeOf(figure, plan, held)
  made.set(first, [{ figure, plan, held, correction }, ...before.slice(0, madeKept - 1)])
  return correction
}

interface Made {
  readonly figure: CalibratedFigure
  readonly plan: Estimate
  readonly held: readonly Held[]
  readonly correction: Correction | null
}
/** The last few corrections of a figure, by the first measurement that they stand on. */
const made = new WeakMap<Trial, readonly Made[]>()
const madeKept = 4
function isSame(a: Made, b: Omit<Made, 'correction'>): boolean {
  return (
    a.figure === b.figure &&
    a.plan.low === b.plan.low &&
    a.plan.likely === b.plan.likely &&
    a.plan.high === b.plan.high &&
    a.held.length === b.held.length &&
    a.held.every((one, at) => {
      const other = b.held[at]!
      return (
        one.trial === other.trial &&
        one.from === other.from &&
        one.to === other.to &&
        one.spread === other.spread
      )
    })
  )
}

function madeOf(
  figure: CalibratedFigure,
  plan: Estimate,
  held: readonly Held[],
): Correction | null {
  const planned = plannedRange(figure, plan)
  const planPrior = priorOf(planned)
  if (held.length === 0 || !planPrior) return null
  const { least } = figureRules[figure]
  const standing = held.findLastIndex(({ trial }) => trial.standing === 'soItIs')
  const stands = held[standing]
  const shift = stands ? standsAt(stands) : 0
  const side = stands ? Math.max(tenthAt * stands.spread, Math.log1p(least)) : 0
  const prior = stands ? { below: side / tenthAt, above: side / tenthAt } : planPrior
  const judged = held.map((one, at): HeldTrial => {
    const moved = { ...one, from: one.from - shift, to: one.to - shift }
    const deviations = deviationsOf(moved, prior)
    const { standing: said } = one.trial
    const state: HeldState =
      said === 'fault' || said === 'mistake'
        ? said
        : at === standing
          ? 'soItIs'
          : at < standing
            ? 'before'
            : Math.abs(deviations) > apartFrom
              ? 'apart'
              : 'counts'
    return { ...one, state, weight: null, deviations }
  })
  const counting = judged.filter(({ state }) => state === 'counts')
  const { likely } = planned
  if (counting.length === 0) {
    const corrected = stands
      ? {
          low: likely * Math.exp(shift - side),
          likely: likely * Math.exp(shift),
          high: likely * Math.exp(shift + side),
        }
      : plan
    return { figure, planned, corrected, factor: factorOf(corrected, likely), trials: judged }
  }
  const { weights, ...points } = posteriorOf(
    prior,
    counting.map(one => ({ ...one, from: one.from - shift, to: one.to - shift })),
  )
  const corrected = noNarrower(
    {
      low: likely * Math.exp(shift + points.low),
      likely: likely * Math.exp(shift + points.likely),
      high: likely * Math.exp(shift + points.high),
    },
    least,
  )
  let at = 0
  const trials = judged.map((one): HeldTrial => {
    if (one.state !== 'counts') return one
    const weight = weights[at++]!
    return { ...one, weight, state: weight < leastWeight ? 'doesNotFit' : 'counts' }
  })
  return { figure, planned, corrected, factor: factorOf(corrected, likely), trials }
}

function factorOf({ low, likely, high }: Estimate, by: number): Estimate {
  return { low: low / by, likely: likely / by, high: high / by }
}

/** The plan's estimate, or what measurements made of it. */
export function calibrated(plan: Estimate, correction: Correction | null): Estimate {
  return correction ? correction.corrected : plan
}
