import type { VideoCodec } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import { band } from '../band'
import { exactly, type Estimate } from '../figure'

export interface ConversionSource {
  readonly codec: VideoCodec
  /** relative to 1920×1080 */
  readonly pictureSize: number
  readonly bitrateMbps: number
  readonly highDynamicRange: boolean
  /** default 24 */
  readonly framesPerSecond?: number
  /** an interlaced picture is woven apart at the same rate */
  readonly interlaced?: boolean
}

export type ToneMapping = 'atSourceSize' | 'afterScaling'

export interface ConversionTask {
  readonly source: ConversionSource
  /** picture size of the output relative to 1920×1080; never above the source's */
  readonly outputSize: number
  readonly toneMapping: ToneMapping
  /** work of the sound: 0 when it is passed through; the table's planned figure unless given */
  readonly audio?: number
  /** subtitles burned into the picture */
  readonly burn?: 'text' | 'bitmap'
}

/** Cost of decoding one 1080p picture's worth, by the rate that a picture of this size carries. */
function decodeCost(table: WorkTable, source: ConversionSource, flat: number): number {
  const cost = table.decode[source.codec]
  const rateMbps = (source.bitrateMbps * 24) / (source.framesPerSecond ?? 24) / source.pictureSize
  return flat + Math.max(0, rateMbps - cost.flatUpToMbps) * cost.slopePerMbps
}

/**
 * One part of a conversion: coefficient × picture size, per 24 frames a second; sound has size 1.
 */
export interface WorkPart {
  readonly name: 'decode' | 'scale' | 'tone map' | 'deinterlace' | 'burn in' | 'encode' | 'sound'
  readonly coefficient: number
  readonly size: number
}

/**
 * The parts that a conversion's likely work is the sum of (frames/24 · coefficient · size, sound
 * apart).
 */
export function workParts(table: WorkTable, task: ConversionTask): WorkPart[] {
  const { source, outputSize, toneMapping } = task
  const parts: WorkPart[] = [
    {
      name: 'decode',
      coefficient: decodeCost(table, source, table.decode[source.codec].flat.likely),
      size: source.pictureSize,
    },
  ]
  if (isRescaled(task))
    parts.push({ name: 'scale', coefficient: table.scale.likely, size: source.pictureSize })
  if (source.highDynamicRange)
    parts.push({
      name: 'tone map',
      coefficient: table.toneMap.likely,
      size: toneMapping === 'atSourceSize' ? source.pictureSize : outputSize,
    })
  if (source.interlaced)
    parts.push({
      name: 'deinterlace',
      coefficient: table.deinterlace.likely,
      size: source.pictureSize,
    })
  if (task.burn)
    parts.push({ name: 'burn in', coefficient: burnCost(table, task).likely, size: outputSize })
  parts.push({ name: 'encode', coefficient: table.encodeH264.likely, size: outputSize })
  const audio = task.audio ?? table.audio.likely
  if (audio > 0) parts.push({ name: 'sound', coefficient: audio, size: 1 })
  return parts
}

function burnCost(table: WorkTable, { burn }: ConversionTask): Estimate {
  return burn === 'bitmap' ? table.burnBitmap : burn === 'text' ? table.burnText : exactly(0)
}

/** Whether the picture is resized, or brought from 10 to 8 bits. */
function isRescaled({ source, outputSize }: ConversionTask): boolean {
  return outputSize < source.pictureSize || source.codec === 'hevc10' || source.highDynamicRange
}

/**
 * What one conversion in software costs, in reference streams (H.264 1080p24 at 8 Mb/s to H.264
 * 1080p, in real time):
 * fps/24 · (decode·source + scale·source if resized or 10 to 8 bit + tone map·picture +
 * deinterlace·source + burn·output
 * + encode·output) + sound.
 * Tone mapping counts the picture where it happens. For 2160p HDR mapped at source size the low end
 * is mapping after
 * scaling, and the high end the practitioners' figure, carried over by ratio.
 * @param task outputs are H.264 8-bit
 * @see core/catalogue/transcodeWork.json: the coefficients, how they were measured, and their error
 * @example 2160p24 HDR at 25 Mb/s to 1080p, mapped at source size, audio 0.029: 5.32
 */
export function softwareWork(table: WorkTable, task: ConversionTask): Estimate {
  const { source, outputSize, toneMapping } = task
  const frames = (source.framesPerSecond ?? 24) / 24
  const mapped = source.highDynamicRange
  const mappedSize =
    toneMapping === 'atSourceSize' ? source.pictureSize : Math.min(outputSize, source.pictureSize)
  const likelyBand = band(
    {
      decode: table.decode[source.codec].flat,
      scale: isRescaled(task) ? table.scale : exactly(0),
      toneMap: mapped ? table.toneMap : exactly(0),
      deinterlace: source.interlaced ? table.deinterlace : exactly(0),
      burn: burnCost(table, task),
      encode: table.encodeH264,
      audio: task.audio === undefined ? table.audio : exactly(task.audio),
    },
    ({ decode, scale, toneMap, deinterlace, burn, encode, audio }) =>
      frames *
        (decodeCost(table, source, decode) * source.pictureSize +
          scale * source.pictureSize +
          toneMap * mappedSize +
          deinterlace * source.pictureSize +
          burn * outputSize +
          encode * outputSize) +
      audio,
    'linear',
  )
  if (!mapped || toneMapping === 'afterScaling') return likelyBand
  const afterScaling = softwareWork(table, { ...task, toneMapping: 'afterScaling' })
  const practitionersRatio = table.uhdToneMappedHigh / referenceUhdWork
  return {
    low: Math.min(likelyBand.low, afterScaling.likely),
    likely: likelyBand.likely,
    high: Math.max(likelyBand.high, likelyBand.likely * practitionersRatio),
  }
}

/** The worked 2160p HDR case that the practitioners' high figure stands beside. */
const referenceUhdWork = 5.32
