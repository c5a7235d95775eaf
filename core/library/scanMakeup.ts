import {
  containers,
  soundCodecs,
  subtitleKinds,
  type Container,
  type SoundCodec,
  type SubtitleKind,
} from '../catalogue/media'
import type { UsualMakeup } from '../catalogue/qualities'
import type { ScannedFile } from '../formats/scannedFile'
import type { Holding } from '../plan/library'

/**
 * What a holding is made of beside its picture; only what differs from the usual of its quality.
 */
export type Makeup = Partial<
  Pick<Holding, 'container' | 'sound' | 'channels' | 'subtitles' | 'framesPerSecond' | 'interlaced'>
>

/** Names that scanning tools give to what the catalogue calls otherwise. */
const soundNames: Readonly<Record<string, SoundCodec>> = {
  aac: 'aac',
  mp3: 'mp3',
  mp2: 'mp3',
  ac3: 'ac3',
  eac3: 'eac3',
  dts: 'dts',
  dca: 'dts',
  truehd: 'truehd',
  mlp: 'truehd',
  flac: 'flac',
  alac: 'flac',
  opus: 'opus',
  vorbis: 'opus',
}
const bitmapSubtitles = new Set([
  'hdmv_pgs_subtitle',
  'pgs',
  'pgssub',
  'dvd_subtitle',
  'vobsub',
  'dvb_subtitle',
  'dvbsub',
  'xsub',
])
const styledSubtitles = new Set(['ass', 'ssa'])

function containerOf({ container, path }: ScannedFile): Container | null {
  const names = container ?? ''
  if (/\.webm$/i.test(path) || names === 'webm') return 'webm'
  if (/matroska|mkv/.test(names) || /\.mkv$/i.test(path)) return 'mkv'
  if (/mp4|mov/.test(names) || /\.(mp4|m4v|mov)$/i.test(path)) return 'mp4'
  if (/mpegts|^ts$/.test(names) || /\.(ts|m2ts|mpg)$/i.test(path)) return 'mpegts'
  return /avi/.test(names) || /\.avi$/i.test(path) ? 'avi' : null
}

function soundOf({ soundCodec, bitrateMbps }: ScannedFile, usual: SoundCodec): SoundCodec | null {
  if (soundCodec === null) return null
  if (soundCodec.startsWith('pcm')) return 'pcm'
  const named = soundNames[soundCodec] ?? null
  // The tools give lossless and lossy sound of this family the same name; on a disc's rates it is
  // the lossless one.
  return named === 'dts' && usual === 'dtshd' && (bitrateMbps ?? 0) > 15 ? 'dtshd' : named
}

/** The kind that has to be burned in least: text when there is any, else styled, else pictures. */
function subtitlesOf({ subtitleCodecs, soundCodec, container }: ScannedFile): SubtitleKind | null {
  if (subtitleCodecs.length === 0) return soundCodec === null && container === null ? null : 'none'
  if (subtitleCodecs.some(codec => !bitmapSubtitles.has(codec) && !styledSubtitles.has(codec)))
    return 'text'
  return subtitleCodecs.some(codec => styledSubtitles.has(codec)) ? 'styled' : 'bitmap'
}

/**
 * What differs from the usual make-up of the file's quality; what the scan does not tell is taken
 * as usual.
 */
export function makeupOf(file: ScannedFile, usual: UsualMakeup): Makeup {
  const container = containerOf(file)
  const sound = soundOf(file, usual.sound)
  const subtitles = subtitlesOf(file)
  const channels =
    file.channels === null ? null : file.channels <= 2 ? 2 : file.channels <= 6 ? 6 : 8
  const fast =
    (file.framesPerSecond ?? 0) > 30.5 ? Math.min(240, Math.round(file.framesPerSecond!)) : null
  return {
    ...(container && container !== usual.container ? { container } : {}),
    ...(sound && sound !== usual.sound ? { sound } : {}),
    ...(channels && channels !== usual.channels ? { channels } : {}),
    ...(subtitles && subtitles !== usual.subtitles ? { subtitles } : {}),
    ...(fast && fast !== usual.framesPerSecond ? { framesPerSecond: fast } : {}),
    ...(file.interlaced !== usual.interlaced && (file.interlaced || file.container !== null)
      ? { interlaced: file.interlaced ? ('yes' as const) : ('no' as const) }
      : {}),
  }
}

/** The same for files made alike. */
export function makeupKey(makeup: Makeup): string {
  return JSON.stringify(makeup)
}

/** What a make-up says in words, each part apart. */
export function makeupText({
  container,
  sound,
  channels,
  subtitles,
  framesPerSecond,
  interlaced,
}: Makeup): string[] {
  const parts: string[] = []
  if (container && container !== 'usual') parts.push(containers[container])
  if (sound && sound !== 'usual') parts.push(soundCodecs[sound])
  if (channels) parts.push(`${channels} channels`)
  if (subtitles && subtitles !== 'usual')
    parts.push(
      subtitles === 'none' ? 'no subtitles' : `${subtitleKinds[subtitles].toLowerCase()} subtitles`,
    )
  if (framesPerSecond) parts.push(`${framesPerSecond}/s`)
  if (interlaced && interlaced !== 'usual')
    parts.push(interlaced === 'yes' ? 'interlaced' : 'progressive')
  return parts
}
