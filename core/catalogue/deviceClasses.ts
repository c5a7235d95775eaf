import type { CodecFamily, Container, HdrKind, SoundCodec, SubtitleKind } from './media'

/** What a device decodes of one codec. */
export interface VideoAbility {
  readonly codec: CodecFamily
  /** highest level of the codec's standard, 4.1 as 4.1 */
  readonly level: number
  readonly lines: number
  readonly framesPerSecond: number
  readonly bits: 8 | 10
}

/** What a device can take without any help from the server. */
export interface Capabilities {
  readonly video: readonly VideoAbility[]
  /** picture lines it shows at most */
  readonly screenLines: number
  readonly hdr: readonly HdrKind[]
  readonly containers: readonly Container[]
  readonly sound: readonly SoundCodec[]
  readonly channels: number
  /** shown by the device itself, so that nothing has to be burned into the picture */
  readonly subtitles: readonly SubtitleKind[]
  readonly maxMbps: number
  readonly deinterlaces: boolean
}

export const linkKinds = {
  wired100: 'Cable, 100 Mb/s port',
  wired1000: 'Cable, gigabit',
  wired2500: 'Cable, 2.5 G',
  wired10000: 'Cable, 10 G',
  wifiGood: 'Wi-Fi, good',
  wifiFair: 'Wi-Fi, fair',
  wifiPoor: 'Wi-Fi, poor',
  mobile: 'Mobile network',
} as const
export type LinkKind = keyof typeof linkKinds

export interface DeviceClass extends Capabilities {
  readonly id: string
  readonly label: string
  readonly usualLink: LinkKind
  /**
   * planning value to replace a device by one of this class, in the plan's currency; null where
   * nobody would buy one for it
   */
  readonly price: number | null
}

const h264 = (level: number, lines = 1080, framesPerSecond = 60): VideoAbility => ({
  codec: 'h264',
  level,
  lines,
  framesPerSecond,
  bits: 8,
})
const hevc = (level: number, lines: number): VideoAbility => ({
  codec: 'hevc',
  level,
  lines,
  framesPerSecond: 60,
  bits: 10,
})
const vp9 = (lines: number): VideoAbility => ({
  codec: 'vp9',
  level: 5.1,
  lines,
  framesPerSecond: 60,
  bits: 10,
})
const av1 = (lines: number): VideoAbility => ({
  codec: 'av1',
  level: 5.1,
  lines,
  framesPerSecond: 60,
  bits: 10,
})
const mpeg2: VideoAbility = { codec: 'mpeg2', level: 4, lines: 1080, framesPerSecond: 60, bits: 8 }
const vc1: VideoAbility = { codec: 'vc1', level: 3, lines: 1080, framesPerSecond: 60, bits: 8 }

/**
 * Generic classes of devices, by what such a device usually takes. Planning values: a device of
 * one's own can say otherwise.
 */
