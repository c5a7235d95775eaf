import type { Quality, VideoCodec } from '../catalogue/qualities'
import type { ScannedFile } from '../formats/scannedFile'
import { BitrateBins } from './bitrateQuarters'
import { holdingSchema, type Holding } from '../plan/library'
import { makeupKey, makeupOf, makeupText, type Makeup } from './scanMakeup'

export interface ScanGroup {
  readonly quality: Quality
  readonly kind: 'film' | 'series'
  /** what these files are made of beside the picture, where it differs from the usual */
  readonly makeup: Makeup
  /** quality, and what differs from the usual */
  readonly label: string
  readonly titles: number
  readonly minutes: number
  readonly bitrateMbps: number
  /** null where all have one bitrate */
  readonly bitrateQuarters: Holding['bitrateQuarters']
  readonly sizeBytes: number
}

export const oddityTexts = {
  noPicture: 'no picture: left out of the video (music, a picture or a broken file)',
  noDuration: 'without a duration: left out, for neither length nor bitrate can be told',
  noSize: 'without size and bitrate: left out',
  noAudio: 'without sound',
  unknownCodec: 'with an unknown codec: counted as H.264 of that size',
  otherRung: 'with a codec or picture size between two qualities: counted with the nearest',
  interlaced: 'interlaced: some devices need these converted',
  variableFrameRate: 'with a variable frame rate',
} as const
export type Oddity = keyof typeof oddityTexts

export interface OddityCount {
  readonly oddity: Oddity
  readonly files: number
  /** the first few paths */ readonly examples: readonly string[]
}

export interface ScanSummary {
  readonly files: number
  readonly groups: readonly ScanGroup[]
  readonly oddities: readonly OddityCount[]
}

const codecs: Readonly<Record<string, VideoCodec>> = {
  h264: 'h264',
  avc: 'h264',
  avc1: 'h264',
  hevc: 'hevc8',
  h265: 'hevc8',
  hvc1: 'hevc8',
  av1: 'av1',
  mpeg2video: 'mpeg2',
  mpeg2: 'mpeg2',
  vc1: 'vc1',
  vp9: 'vp9',
}
/**
 * Above these mean rates a title is taken for a disc that was not re-encoded, Mb/s by picture
 * lines.
 */
const discAboveMbps: Readonly<Record<number, number>> = { 1080: 15, 2160: 40 }
const examplesKept = 5

/**
 * Picture height of the ladder for a picture of this size; wide pictures are told by their width.
 */
function linesOf(width: number | null, height: number | null): 576 | 720 | 1080 | 2160 {
  const bySize = (size: number | null, steps: readonly [number, number, number]) =>
    size === null
      ? 0
      : size <= steps[0]
        ? 576
        : size <= steps[1]
          ? 720
          : size <= steps[2]
            ? 1080
            : 2160
  const lines = Math.max(bySize(width, [1024, 1366, 2048]), bySize(height, [576, 800, 1200]))
  return (lines || 1080) as 576 | 720 | 1080 | 2160
}

/** A file named by season and episode, or shorter than this, counts as an episode. */
const episodeUnderS = 65 * 60
const episodeName = /s\d{1,2}[ ._-]?e\d{1,3}|\b\d{1,2}x\d{2}\b/i
/**
 * More groups than this are folded into the largest of their quality, so that a plan stays
 * readable.
 */
export const maxGroups = 60

interface Total {
  readonly quality: Quality
  readonly kind: ScanGroup['kind']
  readonly makeup: Makeup
  titles: number
  seconds: number
  bits: number
  bytes: number
  readonly bins: BitrateBins
}

/**
 * Gathers a scan file by file into holdings by quality; keeps sums only, so that its memory does
 * not grow with the scan.
 */
