import type { Quality } from '../catalogue/qualities'
import type { Holding } from '../plan/library'

/**
 * Mean bitrates of a holding's titles, Mb/s, each of as many of them: its quarters where a scan
 * told them, else one. Quarters keep their proportions where the mean is entered anew.
 * @example bitrate 10, quarters 4, 6, 8, 22: just those; bitrate 20: 8, 12, 16, 44
 */
export function titleBitrates(
  { bitrateMbps, bitrateQuarters }: Pick<Holding, 'bitrateMbps' | 'bitrateQuarters'>,
  { bitrateMbps: usual }: Pick<Quality, 'bitrateMbps'>,
): readonly number[] {
  if (bitrateMbps === null) return [usual.likely]
  if (bitrateQuarters === null) return [bitrateMbps]
  const mean = bitrateQuarters.reduce((sum, quarter) => sum + quarter, 0) / bitrateQuarters.length
  return bitrateQuarters.map(quarter => (quarter * bitrateMbps) / mean)
}
