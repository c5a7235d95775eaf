import { dsvFormat } from 'd3-dsv'
import { delimiterOf, unclosedQuote } from './csvTable'
import type { ScannedFile } from './scannedFile'

export interface CsvProblem {
  readonly line: number
  readonly message: string
}
export interface CsvScan {
  readonly files: readonly ScannedFile[]
  readonly problems: readonly CsvProblem[]
}

/** Names a column may bear, and what one unit of it is in the unit kept here. */
const columns: Readonly<Record<string, readonly (readonly [string, number])[]>> = {
  path: [
    ['path', 1],
    ['file', 1],
    ['filename', 1],
    ['name', 1],
    ['title', 1],
  ],
  sizeBytes: [
    ['size', 1],
    ['bytes', 1],
    ['size_bytes', 1],
    ['size_mb', 1e6],
    ['size_gb', 1e9],
  ],
  durationS: [
    ['duration', 1],
    ['seconds', 1],
    ['duration_s', 1],
    ['minutes', 60],
    ['duration_min', 60],
    ['length_min', 60],
  ],
  videoCodec: [
    ['codec', 1],
    ['video_codec', 1],
    ['codec_name', 1],
  ],
  width: [['width', 1]],
  height: [
    ['height', 1],
    ['lines', 1],
  ],
  bitrateMbps: [
    ['bitrate_mbps', 1],
    ['mbps', 1],
    ['bitrate', 1e-6],
    ['bit_rate', 1e-6],
    ['bitrate_kbps', 1e-3],
  ],
  bitsPerSample: [
    ['bit_depth', 1],
    ['bits', 1],
  ],
  hdr: [
    ['hdr', 1],
    ['color_transfer', 1],
  ],
  audioTracks: [
    ['audio_tracks', 1],
    ['audio', 1],
  ],
  soundCodec: [
    ['audio_codec', 1],
    ['sound_codec', 1],
    ['sound', 1],
  ],
  channels: [
    ['channels', 1],
    ['audio_channels', 1],
  ],
  subtitles: [
    ['subtitles', 1],
    ['subtitle_codec', 1],
    ['subtitle_codecs', 1],
  ],
  container: [
    ['container', 1],
    ['format', 1],
    ['format_name', 1],
  ],
  framesPerSecond: [
    ['fps', 1],
    ['frame_rate', 1],
    ['frames_per_second', 1],
  ],
}

/** Seconds of a clock time such as 1:52:30 or 52:30; null for anything else. */
function clock(text: string): number | null {
  if (!/^\d+(:\d{1,2}){1,2}([.,]\d+)?$/.test(text)) return null
  return text
    .replace(',', '.')
    .split(':')
    .reduce((sum, part) => sum * 60 + Number(part), 0)
}

function numberOf(text: string, decimalComma: boolean): number | null {
  const tidy = text.replace(/[\s\u00A0\u202F]/g, '')
  const plain = decimalComma ? tidy.replaceAll('.', '').replace(',', '.') : tidy
  return plain !== '' && /^\+?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : null
}

/**
 * A library scan from CSV with a header row: path, size, duration, codec, height and so on, in any
 * order.
 * The delimiter is read off the header; with semicolons or tabs a comma is a decimal comma when one
 * stands in a number.
 */
export function readCsvScan(text: string): CsvScan {
  const tidy = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  const delimiter = delimiterOf(
    tidy.slice(0, tidy.indexOf('\n') < 0 ? undefined : tidy.indexOf('\n')),
  )
  const [header = [], ...rows] = dsvFormat(delimiter).parseRows(tidy)
  const names = header.map(name => name.trim().toLowerCase().replace(/[ -]/g, '_'))
  const at = Object.fromEntries(
    Object.entries(columns).map(([key, known]) => {
      const found = known
        .map(([name, factor]) => ({ index: names.indexOf(name), factor }))
        .find(entry => entry.index >= 0)
      return [key, found]
    }),
  )
  if (!at.height && !at.width && !at.videoCodec) {
    return {
      files: [],
      problems: [
        {
          line: 1,
          message:
            'The header row names neither codec nor height; a scan needs a first line such ' +
            'as path,size,duration,codec,height.',
        },
      ],
    }
  }
  const decimalComma =
    delimiter !== ',' &&
    rows
      .slice(0, 200)
      .some(row => row.some(cell => /^\d{1,3}(\.\d{3})*,\d+$|^\d+,\d+$/.test(cell.trim())))
  const files: ScannedFile[] = []
  const unclosed = unclosedQuote(tidy, delimiter)
  const problems: CsvProblem[] = unclosed ? [unclosed] : []
  rows.forEach((row, index) => {
    const line = index + 2
    if (row.every(cell => cell.trim() === '')) return
    if (row.length !== header.length)
      problems.push({
        line,
        message: `This line has ${row.length} fields, the header ${header.length}; it was left out.`,
      })
    else files.push(fileOf({ row, line, at, names, decimalComma }, problems))
  })
  return { files, problems }
}

/** A row of a scan, and how its columns are to be read. */
interface ScanRow {
  readonly row: readonly string[]
  readonly line: number
  readonly at: Readonly<
    Record<string, { readonly index: number; readonly factor: number } | undefined>
  >
  readonly names: readonly string[]
  readonly decimalComma: boolean
}

/** A row as a file; what is no number counts as left out, and is a problem. */
function fileOf(
  { row, line, at, names, decimalComma }: ScanRow,
  problems: CsvProblem[],
): ScannedFile {
  const textOf = (key: string) => (at[key] ? row[at[key].index]!.trim() : '')
  const number = (key: string) => {
    const cell = textOf(key)
    if (cell === '') return null
    const value = (key === 'durationS' ? clock(cell) : null) ?? numberOf(cell, decimalComma)
    if (value === null)
      problems.push({
        line,
        message:
          `"${cell.slice(0, 40)}" is not a number for ${names[at[key]!.index]}; it counts ` +
          'as left out.',
      })
    const factor = key === 'durationS' && cell.includes(':') ? 1 : at[key]!.factor
    return value === null ? null : value * factor
  }
  const sizeBytes = number('sizeBytes')
  const durationS = number('durationS')
  const stated = number('bitrateMbps')
  return {
    path: textOf('path'),
    sizeBytes,
    durationS: durationS || null,
    videoCodec: textOf('videoCodec').toLowerCase() || (at.videoCodec ? null : 'unknown'),
    width: number('width'),
    height: number('height'),
    bitsPerSample: number('bitsPerSample') ?? 8,
    highDynamicRange: /^(yes|true|1|hdr.*|pq|hlg|smpte2084|arib-std-b67)$/i.test(textOf('hdr')),
    soundCodec: textOf('soundCodec').toLowerCase() || null,
    channels: number('channels'),
    subtitleCodecs: textOf('subtitles')
      .toLowerCase()
      .split(/[\s+/|]+/)
      .filter(name => name !== '' && name !== 'none' && name !== 'no'),
    container: textOf('container').toLowerCase() || null,
    framesPerSecond: number('framesPerSecond'),
    interlaced: false,
    variableFrameRate: false,
    audioTracks: at.audioTracks ? number('audioTracks') : null,
    bitrateMbps: sizeBytes !== null && durationS ? (sizeBytes * 8) / durationS / 1e6 : stated,
  }
}
