import { peakFactors, peakMbps as peakOf, type Quality } from '../catalogue/qualities'
import type { Library } from '../plan/library'
import { plainMbps, titleRatesOf } from './titleRates'

export interface HomePeak {
  /** mean rate of a title, by the library's titles, Mb/s */
  readonly meanMbps: number
  /** how far the worst title's passages rise above its mean, Mb/s */
  readonly largestRiseMbps: number
  readonly peakMbps: number
}

const plainRiseMbps = plainMbps * (peakFactors.reencoded - 1)

/**
 * Peak on the wire at home: Σ means + the largest single (peak − mean).
 * @param viewers watching at once at home, whole, >= 0
 */
export function homePeak(
  library: Library,
  qualities: readonly Quality[],
  viewers: number,
): HomePeak {
  const rates = titleRatesOf(library, qualities)
  const meanMbps = rates.reduce((sum, { mbps, share }) => sum + mbps * share, 0)
  const riseMbps = rates.reduce(
    (most, { quality, mbps }) =>
      Math.max(most, quality ? peakOf(quality, mbps) - mbps : plainRiseMbps),
    0,
  )
  return {
    meanMbps,
    largestRiseMbps: riseMbps,
    peakMbps: viewers > 0 ? viewers * meanMbps + riseMbps : 0,
  }
}
