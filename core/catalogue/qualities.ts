import type { Estimate } from '../figure'
import type { CodecFamily, Container, HdrKind, SoundCodec, SubtitleKind } from './media'

export type VideoCodec = 'h264' | 'hevc8' | 'hevc10' | 'av1' | 'mpeg2' | 'vc1' | 'vp9'

/** The family of a codec, as devices list it. */
export function familyOf(codec: VideoCodec): CodecFamily {
  return codec === 'hevc8' || codec === 'hevc10' ? 'hevc' : codec
}

/** What a title of a quality usually is beside its picture; a holding can say otherwise. */
export interface UsualMakeup {
  readonly container: Container
  readonly sound: SoundCodec
  readonly channels: number
  readonly subtitles: SubtitleKind
  readonly framesPerSecond: number
  readonly interlaced: boolean
}

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
  readonly hdr: HdrKind
  readonly bitsPerSample: number
  /** mean of picture and sound, Mb/s, as an 80 % band */
  readonly bitrateMbps: Estimate
  /** highest rate of a passage ÷ mean: 1.5 re-encoded, 1.8 straight from disc */
  readonly peakFactor: number
  /** highest rate the carrier allows, Mb/s; only discs have one */
  readonly peakLimitMbps?: number
  readonly usual: UsualMakeup
}

/** Highest rate of a passage ÷ mean. */
export const peakFactors = { reencoded: 1.5, disc: 1.8 } as const

const pictureSizes: Readonly<Record<number, number>> = { 576: 0.2, 720: 4 / 9, 1080: 1, 2160: 4 }

/** Where the ladder gives one value only, the band is that of H.264 at 1080p: 5 to 12 around 8. */
function usualBand(likely: number): Estimate {
  return { low: (likely * 5) / 8, likely, high: (likely * 12) / 8 }
}

const film: UsualMakeup = {
  container: 'mkv',
  sound: 'ac3',
  channels: 6,
  subtitles: 'text',
  framesPerSecond: 24,
  interlaced: false,
}
const small: UsualMakeup = { ...film, container: 'mp4', sound: 'aac', channels: 2 }
const phoneClip: UsualMakeup = { ...small, subtitles: 'none', framesPerSecond: 30 }

interface Rung {
  id: string
  label: string
  codec: VideoCodec
  lines: number
  bitrateMbps: Estimate
  hdr?: HdrKind
  usual?: Partial<UsualMakeup>
}

function reencoded({
  id,
  label,
  codec,
  lines,
  bitrateMbps,
  hdr = 'none',
  usual = {},
}: Rung): Quality {
  return {
    id,
    label,
    codec,
    lines,
    bitrateMbps,
    hdr,
    pictureSize: pictureSizes[lines]!,
    highDynamicRange: hdr !== 'none',
    bitsPerSample: codec === 'hevc10' || hdr !== 'none' ? 10 : 8,
    peakFactor: peakFactors.reencoded,
    usual: { ...(lines < 720 ? small : film), ...usual },
  }
}

function disc({ peakLimitMbps, ...rung }: Rung & { peakLimitMbps?: number }): Quality {
  return {
    ...reencoded({ ...rung, usual: { ...film, subtitles: 'bitmap', ...rung.usual } }),
    peakFactor: peakFactors.disc,
    ...(peakLimitMbps ? { peakLimitMbps } : {}),
  }
}

/**
 * A small second copy: H.264 with plain sound in MP4, which nearly every device plays; its rate is
 * the plan's to choose.
 */
export function smallCopyQuality(lines: 720 | 1080, mbps: number): Quality {
  return reencoded({
    id: `copy-${lines}`,
    label: `Second copy, ${lines}p`,
    codec: 'h264',
    lines,
    bitrateMbps: { low: mbps, likely: mbps, high: mbps },
    usual: small,
  })
}

