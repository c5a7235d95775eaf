import { peakFactors, peakMbps as peakOf, type Quality } from '../catalogue/qualities'
import type { Library } from '../plan/library'

export interface HomePeak {
  /** mean rate of a title, by the library's titles, Mb/s */
  readonly meanMbps: number
  /** how far the worst title's passages rise above its mean, Mb/s */
  readonly largestRiseMbps: number
  readonly peakMbps: number
}

/** Rate assumed while the library is empty: a plain 1080p stream. */
const plainMbps = 8
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
  let titles = 0
  let sumMbps = 0
  let largestRiseMbps = 0
  for (const holding of library.holdings) {
    const quality = qualities.find(candidate => candidate.id === holding.quality)
    if (!quality || holding.titles === 0) continue
    const bitrateMbps = holding.bitrateMbps ?? quality.bitrateMbps.likely
    titles += holding.titles
    sumMbps += holding.titles * bitrateMbps
    largestRiseMbps = Math.max(largestRiseMbps, peakOf(quality, bitrateMbps) - bitrateMbps)
  }
  const meanMbps = titles ? sumMbps / titles : plainMbps
  const riseMbps = titles ? largestRiseMbps : plainRiseMbps
  return {
    meanMbps,
    largestRiseMbps: riseMbps,
    peakMbps: viewers > 0 ? viewers * meanMbps + riseMbps : 0,
  }
}
