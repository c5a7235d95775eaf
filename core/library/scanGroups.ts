import type { Quality, VideoCodec } from '../catalogue/qualities'
import type { ScannedFile } from '../formats/scannedFile'
import type { Holding } from '../plan/library'

export interface ScanGroup {
  readonly quality: Quality
  readonly titles: number
  readonly minutes: number
  readonly bitrateMbps: number
  readonly sizeBytes: number
}

export const oddityTexts = {
  noPicture: 'no picture: left out of the video (music, a picture or a broken file)',
  noDuration: 'without a duration: left out, for neither length nor bitrate can be told',
  noSize: 'without size and bitrate: left out',
  noAudio: 'without sound',
  unknownCodec: 'with a codec that the ladder does not know: counted as H.264 of that size',
  otherRung: 'with a codec or picture size between the rungs: counted with the nearest quality',
  interlaced: 'interlaced: some devices need these converted',
  variableFrameRate: 'with a variable frame rate',
} as const
export type Oddity = keyof typeof oddityTexts

export interface OddityCount { readonly oddity: Oddity, readonly files: number, /** the first few paths */ readonly examples: readonly string[] }

export interface ScanSummary {
  readonly files: number
  readonly groups: readonly ScanGroup[]
  readonly oddities: readonly OddityCount[]
}

const codecs: Readonly<Record<string, VideoCodec>> = {
  h264: 'h264', avc: 'h264', avc1: 'h264', hevc: 'hevc8', h265: 'hevc8', hvc1: 'hevc8', av1: 'av1', mpeg2video: 'mpeg2', mpeg2: 'mpeg2', vc1: 'vc1', vp9: 'vp9',
}
/** Above these mean rates a title is taken for a disc that was not re-encoded, Mb/s by picture lines. */
const discAboveMbps: Readonly<Record<number, number>> = { 1080: 15, 2160: 40 }
const examplesKept = 5

/** Picture lines of the ladder for a picture of this size; wide pictures are told by their width. */
function linesOf(width: number | null, height: number | null): 576 | 720 | 1080 | 2160 {
  const bySize = (size: number | null, steps: readonly [number, number, number]) => size === null ? 0 : size <= steps[0] ? 576 : size <= steps[1] ? 720 : size <= steps[2] ? 1080 : 2160
  const lines = Math.max(bySize(width, [1024, 1366, 2048]), bySize(height, [576, 800, 1200]))
  return (lines || 1080) as 576 | 720 | 1080 | 2160
}

interface Total { titles: number, seconds: number, bits: number, bytes: number }

/** Gathers a scan file by file into holdings by quality; keeps sums only, so that its memory does not grow with the scan. */
export class ScanGrouping {
  private files = 0
  private readonly totals = new Map<string, Total>()
  private readonly odd = new Map<Oddity, { files: number, examples: string[] }>()

  constructor(private readonly qualities: readonly Quality[]) {}

  add(file: ScannedFile): void {
    this.files++
    if (file.videoCodec === null) return this.note('noPicture', file)
    if (file.durationS === null) return this.note('noDuration', file)
    if (file.bitrateMbps === null) return this.note('noSize', file)
    if (file.audioTracks === 0) this.note('noAudio', file)
    if (file.interlaced) this.note('interlaced', file)
    if (file.variableFrameRate) this.note('variableFrameRate', file)
    const quality = this.qualityOf(file, file.bitrateMbps)
    const total = this.totals.get(quality.id) ?? { titles: 0, seconds: 0, bits: 0, bytes: 0 }
    total.titles++
    total.seconds += file.durationS
    total.bits += file.bitrateMbps * file.durationS
    total.bytes += file.sizeBytes ?? file.bitrateMbps * file.durationS / 8 * 1e6
    this.totals.set(quality.id, total)
  }

  summary(): ScanSummary {
    const groups = [...this.totals].map(([id, total]) => ({
      quality: this.qualities.find(quality => quality.id === id)!,
      titles: total.titles,
      minutes: total.seconds / total.titles / 60,
      bitrateMbps: total.bits / total.seconds,
      sizeBytes: total.bytes,
    })).sort((a, b) => b.sizeBytes - a.sizeBytes)
    const oddities = (Object.keys(oddityTexts) as Oddity[]).flatMap((oddity) => {
      const found = this.odd.get(oddity)
      return found ? [{ oddity, files: found.files, examples: found.examples }] : []
    })
    return { files: this.files, groups, oddities }
  }

  private note(oddity: Oddity, file: ScannedFile): void {
    const found = this.odd.get(oddity) ?? { files: 0, examples: [] }
    found.files++
    if (found.examples.length < examplesKept) found.examples.push(file.path || 'a file without a name')
    this.odd.set(oddity, found)
  }

  private qualityOf(file: ScannedFile, bitrateMbps: number): Quality {
    const lines = linesOf(file.width, file.height)
    const known = codecs[file.videoCodec ?? '']
    if (!known) this.note('unknownCodec', file)
    const codec: VideoCodec = known === 'hevc8' && (file.bitsPerSample > 8 || file.highDynamicRange) ? 'hevc10' : known ?? 'h264'
    const isDisc = codec === 'mpeg2' || bitrateMbps > (discAboveMbps[lines] ?? Infinity)
    const distance = (quality: Quality) =>
      (quality.lines === lines ? 0 : 100 * Math.abs(Math.log2(quality.lines / lines)))
      + (quality.highDynamicRange === file.highDynamicRange ? 0 : 20)
      + (quality.codec === codec ? 0 : quality.codec.slice(0, 4) === codec.slice(0, 4) ? 3 : 10)
      + ((quality.peakFactor > 1.5) === isDisc ? 0 : 5)
      + (quality.id.startsWith('home') ? 1 : 0)
    const nearest = this.qualities.reduce((best, quality) => distance(quality) < distance(best) ? quality : best)
    if (known && distance(nearest) >= 8) this.note('otherRung', file)
    return nearest
  }
}

/** The holdings that a scan's groups make in a plan, with their real lengths and bitrates. */
export function holdingsOf(groups: readonly ScanGroup[]): Holding[] {
  const rounded = (value: number) => Number(value.toPrecision(4))
  return groups.map(group => ({
    name: `Scanned: ${group.quality.label}`,
    quality: group.quality.id,
    titles: group.titles,
    minutes: Math.min(1440, Math.max(0.1, rounded(group.minutes))),
    addedPerMonth: 0,
    bitrateMbps: Math.min(1000, Math.max(0.01, rounded(group.bitrateMbps))),
  }))
}
