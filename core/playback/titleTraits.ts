import { holdingKind, type WatchedKindId } from '../catalogue/holdingKinds'
import type { Container, HdrKind, SoundCodec, SubtitleKind } from '../catalogue/media'
import { peakMbps, type Quality } from '../catalogue/qualities'
import { makeupText } from '../library/scanMakeup'
import type { Holding, Library } from '../plan/library'

/**
 * What a kind of title is made of, as far as playing it goes. Titles alike in all of it are one row
 * of the matrix.
 */
export interface TitleTraits {
  /** same for titles that are alike */
  readonly key: string
  readonly label: string
  readonly quality: Quality
  readonly container: Container
  readonly sound: SoundCodec
  readonly channels: number
  readonly subtitles: SubtitleKind
  readonly hdr: HdrKind
  readonly framesPerSecond: number
  readonly interlaced: boolean
  /** mean of picture and sound, over its titles */
  readonly bitrateMbps: number
  readonly peakMbps: number
  /** titles by kind */
  readonly titles: Readonly<Partial<Record<WatchedKindId, number>>>
  /** indices of the plan's holdings gathered here */
  readonly holdings: readonly number[]
  /** second copies beside these titles */
  readonly smallCopies: Holding['smallCopies']
  /** short names of the devices that these titles are kept away from */
  readonly notOfferedTo: readonly string[]
}

/**
 * What decides whether a title plays: its make-up, without how many there are and whom they are
 * offered to.
 */
export type TitleMakeup = Omit<TitleTraits, 'titles' | 'holdings' | 'notOfferedTo'>

interface Row {
  traits: Omit<TitleTraits, 'bitrateMbps' | 'peakMbps' | 'titles' | 'holdings'>
  rate: number
  count: number
  titles: Partial<Record<WatchedKindId, number>>
  holdings: number[]
}

/** Quality, and what differs from its usual make-up. */
function label(
  quality: Quality,
  { container, sound, channels, subtitles, framesPerSecond, interlaced, smallCopies }: Holding,
): string {
  const { usual } = quality
  const parts = makeupText({
    ...(container === usual.container ? {} : { container }),
    ...(sound === usual.sound ? {} : { sound }),
    ...(channels === usual.channels ? {} : { channels }),
    ...(subtitles === usual.subtitles ? {} : { subtitles }),
    ...(framesPerSecond === usual.framesPerSecond ? {} : { framesPerSecond }),
    ...((interlaced === 'yes') === usual.interlaced ? {} : { interlaced }),
  })
  return [quality.label, ...parts, ...(smallCopies === 'none' ? [] : ['with a small copy'])].join(
    ', ',
  )
}

/**
 * The library as rows of titles that are alike, most titles first. Holdings that hold no video are
 * left out: sound alone
 * plays nearly anywhere, and its conversion costs next to nothing.
 */
export function titleTraits(
  { holdings }: Pick<Library, 'holdings'>,
  qualities: readonly Quality[],
): TitleTraits[] {
  const rows = new Map<string, Row>()
  holdings.forEach((holding, index) => {
    const kind = holdingKind(holding.kind)
    const quality = qualities.find(candidate => candidate.id === holding.quality)
    if (kind.sized !== 'video' || !quality || holding.titles <= 0) return
    const { usual } = quality
    const traits = {
      quality,
      container: holding.container === 'usual' ? usual.container : holding.container,
      sound: holding.sound === 'usual' ? usual.sound : holding.sound,
      channels: holding.channels ?? usual.channels,
      subtitles: holding.subtitles === 'usual' ? usual.subtitles : holding.subtitles,
      hdr: quality.hdr,
      framesPerSecond: holding.framesPerSecond ?? usual.framesPerSecond,
      interlaced: holding.interlaced === 'usual' ? usual.interlaced : holding.interlaced === 'yes',
      smallCopies: holding.smallCopies,
      notOfferedTo: [...holding.notOfferedTo].sort(),
    }
    const key = [
      quality.id,
      traits.container,
      traits.sound,
      traits.channels,
      traits.subtitles,
      traits.framesPerSecond,
      traits.interlaced ? 'i' : 'p',
      traits.smallCopies,
      ...(traits.notOfferedTo.length ? ['not', ...traits.notOfferedTo] : []),
    ]
      .join('-')
      .replaceAll('.', '_')
    const row = rows.get(key) ?? {
      traits: { key, label: label(quality, holding), ...traits },
      rate: 0,
      count: 0,
      titles: {},
      holdings: [],
    }
    rows.set(key, row)
    const watched = holding.kind as WatchedKindId
    row.rate += holding.titles * (holding.bitrateMbps ?? quality.bitrateMbps.likely)
    row.count += holding.titles
    row.titles[watched] = (row.titles[watched] ?? 0) + holding.titles
    row.holdings.push(index)
  })
  return [...rows.values()]
    .sort((a, b) => b.count - a.count)
    .map(({ traits, rate, count, titles, holdings: own }) => {
      const bitrateMbps = rate / count
      return {
        ...traits,
        bitrateMbps,
        peakMbps: peakMbps(traits.quality, bitrateMbps),
        titles,
        holdings: own,
      }
    })
}
