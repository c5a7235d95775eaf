/**
 * Words for what a title is made of, and what devices can take. Codecs and containers keep their
 * standard names.
 */
export const containers = {
  mkv: 'Matroska',
  mp4: 'MP4',
  mpegts: 'MPEG-TS',
  avi: 'AVI',
  webm: 'WebM',
} as const
export type Container = keyof typeof containers

export const soundCodecs = {
  aac: 'AAC',
  mp3: 'MP3',
  ac3: 'AC-3',
  eac3: 'E-AC-3',
  dts: 'DTS',
  dtshd: 'DTS-HD',
  truehd: 'TrueHD',
  flac: 'FLAC',
  opus: 'Opus',
  pcm: 'PCM',
} as const
export type SoundCodec = keyof typeof soundCodecs

export const subtitleKinds = {
  none: 'None',
  text: 'Text',
  styled: 'Styled text',
  bitmap: 'Images, as on disc',
} as const
export type SubtitleKind = keyof typeof subtitleKinds

export const hdrKinds = {
  none: 'None',
  hdr10: 'HDR10',
  hlg: 'HLG',
  dynamic: 'HDR with dynamic metadata',
} as const
export type HdrKind = keyof typeof hdrKinds

/** Codec families as devices list them; bit depth is a matter of its own. */
export const codecFamilies = {
  mpeg2: 'MPEG-2',
  vc1: 'VC-1',
  h264: 'H.264',
  hevc: 'HEVC',
  vp9: 'VP9',
  av1: 'AV1',
} as const
export type CodecFamily = keyof typeof codecFamilies
