import { band } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { VideoCodec } from '../catalogue/qualities'
import { exactly, type Estimate } from '../figure'
import { holdingSizes } from '../library/holdingSizes'
import type { Plan } from '../plan/planSchema'
import { softwareWork } from './softwareWork'

/** Codecs that an archive is re-encoded to in software. */
export const archiveCodecs = { h264: 'H.264', hevc8: 'HEVC' } as const satisfies Partial<
  Record<VideoCodec, string>
>
export type ArchiveCodec = keyof typeof archiveCodecs

/** What re-encoding one holding comes to. */
export interface ArchiveConversion {
  /** index in the plan's holdings */
  readonly index: number
  readonly name: string
  /** id of the quality it would have */
  readonly quality: string
  readonly savedTB: Estimate
  /** days of the whole processor, day and night */
  readonly cpuDays: Estimate
}

/** Encoding to HEVC against encoding to H.264, both at a fast preset. */
function encodeOf(table: Catalogue['workTable'], codec: ArchiveCodec): Estimate {
  return codec === 'h264' ? table.encodeH264 : table.encodeHevc
}

/**
 * Re-encoding the video that is kept, each holding at its own picture size: TB saved, and days of
 * the processor.
 * days = titles × minutes ÷ 1440 × work ÷ capacity; the work is that of a conversion with the
 * target's encoding, sound
 * passed through. HDR is kept, so nothing is tone-mapped. Holdings that would grow are left out.
 * @param capacity reference streams of the processor, likely > 0
 */
export function archiveConversions(
  { library }: Pick<Plan, 'library'>,
  catalogue: Catalogue,
  { capacity, codec }: { readonly capacity: Estimate; readonly codec: ArchiveCodec },
): ArchiveConversion[] {
  const { qualities, workTable } = catalogue
  const sizes = holdingSizes(library, catalogue).filter(size => size.sized === 'video')
  return sizes.flatMap(({ index, name, amount, todayTB }) => {
    const holding = library.holdings[index]!
    const source = qualities.find(quality => quality.id === holding.quality)!
    // HDR needs ten bits, which this ladder has in HEVC only.
    const target = qualities.find(
      quality =>
        quality.lines === source.lines &&
        quality.highDynamicRange === source.highDynamicRange &&
        quality.peakFactor <= 1.5 &&
        !quality.id.startsWith('home') &&
        (quality.codec === codec || (codec === 'hevc8' && quality.codec === 'hevc10')),
    )
    if (!target || holding.titles === 0) return []
    const savedTB = band(
      { from: amount, to: target.bitrateMbps },
      values => (values.from - values.to) * todayTB,
      'linear',
    )
    if (savedTB.likely <= 0) return []
    const task = {
      source: {
        codec: source.codec,
        pictureSize: source.pictureSize,
        bitrateMbps: amount.likely,
        highDynamicRange: false,
        framesPerSecond: source.usual.framesPerSecond,
        interlaced: source.usual.interlaced,
      },
      outputSize: source.pictureSize,
      toneMapping: 'afterScaling' as const,
      audio: 0,
    }
    const plain = softwareWork(workTable, task)
    const encode = encodeOf(workTable, codec)
    const frames = source.usual.framesPerSecond / 24
    const days = (holding.titles * holding.minutes) / 1440
    const cpuDays = band(
      { plain, encode, h264: exactly(workTable.encodeH264.likely), capacity },
      values =>
        (days *
          Math.max(
            1e-9,
            values.plain + frames * (values.encode - values.h264) * source.pictureSize,
          )) /
        values.capacity,
      'log',
    )
    return [{ index, name, quality: target.id, savedTB, cpuDays }]
  })
}
