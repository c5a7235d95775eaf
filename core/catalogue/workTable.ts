import type { Estimate } from '../figure'
import type { VideoCodec } from './qualities'
import measured from './transcodeWork.json'

/** Decode cost by bitrate: flat up to a rate, then rising. Rates are Mb/s at 24 frames/s for one 1080p picture. */
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
  /** another container around the same picture and sound: planned for the process around it */
  readonly repack: Estimate
  /** sound converted to stereo */
  readonly audio: Estimate
  /** practitioners' upper figure for one 2160p HDR conversion */
  readonly uhdToneMappedHigh: number
}

const { decode, scale, tonemap, deinterlace, burn, encode, remux } = measured.coefficients

/** A coefficient with its measured range; ±15 %, the table's own repeatability, where none was measured. */
function estimate(entry: { value: number, low?: number, high?: number }): Estimate {
  return { low: entry.low ?? entry.value * 0.85, likely: entry.value, high: entry.high ?? entry.value * 1.15 }
}

function flat(entry: { value: number, low?: number, high?: number }): DecodeCost {
  return { flat: estimate(entry), flatUpToMbps: Infinity, slopePerMbps: 0 }
}

function rising(entry: { value: number, low?: number, high?: number }, flatUpToMbps: number, second: { value: number }, secondAtMbps: number): DecodeCost {
  return { flat: estimate(entry), flatUpToMbps, slopePerMbps: (second.value - entry.value) / (secondAtMbps - flatUpToMbps) }
}

export const workTable: WorkTable = {
  source: measured.source,
  decode: {
    h264: rising(decode.h264, 12, decode.h264Disc, 28),
    hevc8: flat(decode.hevc8),
    hevc10: rising(decode.hevc10Uhd25, 25 / 4, decode.hevc10Uhd60, 60 / 4),
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
  repack: { low: remux.value, likely: 0.02, high: 0.02 },
  audio: { low: 0.029, likely: 0.05, high: 0.05 },
  uhdToneMappedHigh: 8.5,
}