export const deviceClasses: readonly DeviceClass[] = [
  {
    id: 'tv2016',
    label: 'Big television, about 2016',
    usualLink: 'wifiFair',
    price: null,
    video: [mpeg2, h264(4.2), hevc(5.1, 2160), vp9(2160)],
    screenLines: 2160,
    hdr: ['hdr10'],
    containers: ['mkv', 'mp4', 'mpegts', 'avi'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'dts', 'pcm'],
    channels: 6,
    subtitles: ['text'],
    maxMbps: 80,
    deinterlaces: true,
  },
  {
    id: 'tv2020',
    label: 'Big television, about 2020',
    usualLink: 'wifiGood',
    price: null,
    video: [mpeg2, h264(5.1, 2160), hevc(5.2, 2160), vp9(2160)],
    screenLines: 2160,
    hdr: ['hdr10', 'hlg', 'dynamic'],
    containers: ['mkv', 'mp4', 'mpegts', 'webm'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'pcm', 'flac'],
    channels: 6,
    subtitles: ['text'],
    maxMbps: 100,
    deinterlaces: true,
  },
  {
    id: 'tv2024',
    label: 'Big television, about 2024',
    usualLink: 'wifiGood',
    price: 700,
    video: [mpeg2, h264(5.1, 2160), hevc(5.2, 2160), vp9(2160), av1(2160)],
    screenLines: 2160,
    hdr: ['hdr10', 'hlg', 'dynamic'],
    containers: ['mkv', 'mp4', 'mpegts', 'webm'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'dts', 'pcm', 'flac', 'opus'],
    channels: 8,
    subtitles: ['text'],
    maxMbps: 120,
    deinterlaces: true,
  },
  {
    id: 'stickHd',
    label: 'Streaming stick, HD',
    usualLink: 'wifiFair',
    price: null,
    video: [h264(4.1, 1080, 30)],
    screenLines: 1080,
    hdr: [],
    containers: ['mp4', 'mkv'],
    sound: ['aac', 'mp3', 'ac3'],
    channels: 2,
    subtitles: ['text'],
    maxMbps: 20,
    deinterlaces: false,
  },
  {
    id: 'stick4k',
    label: 'Streaming stick, 4K',
    usualLink: 'wifiGood',
    price: 60,
    video: [mpeg2, h264(5.1, 2160), hevc(5.1, 2160), vp9(2160), av1(2160)],
    screenLines: 2160,
    hdr: ['hdr10', 'hlg', 'dynamic'],
    containers: ['mkv', 'mp4', 'mpegts', 'webm'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'flac', 'opus', 'pcm'],
    channels: 6,
    subtitles: ['text', 'styled'],
    maxMbps: 100,
    deinterlaces: true,
  },
  {
    id: 'phone',
    label: 'Phone',
    usualLink: 'wifiGood',
    price: null,
    video: [h264(5.1, 2160), hevc(5.1, 2160), vp9(2160)],
    screenLines: 1080,
    hdr: ['hdr10', 'hlg'],
    containers: ['mp4', 'mkv', 'webm'],
    sound: ['aac', 'mp3', 'flac', 'opus', 'eac3'],
    channels: 2,
    subtitles: ['text', 'styled'],
    maxMbps: 80,
    deinterlaces: false,
  },
  {
    id: 'phoneMobile',
    label: 'Phone on a data plan',
    usualLink: 'mobile',
    price: null,
    video: [h264(5.1, 2160), hevc(5.1, 2160), vp9(2160)],
    screenLines: 1080,
    hdr: ['hdr10', 'hlg'],
    containers: ['mp4', 'mkv', 'webm'],
    sound: ['aac', 'mp3', 'flac', 'opus', 'eac3'],
    channels: 2,
    subtitles: ['text', 'styled'],
    maxMbps: 80,
    deinterlaces: false,
  },
  {
    id: 'tablet',
    label: 'Tablet',
    usualLink: 'wifiGood',
    price: null,
    video: [h264(5.1, 2160), hevc(5.1, 2160), vp9(1080)],
    screenLines: 1440,
    hdr: ['hdr10'],
    containers: ['mp4', 'mkv'],
    sound: ['aac', 'mp3', 'flac', 'opus'],
    channels: 2,
    subtitles: ['text', 'styled'],
    maxMbps: 60,
    deinterlaces: false,
  },
  {
    id: 'browser',
    label: 'Browser on a computer',
    usualLink: 'wifiGood',
    price: null,
    video: [h264(5.1, 2160), vp9(2160), av1(2160)],
    screenLines: 1440,
    hdr: [],
    containers: ['mp4', 'webm'],
    sound: ['aac', 'mp3', 'flac', 'opus'],
    channels: 2,
    subtitles: ['text'],
    maxMbps: 60,
    deinterlaces: false,
  },
  {
    id: 'player',
    label: 'Player program on a computer',
    usualLink: 'wifiGood',
    price: 0,
    video: [mpeg2, vc1, h264(5.2, 2160), hevc(5.2, 2160), vp9(2160), av1(2160)],
    screenLines: 1440,
    hdr: ['hdr10', 'hlg'],
    containers: ['mkv', 'mp4', 'mpegts', 'avi', 'webm'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'dts', 'dtshd', 'truehd', 'flac', 'opus', 'pcm'],
    channels: 8,
    subtitles: ['text', 'styled', 'bitmap'],
    maxMbps: 150,
    deinterlaces: true,
  },
  {
    id: 'console',
    label: 'Games console',
    usualLink: 'wired1000',
    price: null,
    video: [h264(5.1, 2160), hevc(5.1, 2160)],
    screenLines: 2160,
    hdr: ['hdr10'],
    containers: ['mp4', 'mkv'],
    sound: ['aac', 'mp3', 'ac3', 'eac3'],
    channels: 6,
    subtitles: ['text'],
    maxMbps: 80,
    deinterlaces: false,
  },
  {
    id: 'oldSetTop',
    label: 'Old set-top box',
    usualLink: 'wired100',
    price: null,
    video: [mpeg2, h264(4, 1080, 30)],
    screenLines: 1080,
    hdr: [],
    containers: ['mpegts', 'mp4'],
    sound: ['aac', 'mp3', 'ac3'],
    channels: 6,
    subtitles: [],
    maxMbps: 18,
    deinterlaces: true,
  },
  {
    id: 'projector',
    label: 'Projector with a receiver',
    usualLink: 'wired1000',
    price: null,
    video: [mpeg2, vc1, h264(5.2, 2160), hevc(5.2, 2160), vp9(2160), av1(2160)],
    screenLines: 2160,
    hdr: ['hdr10', 'hlg', 'dynamic'],
    containers: ['mkv', 'mp4', 'mpegts', 'avi', 'webm'],
    sound: ['aac', 'mp3', 'ac3', 'eac3', 'dts', 'dtshd', 'truehd', 'flac', 'opus', 'pcm'],
    channels: 8,
    subtitles: ['text', 'styled', 'bitmap'],
    maxMbps: 150,
    deinterlaces: true,
  },
]
