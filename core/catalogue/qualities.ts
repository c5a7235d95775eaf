import type { Estimate } from '../figure'

export type VideoCodec = 'h264' | 'hevc8' | 'hevc10' | 'av1' | 'mpeg2' | 'vc1' | 'vp9'

/** One rung of the quality ladder. */
export interface Quality {
  readonly id: string
  readonly label: string
  readonly codec: VideoCodec
  /** picture lines: 576, 720, 1080 or 2160 */
  readonly lines: number
  /** picture size relative to 1920×1080 */
  readonly pictureSize: number
  readonly highDynamicRange: boolean
  /** mean of picture and sound, Mb/s, as an 80 % band */
  readonly bitrateMbps: Estimate
  /** highest rate of a passage ÷ mean: 1.5 re-encoded, 1.8 straight from disc */
  readonly peakFactor: number
  /** highest rate the carrier allows, Mb/s; only discs have one */
  readonly peakLimitMbps?: number
}

const pictureSizes: Readonly<Record<number, number>> = { 576: 0.2, 720: 4 / 9, 1080: 1, 2160: 4 }

/** Where the ladder gives one value only, the band is that of H.264 at 1080p: 5 to 12 around 8. */
function usualBand(likely: number): Estimate {
  return { low: likely * 5 / 8, likely, high: likely * 12 / 8 }
}

function reencoded(id: string, label: string, codec: VideoCodec, lines: number, bitrateMbps: Estimate, highDynamicRange = false): Quality {
  return { id, label, codec, lines, pictureSize: pictureSizes[lines]!, highDynamicRange, bitrateMbps, peakFactor: 1.5 }
}

function disc(id: string, label: string, codec: VideoCodec, lines: number, bitrateMbps: Estimate, highDynamicRange = false, peakLimitMbps?: number): Quality {
  return { ...reencoded(id, label, codec, lines, bitrateMbps, highDynamicRange), peakFactor: 1.8, ...(peakLimitMbps ? { peakLimitMbps } : {}) }
}

/** The quality ladder: typical mean bitrates, all of which a plan can override. */
export const qualities: readonly Quality[] = [
  reencoded('sd-h264', 'SD, H.264', 'h264', 576, { low: 1, likely: 1.8, high: 3 }),
  reencoded('sd-hevc', 'SD, HEVC', 'hevc8', 576, usualBand(1.1)),
  reencoded('sd-av1', 'SD, AV1', 'av1', 576, usualBand(0.9)),
  disc('sd-disc', 'SD disc as it is, MPEG-2', 'mpeg2', 576, { low: 4, likely: 5, high: 8 }),
  reencoded('hd720-h264', 'HD 720, H.264', 'h264', 720, { low: 2.5, likely: 4, high: 6 }),
  reencoded('hd720-hevc', 'HD 720, HEVC', 'hevc8', 720, usualBand(2.4)),
  reencoded('hd720-av1', 'HD 720, AV1', 'av1', 720, usualBand(1.9)),
  reencoded('hd1080-h264', 'HD 1080, H.264', 'h264', 1080, { low: 5, likely: 8, high: 12 }),
  reencoded('hd1080-hevc', 'HD 1080, HEVC', 'hevc8', 1080, { low: 3, likely: 4.8, high: 7 }),
  reencoded('hd1080-av1', 'HD 1080, AV1', 'av1', 1080, usualBand(3.8)),
  disc('hd1080-disc', 'HD 1080 disc as it is', 'h264', 1080, { low: 18, likely: 28, high: 38 }, false, 48),
  reencoded('uhd-sdr-hevc', 'UHD 2160 SDR, HEVC', 'hevc8', 2160, { low: 10, likely: 16, high: 25 }),
  reencoded('uhd-sdr-av1', 'UHD 2160 SDR, AV1', 'av1', 2160, usualBand(12)),
  reencoded('uhd-hdr-hevc', 'UHD 2160 HDR, HEVC', 'hevc10', 2160, { low: 12, likely: 20, high: 35 }, true),
  reencoded('uhd-hdr-av1', 'UHD 2160 HDR, AV1', 'av1', 2160, usualBand(15), true),
  disc('uhd-disc', 'UHD 2160 disc as it is, HDR', 'hevc10', 2160, { low: 45, likely: 60, high: 85 }, true, 128),
  reencoded('home1080-h264', 'Home video 1080, H.264', 'h264', 1080, usualBand(17)),
  reencoded('home1080-hevc', 'Home video 1080, HEVC', 'hevc8', 1080, usualBand(10)),
  reencoded('home2160-hevc', 'Home video 2160, HEVC', 'hevc8', 2160, usualBand(24)),
]
