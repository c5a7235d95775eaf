import type { EveningEvent } from '../evening/eveningRun'
import type { Rehearsal } from '../playOne'
import { chanceInterval, type PairedSums, type RatioSums } from './intervals'
import { isDisturbed, type EveningScore } from './eveningScore'
import { addEvening, addTally, blameOf, emptyTally, type Blame, type Tally } from './tally'

/** Evenings of a lot: 36 weeks. */
export const lotSize = 252
/** A run is at least and at most so many evenings, in whole lots. */
export const leastEvenings = 504
export const mostEvenings = 99_792

/** Plays the evenings of one lot. */
export function playLot(rehearsal: Rehearsal, lot: number, viewers: number): Tally {
  const tally = emptyTally(viewers, rehearsal.world.resources.list.length)
  const blames: Partial<Record<EveningEvent['kind'], Blame>> = {
    stall: tally.stallBlame,
    step: tally.stepBlame,
    gaveUp: tally.gaveUpBlame,
  }
  for (let number = lot * lotSize; number < (lot + 1) * lotSize; number++) {
    const evening = rehearsal.evening(number)
    const run = rehearsal.play(evening, {
      event: ({ kind, binds }) => {
        const blame = blames[kind]
        if (!blame) return
        const name = blameOf(evening, binds)
        blame[name] = (blame[name] ?? 0) + 1
      },
    })
    addEvening(tally, evening, run)
  }
  return tally
}

/** Whether so many evenings say enough, as judged over lots in their order. */
export function isEnough(tally: Pick<Tally, 'evenings' | 'disturbed'>, within: number): boolean {
  if (tally.evenings >= mostEvenings) return true
  if (tally.evenings < leastEvenings) return false
  const { low, high } = chanceInterval(tally.disturbed, tally.evenings)
  return (high - low) / 2 <= within
}

/**
 * Lots are summed in their order, whoever played them, so that one worker and many give the same
 * digits; what comes after the stop is forgotten.
 */
export class LotSums {
  readonly sum: Tally
  isDone = false
  private readonly waiting = new Map<number, Tally>()
  private next = 0

  constructor(
    viewers: number,
    resources: number,
    private readonly within: number,
  ) {
    this.sum = emptyTally(viewers, resources)
  }
  take(lot: number, tally: Tally): void {
    this.waiting.set(lot, tally)
    for (;;) {
      const ready = this.waiting.get(this.next)
      if (!ready || this.isDone) return
      this.waiting.delete(this.next++)
      addTally(this.sum, ready)
      this.isDone = isEnough(this.sum, this.within)
    }
  }
}

export function ratioSums({ evenings, all, yy, yh, hh }: Tally): RatioSums {
  return { n: evenings, y: all.stalledS, h: all.hours, yy, yh, hh }
}

function sumsOf(scores: readonly EveningScore[]): RatioSums {
  const sum = (of: (score: EveningScore) => number) =>
    scores.reduce((all, score) => all + of(score), 0)
  return {
    n: scores.length,
    y: sum(({ stalledS }) => stalledS),
    h: sum(({ hours }) => hours),
    yy: sum(({ stalledS }) => stalledS * stalledS),
    yh: sum(({ stalledS, hours }) => stalledS * hours),
    hh: sum(({ hours }) => hours * hours),
  }
}

/** What two runs come to together, over the evenings that both have. */
export function pairOf(one: Pick<Tally, 'scores'>, other: Pick<Tally, 'scores'>) {
  let [without, withIt] = [0, 0]
  const cross = { yy: 0, yh: 0, hy: 0, hh: 0 }
  const n = Math.min(one.scores.length, other.scores.length)
  const [own, theirs] = [one.scores.slice(0, n), other.scores.slice(0, n)]
  own.forEach((a, at) => {
    const b = theirs[at]!
    if (isDisturbed(a) && !isDisturbed(b)) without++
    if (!isDisturbed(a) && isDisturbed(b)) withIt++
    cross.yy += a.stalledS * b.stalledS
    cross.yh += a.stalledS * b.hours
    cross.hy += a.hours * b.stalledS
    cross.hh += a.hours * b.hours
  })
  const sums: PairedSums = { one: sumsOf(own), other: sumsOf(theirs), ...cross }
  return { n, without, withIt, sums }
}
