import type { CoreKind } from '../catalogue/coreKinds'
import { requireWithin } from '../errors'
import { band } from '../band'
import { exactly, type Estimate } from '../figure'

/**
 * Points that one core makes of one GHz, by year of design; between the years interpolated, outside
 * them held.
 */
const byYear: readonly (readonly [number, number])[] = [
  [2008, 190],
  [2010, 290],
  [2011, 290],
  [2012, 340],
  [2013, 380],
  [2015, 430],
  [2018, 430],
  [2019, 500],
  [2020, 500],
  [2021, 600],
]
const byKind: Readonly<Partial<Record<CoreKind, number>>> = {
  efficiency: 400,
  armSmall: 60,
  armMiddle: 150,
  armBig: 250,
}
/** What a second thread a core adds. */
export const secondThread = 1.2
/** The rule is good to this much either way. */
export const clockRuleSpread = 0.35

/** Points per core-GHz. */
export function pointsPerCoreGHz(year: number, kind: CoreKind): number {
  const known = byKind[kind]
  if (known !== undefined) return known
  const next = byYear.findIndex(([at]) => at >= year)
  if (next < 0) return byYear.at(-1)![1]
  if (next === 0) return byYear[0]![1]
  const [[y0, p0], [y1, p1]] = [byYear[next - 1]!, byYear[next]!]
  return p0 + ((p1 - p0) * (year - y0)) / (y1 - y0)
}

export interface CoresRule {
  readonly cores: number
  readonly gigahertz: number
  readonly year: number
  readonly kind: CoreKind
  readonly threadsPerCore: 1 | 2
}

/**
 * Multi-thread score when it is not known: cores × sustained GHz × points per core-GHz by year of
 * design, and a fifth
 * more for two threads a core; ±35 %.
 * @throws {CoreRangeError} CORES, GHZ
 * @example scoreFromCores({ cores: 4, gigahertz: 3.4, year: 2013, kind: 'fast', threadsPerCore: 1
 *   }) // 5168, 3359 to 6977
 */
export function scoreFromCores({
  cores,
  gigahertz,
  year,
  kind,
  threadsPerCore,
}: CoresRule): Estimate {
  requireWithin('CORES', cores, { min: 1 })
  requireWithin('GHZ', gigahertz, { min: 0.01 })
  const points = pointsPerCoreGHz(year, kind)
  return band(
    {
      points: {
        low: points * (1 - clockRuleSpread),
        likely: points,
        high: points * (1 + clockRuleSpread),
      },
      cores: exactly(cores),
    },
    values => values.cores * gigahertz * values.points * (threadsPerCore === 2 ? secondThread : 1),
    'linear',
  )
}
