import { LotSums } from '~~/core/rehearsal/many/lots'
import type { Missing } from '~~/core/rehearsal/question/rehearsalWorld'
import type { Tally } from '~~/core/rehearsal/many/tally'
import { inBackground, type Lane } from './background'
import type { RehearsalAsk } from './rehearsalWork'

const lanes: readonly Lane[] = ['rehearse', 'rehearse too']

export interface ManyAsked {
  /** all are played on the same evenings */
  readonly asks: readonly RehearsalAsk[]
  /** half the width of the interval at which it stops */
  readonly within: number
  /** after each lot: the sums so far, by ask; empty before the first */
  readonly report: (sums: readonly Tally[]) => void
}
export interface RunningMany {
  /** what is missing, or null when it came to its end or was cancelled */
  readonly done: Promise<Missing | null>
  readonly cancel: () => void
}

/** Plays thousands of evenings, a lot at a time, on whatever takes the next one. */
export function startMany({ asks, within, report }: ManyAsked): RunningMany {
  let isCancelled = false
  let next = 0
  const sums: (LotSums | undefined)[] = asks.map(() => undefined)
  const isOver = () => isCancelled || (sums.every(own => own?.isDone) && sums.length > 0)

  async function take(lane: Lane): Promise<Missing | null> {
    while (!isOver()) {
      const lot = next++
      for (const [at, ask] of asks.entries()) {
        if (isCancelled) return null
        if (sums[at]?.isDone) continue
        const { missing, tally } = await inBackground(lane, work => work.rehearsedLot(ask, lot))
        if (!tally) {
          isCancelled = true
          return missing
        }
        sums[at] ??= new LotSums(tally.viewers.length, tally.used.length, within)
        sums[at].take(lot, tally)
      }
      if (!isCancelled) report(sums.flatMap(own => (own ? [{ ...own.sum }] : [])))
    }
    return null
  }
  const done = Promise.all(lanes.map(take)).then(
    answers => answers.find(answer => answer !== null) ?? null,
  )
  return {
    done,
    cancel: () => {
      isCancelled = true
    },
  }
}
