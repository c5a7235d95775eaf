import type { Estimate } from '../figure'
import type { VideoCodec } from './qualities'
import { coefficients, source } from './transcodeWork.json'
import type { WorkTableFile } from './workTableFile'

/**
 * Decode cost by bitrate: flat up to a rate, then rising. Rates are Mb/s at 24 frames/s for one
 * 1080p picture.
 */
export interface DecodeCost {
  readonly flat: Estimate
  readonly flatUpToMbps: number
  /** added for each Mb/s above */
  readonly slopePerMbps: number
}

/** What the parts of a conversion cost in reference streams, for 1080p pictures at 24 frames/s. */
export interface WorkTable {
  readonly source: string
  readonly decode: Readonly<Record<VideoCodec, DecodeCost>>
  readonly scale: Estimate
  readonly toneMap: Estimate
  /** weaving apart, per source picture at the same rate */
  readonly deinterlace: Estimate
  /** burning subtitles in, per picture that goes out */
  readonly burnText: Estimate
  readonly burnBitmap: Estimate
  readonly encodeH264: Estimate
  /** HEVC at its fastest useful preset */
  readonly encodeHevc: Estimate
  /** another container around the same picture and sound: planned for the process around it */
  readonly repack: Estimate
  /** sound converted to stereo */
  readonly audio: Estimate
  /** practitioners' upper figure for one 2160p HDR conversion */
  readonly uhdToneMappedHigh: number
}

interface Coefficient {
  readonly value: number
  readonly low?: number | undefined
  readonly high?: number | undefined
}

/**
 * A coefficient with its measured range; ±15 %, the table's own repeatability, where none was
 * measured.
 */
function estimate(entry: Coefficient): Estimate {
  return {
    low: entry.low ?? entry.value * 0.85,
    likely: entry.value,
    high: entry.high ?? entry.value * 1.15,
  }
}

function flat(entry: Coefficient): DecodeCost {
  return { flat: estimate(entry), flatUpToMbps: Infinity, slopePerMbps: 0 }
}

/** A cost that is known at two rates. */
interface Rising {
  readonly flatUpToMbps: number
  readonly second: Coefficient
  readonly secondAtMbps: number
}

function rising(entry: Coefficient, { flatUpToMbps, second, secondAtMbps }: Rising): DecodeCost {
  return {
    flat: estimate(entry),
    flatUpToMbps,
    slopePerMbps: Math.max(0, second.value - entry.value) / (secondAtMbps - flatUpToMbps),
  }
}

/** The table that a file's coefficients make. */
export function workTableOf({
  source,
  coefficients,
}: Pick<WorkTableFile, 'source' | 'coefficients'>): WorkTable {
  const { decode, scale, tonemap, deinterlace, burn, encode, remux, audio } = coefficients
  return {
    source,
    decode: {
      h264: rising(decode.h264, { flatUpToMbps: 12, second: decode.h264Disc, secondAtMbps: 28 }),
      hevc8: flat(decode.hevc8),
      hevc10: rising(decode.hevc10Uhd25, {
        flatUpToMbps: 25 / 4,
        second: decode.hevc10Uhd60,
        secondAtMbps: 60 / 4,
      }),
      av1: flat(decode.av1),
      mpeg2: flat(decode.mpeg2),
      vc1: flat(decode.vc1),
      vp9: flat(decode.vp9),
    },
    scale: estimate(scale),
    toneMap: estimate(tonemap),
    deinterlace: estimate(deinterlace.sameRate),
    burnText: estimate(burn.text),
    burnBitmap: estimate(burn.bitmap),
    encodeH264: estimate(encode.h264VeryFast),
    encodeHevc: estimate(encode.hevcSuperFast),
    repack: {
      low: Math.min(0.02, remux.value),
      likely: Math.max(0.02, remux.value),
      high: Math.max(0.02, remux.value),
    },
    // Measured about 0.03; 0.05 is planned for the process around it.
    audio: {
      low: Math.min(0.05, audio.surroundToStereo.value),
      likely: Math.max(0.05, audio.surroundToStereo.value),
      high: Math.max(0.05, audio.surroundToStereo.value),
    },
    uhdToneMappedHigh: 8.5,
  }
}

/** The table that ships, without the measurements behind its coefficients. */
export const workTable: WorkTable = workTableOf({ source, coefficients })
