import { group } from 'd3-array'
import { holdingKind, type WatchedKindId } from '../catalogue/holdingKinds'
import type { Container, HdrKind, SoundCodec, SubtitleKind } from '../catalogue/media'
import { peakMbps, type Quality } from '../catalogue/qualities'
import { titleBitrates } from '../library/titleBitrates'
import { makeupText } from '../library/scanMakeup'
import type { Holding, Library } from '../plan/library'

/**
 * What a kind of title is made of, as far as playing it goes. Titles alike in all of it are one row
 * of the matrix.
 */
export interface TitleTraits {
  /** same for titles that are alike in all, and in all but their bitrate */
  readonly key: string
  readonly group: string
  readonly label: string
  /** without the bitrate, which the label names where a group has several */
  readonly groupLabel: string
  readonly quality: Quality
  readonly container: Container
  readonly sound: SoundCodec
  readonly channels: number
  readonly subtitles: SubtitleKind
  readonly hdr: HdrKind
  readonly framesPerSecond: number
  readonly interlaced: boolean
  /** mean of picture and sound */
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
  traits: Omit<TitleTraits, 'key' | 'label' | 'peakMbps' | 'titles' | 'holdings'>
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
    const group = [
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
    const watched = holding.kind as WatchedKindId
    const bitrates = titleBitrates(holding, quality)
    const titles = holding.titles / bitrates.length
    for (const bitrateMbps of bitrates) {
      const id = `${group} ${bitrateMbps}`
      const row = rows.get(id) ?? {
        traits: { ...traits, group, groupLabel: label(quality, holding), bitrateMbps },
        count: 0,
        titles: {},
        holdings: [],
      }
      rows.set(id, row)
      row.count += titles
      row.titles[watched] = (row.titles[watched] ?? 0) + titles
      if (row.holdings.at(-1) !== index) row.holdings.push(index)
    }
  })
  return inGroups([...rows.values()])
}

/** Rows group by group, the group with most titles first, and in each by bitrate. */
function inGroups(rows: readonly Row[]): TitleTraits[] {
  const groups = [...group(rows, row => row.traits.group).values()]
  const titlesOf = (own: readonly Row[]) => own.reduce((sum, { count }) => sum + count, 0)
  return groups
    .sort((a, b) => titlesOf(b) - titlesOf(a))
    .flatMap(own =>
      own
        .toSorted((a, b) => a.traits.bitrateMbps - b.traits.bitrateMbps)
        .map(({ traits, titles, holdings }): TitleTraits => {
          const { group: id, groupLabel, bitrateMbps, quality } = traits
          const rate = Number(bitrateMbps.toPrecision(3))
          const isOne = own.length === 1
          return {
            ...traits,
            key: isOne ? id : `${id}-at-${`${bitrateMbps}`.replace('.', '_')}`,
            label: isOne ? groupLabel : `${groupLabel}, ${rate} Mb/s`,
            peakMbps: peakMbps(quality, bitrateMbps),
            titles,
            holdings,
          }
        }),
    )
}
