import { z } from 'zod'
import type { ScannedFile } from './scannedFile'

/**
 * Numbers come as numbers or as text, from one version of the tool to the next; what is no number
 * counts as left out.
 */
const looseNumber = z
  .union([z.number(), z.string()])
  .transform(value => Number(value))
  .transform(value => (Number.isFinite(value) && value >= 0 ? value : null))
  .nullish()
  .catch(null)
const looseText = z.string().nullish().catch(null)

const streamSchema = z.looseObject({
  codec_type: looseText,
  codec_name: looseText,
  width: looseNumber,
  height: looseNumber,
  channels: looseNumber,
  pix_fmt: looseText,
  bits_per_raw_sample: looseNumber,
  color_transfer: looseText,
  field_order: looseText,
  r_frame_rate: looseText,
  avg_frame_rate: looseText,
  duration: looseNumber,
  disposition: z.looseObject({ attached_pic: looseNumber }).nullish().catch(null),
  side_data_list: z
    .array(z.looseObject({ side_data_type: looseText }))
    .nullish()
    .catch(null),
})
const documentSchema = z.looseObject({
  format: z
    .looseObject({
      filename: looseText,
      format_name: looseText,
      duration: looseNumber,
      size: looseNumber,
      bit_rate: looseNumber,
    })
    .nullish()
    .catch(null),
  streams: z.array(streamSchema).nullish().catch(null),
})

type Stream = z.infer<typeof streamSchema>

const hdrTransfers = new Set(['smpte2084', 'arib-std-b67'])

function frameRate(text: string | null | undefined): number | null {
  const [above, below = '1'] = (text ?? '').split('/')
  const rate = Number(above) / Number(below)
  return Number.isFinite(rate) && rate > 0 ? rate : null
}

function bitsOf(stream: Stream): number {
  const named = /p(\d{2})(?:le|be)$/.exec(stream.pix_fmt ?? '')
  return named ? Number(named[1]) : stream.bits_per_raw_sample || 8
}

function isHighDynamicRange(stream: Stream): boolean {
  return (
    hdrTransfers.has(stream.color_transfer ?? '') ||
    (stream.side_data_list ?? []).some(entry => /DOVI|HDR/i.test(entry.side_data_type ?? ''))
  )
}

/**
 * What an ffprobe document (`-print_format json -show_format -show_streams`) tells of its file.
 * Reads what is there and demands nothing that a version may leave out.
 * @returns null when the value is no such document
 */
export function readProbeDocument(value: unknown): ScannedFile | null {
  const parsed = documentSchema.safeParse(value)
  if (!parsed.success || (!parsed.data.format && !parsed.data.streams)) return null
  const { format, streams } = parsed.data
  const video = (streams ?? []).find(
    stream => stream.codec_type === 'video' && !stream.disposition?.attached_pic,
  )
  const sound = (streams ?? []).find(stream => stream.codec_type === 'audio')
  const durationS = format?.duration ?? video?.duration ?? null
  const sizeBytes = format?.size ?? null
  const counted =
    sizeBytes !== null && durationS ? (sizeBytes * 8) / durationS : (format?.bit_rate ?? null)
  const [nominal, mean] = [frameRate(video?.r_frame_rate), frameRate(video?.avg_frame_rate)]
  return {
    path: format?.filename ?? '',
    sizeBytes,
    durationS: durationS || null,
    videoCodec: video?.codec_name ?? (video ? 'unknown' : null),
    width: video?.width || null,
    height: video?.height || null,
    bitsPerSample: video ? bitsOf(video) : 8,
    highDynamicRange: video ? isHighDynamicRange(video) : false,
    interlaced: ['tt', 'bb', 'tb', 'bt'].includes(video?.field_order ?? ''),
    variableFrameRate: nominal !== null && mean !== null && Math.abs(nominal / mean - 1) > 0.01,
    soundCodec: sound?.codec_name ?? null,
    channels: sound?.channels || null,
    subtitleCodecs: (streams ?? []).flatMap(stream =>
      stream.codec_type === 'subtitle' && stream.codec_name ? [stream.codec_name] : [],
    ),
    container: format?.format_name ?? null,
    framesPerSecond: mean ?? nominal,
    audioTracks: streams ? streams.filter(stream => stream.codec_type === 'audio').length : null,
    bitrateMbps: counted ? counted / 1e6 : null,
  }
}