export class ScanGrouping {
  private files = 0
  private readonly totals = new Map<string, Total>()
  private readonly odd = new Map<Oddity, { files: number; examples: string[] }>()

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
    const kind = episodeName.test(file.path) || file.durationS < episodeUnderS ? 'series' : 'film'
    const makeup = makeupOf(file, quality.usual)
    const key = `${kind} ${quality.id} ${makeupKey(makeup)}`
    const total = this.totals.get(key) ?? {
      quality,
      kind,
      makeup,
      titles: 0,
      seconds: 0,
      bits: 0,
      bytes: 0,
      bins: new BitrateBins(),
    }
    this.totals.set(key, total)
    total.titles++
    total.seconds += file.durationS
    total.bits += file.bitrateMbps * file.durationS
    total.bins.add(file.bitrateMbps, file.durationS)
    total.bytes += file.sizeBytes ?? ((file.bitrateMbps * file.durationS) / 8) * 1e6
  }

  summary(): ScanSummary {
    const groups = folded([...this.totals.values()])
      .map(total => ({
        quality: total.quality,
        kind: total.kind,
        makeup: total.makeup,
        label: [total.quality.label, ...makeupText(total.makeup)].join(', '),
        titles: total.titles,
        minutes: total.seconds / total.titles / 60,
        bitrateMbps: total.bits / total.seconds,
        bitrateQuarters: total.bins.quarters(),
        sizeBytes: total.bytes,
      }))
      .sort((a, b) => b.sizeBytes - a.sizeBytes)
    const oddities = (Object.keys(oddityTexts) as Oddity[]).flatMap(oddity => {
      const found = this.odd.get(oddity)
      return found ? [{ oddity, files: found.files, examples: found.examples }] : []
    })
    return { files: this.files, groups, oddities }
  }

  private note(oddity: Oddity, file: ScannedFile): void {
    const found = this.odd.get(oddity) ?? { files: 0, examples: [] }
    found.files++
    if (found.examples.length < examplesKept)
      found.examples.push(file.path || 'a file without a name')
    this.odd.set(oddity, found)
  }

  private qualityOf(file: ScannedFile, bitrateMbps: number): Quality {
    const lines = linesOf(file.width, file.height)
    const known = codecs[file.videoCodec ?? '']
    if (!known) this.note('unknownCodec', file)
    const codec: VideoCodec =
      known === 'hevc8' && (file.bitsPerSample > 8 || file.highDynamicRange)
        ? 'hevc10'
        : (known ?? 'h264')
    const isDisc = codec === 'mpeg2' || bitrateMbps > (discAboveMbps[lines] ?? Infinity)
    const distance = (quality: Quality) =>
      (quality.lines === lines ? 0 : 100 * Math.abs(Math.log2(quality.lines / lines))) +
      (quality.highDynamicRange === file.highDynamicRange ? 0 : 20) +
      (quality.codec === codec ? 0 : quality.codec.slice(0, 4) === codec.slice(0, 4) ? 3 : 10) +
      (quality.peakFactor > 1.5 === isDisc ? 0 : 5) +
      (quality.id.startsWith('home') ? 1 : 0)
    const nearest = this.qualities.reduce((best, quality) =>
      distance(quality) < distance(best) ? quality : best,
    )
    if (known && distance(nearest) >= 8) this.note('otherRung', file)
    return nearest
  }
}

/**
 * The totals (of far fewer qualities than groups are kept), the smallest folded into the largest of
 * their kind and quality until no more than a plan's worth are left.
 */
function folded(totals: readonly Total[]): Total[] {
  const kept = [...totals].sort((a, b) => b.titles - a.titles)
  while (kept.length > maxGroups) {
    const least = kept.pop()!
    const host =
      kept.find(total => total.quality === least.quality && total.kind === least.kind) ??
      kept.find(total => total.quality === least.quality)
    if (!host) {
      kept.unshift(least)
      continue
    }
    host.titles += least.titles
    host.seconds += least.seconds
    host.bits += least.bits
    host.bins.merge(least.bins)
    host.bytes += least.bytes
  }
  return kept
}

/**
 * The holdings that a scan's groups make in a plan, with their real lengths, bitrates and make-up.
 */
export function holdingsOf(groups: readonly ScanGroup[]): Holding[] {
  const rounded = (value: number) => Number(value.toPrecision(4))
  const rate = (mbps: number) => Math.min(1000, Math.max(0.01, rounded(mbps)))
  return groups.map(group =>
    holdingSchema.parse({
      ...group.makeup,
      kind: group.quality.id.startsWith('home') ? 'homeVideo' : group.kind,
      name: `Scanned: ${group.label}`.slice(0, 80),
      quality: group.quality.id,
      titles: group.titles,
      minutes: Math.min(1440, Math.max(0.1, rounded(group.minutes))),
      bitrateMbps: rate(group.bitrateMbps),
      bitrateQuarters: group.bitrateQuarters?.map(rate) ?? null,
    }),
  )
}
