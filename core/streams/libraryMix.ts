import { group } from 'd3-array'
import type { Quality } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import type { Library } from '../plan/library'
import type { MixPart } from './demand'
import { softwareWork, type ConversionTask, type ToneMapping } from './softwareWork'

/**
 * The mix of conversions while no habits are known: every title as likely to be watched as any
 * other, each to H.264 at
 * 1080p, or at the source's own size where that is smaller.
 * @returns parts by quality, largest share first; empty when the library holds no video
 */
export function libraryMix(
  library: Library,
  qualities: readonly Quality[],
  { table, toneMapping }: { readonly table: WorkTable; readonly toneMapping: ToneMapping },
): MixPart[] {
  const videos = library.holdings.filter(
    holding => holding.titles > 0 && qualities.some(quality => quality.id === holding.quality),
  )
  const titles = videos.reduce((sum, holding) => sum + holding.titles, 0)
  return [...group(videos, holding => holding.quality)]
    .map(([id, holdings]) => {
      const quality = qualities.find(candidate => candidate.id === id)!
      const count = holdings.reduce((sum, holding) => sum + holding.titles, 0)
      const bitrateMbps =
        holdings.reduce(
          (sum, holding) =>
            sum + holding.titles * (holding.bitrateMbps ?? quality.bitrateMbps.likely),
          0,
        ) / count
      const task: ConversionTask = {
        source: {
          codec: quality.codec,
          pictureSize: quality.pictureSize,
          bitrateMbps,
          highDynamicRange: quality.highDynamicRange,
          framesPerSecond: quality.usual.framesPerSecond,
          interlaced: quality.usual.interlaced,
        },
        outputSize: Math.min(1, quality.pictureSize),
        toneMapping,
      }
      return {
        key: id,
        label: quality.label,
        figure: `streams.work.${id}`,
        share: count / titles,
        work: softwareWork(table, task),
        task,
      }
    })
    .sort((a, b) => b.share - a.share)
}

/**
 * Mean work of a conversion over a mix. The parts share most coefficients (encoding above all), so
 * they swing
 * together: the ends are the means of the ends.
 * @param mix at least one part, shares adding up to 1
 */
export function meanWork(mix: readonly MixPart[]): Estimate {
  const mean = (end: keyof Estimate) =>
    mix.reduce((sum, part) => sum + part.share * part.work[end], 0)
  return { low: mean('low'), likely: mean('likely'), high: mean('high') }
}
