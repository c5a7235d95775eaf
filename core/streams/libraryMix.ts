import { group } from 'd3-array'
import type { Quality } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import type { Library } from '../plan/library'
import { softwareWork, type ToneMapping } from './softwareWork'

/** One kind of conversion in the household's mix. */
export interface MixPart {
  readonly quality: Quality
  /** share of the titles, 0..1; the parts add up to 1 */
  readonly share: number
  readonly bitrateMbps: number
  /** reference streams one conversion of this kind takes */
  readonly work: Estimate
}

/**
 * The mix of conversions if every title is as likely to be watched as any other: each to H.264 at 1080p, or at
 * the source's own size where that is smaller.
 * @returns parts by quality, largest share first; empty when the library holds no titles
 */
export function libraryMix(library: Library, qualities: readonly Quality[], table: WorkTable, toneMapping: ToneMapping): MixPart[] {
  const titles = library.holdings.reduce((sum, holding) => sum + holding.titles, 0)
  if (titles === 0) return []
  const groups = group(library.holdings.filter(holding => holding.titles > 0), holding => holding.quality)
  return [...groups].flatMap(([id, holdings]) => {
    const quality = qualities.find(candidate => candidate.id === id)
    if (!quality) return []
    const count = holdings.reduce((sum, holding) => sum + holding.titles, 0)
    const bitrateMbps = holdings.reduce((sum, holding) => sum + holding.titles * (holding.bitrateMbps ?? quality.bitrateMbps.likely), 0) / count
    const work = softwareWork(table, {
      source: { codec: quality.codec, pictureSize: quality.pictureSize, bitrateMbps, highDynamicRange: quality.highDynamicRange },
      outputSize: Math.min(1, quality.pictureSize),
      toneMapping,
    })
    return [{ quality, share: count / titles, bitrateMbps, work }]
  }).sort((a, b) => b.share - a.share)
}

/**
 * Mean work of a conversion over a mix. The parts share most coefficients (encoding above all), so they swing
 * together: the ends are the means of the ends.
 * @param mix at least one part, shares adding up to 1
 */
export function meanWork(mix: readonly MixPart[]): Estimate {
  const mean = (end: keyof Estimate) => mix.reduce((sum, part) => sum + part.share * part.work[end], 0)
  return { low: mean('low'), likely: mean('likely'), high: mean('high') }
}
