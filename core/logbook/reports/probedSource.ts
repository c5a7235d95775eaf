import { draft } from '../entry'
import type { ValuesInput } from '../kinds'
import { readProbeDocument } from '../../formats/probeDocument'
import type { Understood } from './understood'

const tool = 'ffprobe'
type Source = ValuesInput<'conversion'>

/** Codecs whose conversion has a price in the work table, as the tool names them. */
const codecs: Readonly<Record<string, NonNullable<Source['codec']>>> = {
  h264: 'h264',
  av1: 'av1',
  mpeg2video: 'mpeg2',
  vc1: 'vc1',
  vp9: 'vp9',
}
const heights = [576, 720, 1080, 2160] as const

/** The nearest of the usual picture heights, by the width of a wide picture too. */
function linesOf(width: number | null, height: number): NonNullable<Source['lines']> {
  const tall = Math.max(height, width === null ? 0 : (width * 9) / 16)
  const nearest = heights.reduce((best, lines) =>
    Math.abs(lines - tall) < Math.abs(best - tall) ? lines : best,
  )
  return String(nearest) as NonNullable<Source['lines']>
}

/** The source of a conversion, an ffprobe document: how many of it ran is left to be said. */
export function probedSource(document: unknown): Understood {
  const file = readProbeDocument(document)
  const found = (notes: readonly string[], entries: Understood['entries'] = []): Understood => ({
    tool,
    version: '',
    notes,
    entries,
  })
  if (!file || file.videoCodec === null || file.height === null)
    return found(['There is no picture in it, so it is no source of a conversion.'])
  const codec =
    file.videoCodec === 'hevc'
      ? file.bitsPerSample > 8
        ? 'hevc10'
        : 'hevc8'
      : codecs[file.videoCodec]
  if (!codec)
    return found([`Its codec “${file.videoCodec}” has no place in the table of conversions.`])
  const lines = linesOf(file.width, file.height)
  return found(
    [],
    [
      draft('conversion', {
        at: null,
        values: {
          codec,
          lines,
          hdr: file.highDynamicRange,
          ...(file.framesPerSecond ? { framesPerSecond: file.framesPerSecond } : {}),
          ...(file.bitrateMbps ? { bitrateMbps: Math.min(400, file.bitrateMbps) } : {}),
          toLines: lines === '2160' ? '1080' : lines,
        },
        leftOut: 'It is the title that was converted. Say how many of it ran at once.',
      }),
    ],
  )
}
