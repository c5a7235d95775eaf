/** What a file is, by its ending. */
export type FileKind =
  'video' | 'music' | 'photo' | 'raw' | 'sidecar' | 'subtitle' | 'list' | 'other'

const endings: Readonly<Record<Exclude<FileKind, 'other'>, readonly string[]>> = {
  video: 'mkv mp4 m4v avi mov mpg mpeg ts m2ts mts wmv flv webm vob ogv 3gp iso divx'.split(' '),
  music: 'flac mp3 m4a aac ogg opus wav aif aiff alac ape wma'.split(' '),
  photo: 'jpg jpeg png heic heif tif tiff gif webp bmp'.split(' '),
  raw: 'dng raw raf nef cr2 cr3 arw orf rw2 pef srw'.split(' '),
  sidecar: 'xmp aae thm'.split(' '),
  subtitle: 'srt ass ssa sub idx vtt sup'.split(' '),
  list: 'cue m3u m3u8 pls'.split(' '),
}
const byEnding = new Map<string, FileKind>(
  (Object.keys(endings) as (keyof typeof endings)[]).flatMap(kind =>
    endings[kind].map(ending => [`.${ending}`, kind] as const),
  ),
)

export const fileKind = (ending: string): FileKind => byEnding.get(ending.toLowerCase()) ?? 'other'

const halfFiles: readonly string[] = [
  '.part',
  '.partial',
  '.crdownload',
  '.download',
  '.tmp',
  '.!ut',
]
const leftOvers: readonly string[] = ['thumbs.db', 'desktop.ini', 'folder.tbn']

/** Why a file is left out of the copy; null where it is not. */
export function whyLeftOut(name: string, ending: string, sizeBytes: number | null): string | null {
  const small = ending.toLowerCase()
  if (halfFiles.includes(small)) return 'It is half a file: what made it did not end.'
  if (sizeBytes === 0) return 'It is empty.'
  return leftOvers.includes(name.toLowerCase()) || small === '.tbn'
    ? 'It is a small picture or a setting that a desktop left.'
    : null
}
