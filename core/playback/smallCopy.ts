import { qualities } from '../catalogue/qualities'
import { smallCopyRates } from '../library/smallCopies'
import type { TitleTraits } from './titleTraits'

/** Small second copies: H.264 at a modest rate with plain sound in MP4, which nearly every device plays. */
export const smallCopies = {
  hd720: { quality: qualities.find(quality => quality.id === 'hd720-h264')!, bitrateMbps: smallCopyRates.hd720 },
  hd1080: { quality: qualities.find(quality => quality.id === 'hd1080-h264')!, bitrateMbps: smallCopyRates.hd1080 },
} as const

/** What the second copy of a title is made of; null when none is kept. */
export function smallCopyTraits(title: TitleTraits): TitleTraits | null {
  if (title.smallCopies === 'none') return null
  const { quality, bitrateMbps } = smallCopies[title.smallCopies]
  return {
    ...title, quality, bitrateMbps, peakMbps: bitrateMbps * quality.peakFactor, container: 'mp4', sound: 'aac', channels: 2, hdr: 'none',
    framesPerSecond: Math.min(30, title.framesPerSecond), interlaced: false, subtitles: title.subtitles === 'bitmap' ? 'text' : title.subtitles,
  }
}
