import { smallCopyQuality } from '../catalogue/qualities'
import { smallCopyRates } from '../catalogue/sentQualities'
import type { TitleMakeup } from './titleTraits'

const copies = {
  hd720: smallCopyQuality(720, smallCopyRates.hd720),
  hd1080: smallCopyQuality(1080, smallCopyRates.hd1080),
} as const

/** What the second copy of a title is made of; null when none is kept. */
export function smallCopyTraits(title: TitleMakeup): TitleMakeup | null {
  if (title.smallCopies === 'none') return null
  const quality = copies[title.smallCopies]
  const bitrateMbps = quality.bitrateMbps.likely
  return {
    ...title,
    quality,
    bitrateMbps,
    peakMbps: bitrateMbps * quality.peakFactor,
    container: 'mp4',
    sound: 'aac',
    channels: 2,
    hdr: 'none',
    framesPerSecond: Math.min(30, title.framesPerSecond),
    interlaced: false,
    subtitles: title.subtitles === 'bitmap' ? 'text' : title.subtitles,
  }
}
