import type { Quality } from '../catalogue/qualities'
import { titleBitrates } from '../library/titleBitrates'
import type { Library } from '../plan/library'

/** A rate at which titles play as they are, and the share of all titles that do. */
export interface TitleRate {
  readonly mbps: number
  readonly share: number
  readonly quality: Quality | null
}

/** Rate assumed while the library is empty: a plain 1080p stream. */
export const plainMbps = 8

/** What a title at home may be played at, by the titles of the library; shares add up to 1. */
export function titleRatesOf(library: Library, qualities: readonly Quality[]): TitleRate[] {
  const known = library.holdings.flatMap(holding => {
    const quality = qualities.find(candidate => candidate.id === holding.quality)
    if (!quality || holding.titles <= 0) return []
    const rates = titleBitrates(holding, quality)
    return rates.map(mbps => ({ quality, titles: holding.titles / rates.length, mbps }))
  })
  const all = known.reduce((sum, { titles }) => sum + titles, 0)
  return all > 0
    ? known.map(({ quality, titles, mbps }) => ({ quality, mbps, share: titles / all }))
    : [{ quality: null, mbps: plainMbps, share: 1 }]
}
