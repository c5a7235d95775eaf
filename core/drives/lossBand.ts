import { failureRateBand, maxFailuresPerYear } from './failureRate'
import { poolLossChance, type LossQuestion } from './layoutRisk'
import type { Pool } from './poolOf'
import { band } from '../band'
import { type Estimate, exactly } from '../figure'
import { readErrorShares } from './readError'

/**
 * The chance of loss of a pool, its failure rate and (where they end a rebuild) its read errors
 * times these factors.
 */
export type LossChanceAt = (
  swing: { readonly rate: number; readonly readErrors: number },
  question: LossQuestion,
) => number

const remembered = new WeakMap<Pool, LossChanceAt>()

/**
 * Several bands, and what must survive, ask for the same chances of a pool: each is worked out
 * once.
 */
export function rememberedLossChance(pool: Pool): LossChanceAt {
  const known = remembered.get(pool) ?? lossChanceOf(pool)
  remembered.set(pool, known)
  return known
}

/** Without read errors that end a rebuild their rate has no part in it. */
function lossChanceOf({ arrangement: { groups } }: Pool): LossChanceAt {
  const known = new Map<string, number>()
  return ({ rate, readErrors }, question) => {
    const { years, readErrorEndsRebuild } = question
    const key = `${rate} ${years} ${readErrorEndsRebuild ? readErrors : ''}`
    const found = known.get(key)
    if (found !== undefined) return found
    const swung = groups.map(({ conditions, ...group }) => ({
      ...group,
      conditions: {
        ...conditions,
        failuresPerYear: Math.min(maxFailuresPerYear, conditions.failuresPerYear * rate),
        readErrorsPerBit: conditions.readErrorsPerBit * readErrors,
      },
    }))
    const chance = poolLossChance(swung, question)
    known.set(key, chance)
    return chance
  }
}

/** Whether a read error ends a rebuild, costs a file, or only such files are counted. */
export type ReadErrorIs = 'ends' | 'costsFile' | 'fileAlone'

/** Chance of loss in so many years, its failure rates and read errors times these factors. */
const lossAt =
  (chance: LossChanceAt, years: number, readError: ReadErrorIs) =>
  (swing: Parameters<LossChanceAt>[0]): number => {
    const loss = (readErrorEndsRebuild: boolean) => chance(swing, { years, readErrorEndsRebuild })
    return readError === 'fileAlone'
      ? Math.max(0, loss(true) - loss(false))
      : loss(readError === 'ends')
  }

/** The likely chance of loss. */
export const likelyLoss = (chance: LossChanceAt, years: number, readError: ReadErrorIs): number =>
  lossAt(chance, years, readError)({ rate: 1, readErrors: 1 })

/**
 * Chance of loss with its band: failure rates are swung, and, where they count, read errors from a
 * hundredth of the sheet to the sheet.
 */
export function lossBand(chance: LossChanceAt, years: number, readError: ReadErrorIs): Estimate {
  const readErrors = readError === 'costsFile' ? exactly(1) : mapShares(readErrorShares)
  return band({ rate: failureRateBand, readErrors }, lossAt(chance, years, readError), 'chance')
}

/** Shares of the sheet as factors around the likely one. */
function mapShares({ low, likely, high }: Estimate): Estimate {
  return { low: low / likely, likely: 1, high: high / likely }
}