/** The quality ladder: typical mean bitrates, all of which a plan can override. */
// prettier-ignore
export const qualities: readonly Quality[] = [
  reencoded({ id: 'sd-h264', label: 'SD, H.264', codec: 'h264', lines: 576, bitrateMbps: { low: 1, likely: 1.8, high: 3 } }),
  reencoded({ id: 'sd-hevc', label: 'SD, HEVC', codec: 'hevc8', lines: 576, bitrateMbps: usualBand(1.1) }),
  reencoded({ id: 'sd-av1', label: 'SD, AV1', codec: 'av1', lines: 576, bitrateMbps: usualBand(0.9) }),
  disc({ id: 'sd-disc', label: 'SD disc as it is, MPEG-2', codec: 'mpeg2', lines: 576, bitrateMbps: { low: 4, likely: 5, high: 8 }, usual: { framesPerSecond: 25, interlaced: true } }),
  reencoded({ id: 'hd720-h264', label: 'HD 720, H.264', codec: 'h264', lines: 720, bitrateMbps: { low: 2.5, likely: 4, high: 6 } }),
  reencoded({ id: 'hd720-hevc', label: 'HD 720, HEVC', codec: 'hevc8', lines: 720, bitrateMbps: usualBand(2.4) }),
  reencoded({ id: 'hd720-av1', label: 'HD 720, AV1', codec: 'av1', lines: 720, bitrateMbps: usualBand(1.9), usual: { sound: 'opus' } }),
  reencoded({ id: 'hd1080-h264', label: 'HD 1080, H.264', codec: 'h264', lines: 1080, bitrateMbps: { low: 5, likely: 8, high: 12 } }),
  reencoded({ id: 'hd1080-hevc', label: 'HD 1080, HEVC', codec: 'hevc8', lines: 1080, bitrateMbps: { low: 3, likely: 4.8, high: 7 } }),
  reencoded({ id: 'hd1080-av1', label: 'HD 1080, AV1', codec: 'av1', lines: 1080, bitrateMbps: usualBand(3.8), usual: { sound: 'opus' } }),
  disc({ id: 'hd1080-disc', label: 'HD 1080 disc as it is', codec: 'h264', lines: 1080, bitrateMbps: { low: 18, likely: 28, high: 38 }, peakLimitMbps: 48, usual: { sound: 'dtshd' } }),
  reencoded({ id: 'uhd-sdr-hevc', label: 'UHD 2160 SDR, HEVC', codec: 'hevc10', lines: 2160, bitrateMbps: { low: 10, likely: 16, high: 25 }, usual: { sound: 'eac3' } }),
  reencoded({ id: 'uhd-sdr-av1', label: 'UHD 2160 SDR, AV1', codec: 'av1', lines: 2160, bitrateMbps: usualBand(12), usual: { sound: 'opus' } }),
  reencoded({ id: 'uhd-hdr-hevc', label: 'UHD 2160 HDR, HEVC', codec: 'hevc10', lines: 2160, bitrateMbps: { low: 12, likely: 20, high: 35 }, hdr: 'hdr10', usual: { sound: 'eac3' } }),
  reencoded({ id: 'uhd-hdr-av1', label: 'UHD 2160 HDR, AV1', codec: 'av1', lines: 2160, bitrateMbps: usualBand(15), hdr: 'hdr10', usual: { sound: 'opus' } }),
  disc({ id: 'uhd-disc', label: 'UHD 2160 disc as it is, HDR', codec: 'hevc10', lines: 2160, bitrateMbps: { low: 45, likely: 60, high: 85 }, hdr: 'dynamic', peakLimitMbps: 128, usual: { sound: 'truehd', channels: 8 } }),
  reencoded({ id: 'home1080-h264', label: 'Home video 1080, H.264', codec: 'h264', lines: 1080, bitrateMbps: usualBand(17), usual: phoneClip }),
  reencoded({ id: 'home1080-hevc', label: 'Home video 1080, HEVC', codec: 'hevc8', lines: 1080, bitrateMbps: usualBand(10), usual: phoneClip }),
  reencoded({ id: 'home2160-hevc', label: 'Home video 2160, HEVC', codec: 'hevc8', lines: 2160, bitrateMbps: usualBand(24), usual: phoneClip }),
]

/**
 * Highest rate of a passage of a title of this quality, Mb/s: mean × peak factor, at most what the
 * carrier allows, never under the mean.
 */
export function peakMbps(quality: Quality, bitrateMbps: number): number {
  return Math.max(
    bitrateMbps,
    Math.min(bitrateMbps * quality.peakFactor, quality.peakLimitMbps ?? Infinity),
  )
}

/** Whether titles of this quality are kept as they are on disc. */
export function isFromDisc({ peakFactor }: Pick<Quality, 'peakFactor'>): boolean {
  return peakFactor === peakFactors.disc
}
