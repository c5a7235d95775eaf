import { group } from 'd3-array'
import type { Quality } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import { titleBitrates } from '../library/titleBitrates'
import type { Library } from '../plan/library'
import type { MixPart } from './demand'
import { softwareWork, type ConversionTask, type ToneMapping } from './softwareWork'

/**
 * The mix of conversions while no habits are known: every title as likely to be watched as any
 * other, each to H.264 at
 * 1080p, or at the source's own size where that is smaller.
 * @returns parts by quality, and by bitrate where the work differs, largest share first; empty when
 *   the library holds no video
 */
export function libraryMix(
  library: Library,
  qualities: readonly Quality[],
  { table, toneMapping }: { readonly table: WorkTable; readonly toneMapping: ToneMapping },
): MixPart[] {
  const videos = library.holdings.flatMap(holding => {
    const quality = qualities.find(({ id }) => id === holding.quality)
    if (!quality || holding.titles <= 0) return []
    const rates = titleBitrates(holding, quality)
    return rates.map(bitrateMbps => ({
      quality,
      bitrateMbps,
      titles: holding.titles / rates.length,
    }))
  })
  const titles = videos.reduce((sum, part) => sum + part.titles, 0)
  return [...group(videos, ({ quality }) => quality)]
    .flatMap(([quality, own]) => {
      const parts = byWork(own, quality, { table, toneMapping })
      return parts.map((part): MixPart => {
        const isOne = parts.length === 1
        const { bitrateMbps } = part.task.source
        const key = isOne ? quality.id : `${quality.id}-at-${`${part.least}`.replace('.', '_')}`
        return {
          key,
          label: isOne
            ? quality.label
            : `${quality.label}, ${Number(bitrateMbps.toPrecision(3))} Mb/s`,
          figure: `streams.work.${key}`,
          share: part.titles / titles,
          work: part.work,
          task: part.task,
        }
      })
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

interface Part {
  readonly titles: number
  /** the lowest bitrate of its titles, Mb/s: no two parts share one, as their means may */
  readonly least: number
  readonly task: ConversionTask
  readonly work: Estimate
}

/**
 * Titles of one quality, those together that take the same work: up to some bitrate it is the same
 * for all, and their mean stands for them.
 */
function byWork(
  parts: readonly { readonly bitrateMbps: number; readonly titles: number }[],
  quality: Quality,
  { table, toneMapping }: { readonly table: WorkTable; readonly toneMapping: ToneMapping },
): Part[] {
  const taskAt = (bitrateMbps: number): ConversionTask => ({
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
  })
  const workAt = (bitrateMbps: number) => softwareWork(table, taskAt(bitrateMbps))
  return [...group(parts, part => workAt(part.bitrateMbps).likely).values()].map(alike => {
    const count = alike.reduce((sum, part) => sum + part.titles, 0)
    const mean = alike.reduce((sum, part) => sum + part.titles * part.bitrateMbps, 0) / count
    const least = Math.min(...alike.map(part => part.bitrateMbps))
    return { titles: count, least, task: taskAt(mean), work: workAt(mean) }
  })
}
