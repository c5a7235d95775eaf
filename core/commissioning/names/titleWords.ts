/** First year of a film. */
export const firstYear = 1888

/** Words that tell how a file was made, and nothing of the film: in small letters. */
const tagWords = new Set(
  (
    'x264 x265 h264 h265 hevc avc av1 vp9 vc1 xvid divx mpeg2 mpeg4 8bit 10bit 12bit hdr hdr10 ' +
    'hlg sdr dv bluray blu-ray bdrip brrip bdremux dvdrip dvd dvd5 dvd9 webrip web-dl webdl web ' +
    'hdtv pdtv dvb tvrip vhsrip vhs remux aac ac3 eac3 dts dts-hd truehd flac mp3 opus pcm lpcm ' +
    '1.0 2.0 5.1 7.1 multi dual dubbed subbed subs proper repack rerip internal limited complete ' +
    'hq fullhd hd uhd interlaced progressive upscaled ntsc pal'
  ).split(' '),
)
/** Heights by the words that stand for them. */
const heightWords: Readonly<Record<string, number>> = {
  '4k': 2160,
  uhd: 2160,
  '8k': 4320,
  fullhd: 1080,
}
const editionPattern =
  /\b(?:(?:the )?(?:director'?s|final|extended|theatrical|international|special|ultimate|collector'?s|anniversary|unrated|uncut|restored|remastered) (?:cut|edition|version)|(?:extended|theatrical|unrated|uncut|restored|remastered))\b/i
const partPattern = /\b(?:cd|dvd|disc|disk|part|pt) ?([1-9]\d?)\b/i

/** What stands in a name behind the title and the year. */
export interface Suffix {
  /** as it is written: 'Directors Cut' */
  readonly edition: string
  readonly height: number | null
  readonly part: number | null
  /** words that are none of these */
  readonly unknown: readonly string[]
}
export interface ParsedName extends Suffix {
  readonly title: string
  readonly year: number | null
}

/** Words with capitals, where all of them are small: 'low water' is 'Low Water'. */
export function capitals(text: string): string {
  return /\p{Lu}/u.test(text)
    ? text
    : text.replace(/(^|[\s\-(])(\p{Ll})/gu, (_, before: string, letter: string) => {
        return before + letter.toUpperCase()
      })
}

/** Dots and underscores as blanks, where the name as found has no blank. */
export function spaced(name: string): string {
  return /\s/.test(name)
    ? name
    : name
        // A sound of 5.1 keeps its dot: it is one word.
        .replace(/(?<![\d.])([1257]\.[01])(?![\d.])/g, match => match.replace('.', '\u0001'))
        .replace(/[._]+/g, ' ')
        .replaceAll('\u0001', '.')
}

interface FoundYear {
  readonly from: number
  readonly to: number
  readonly year: number
}

/** The last year that has a title before it; a bare one only where none stands in brackets. */
function yearIn(text: string, latest: number): FoundYear | null {
  const all = (pattern: RegExp): FoundYear[] =>
    [...text.matchAll(pattern)]
      .map(found => ({
        from: found.index,
        to: found.index + found[0].length,
        year: Number(found[1]),
      }))
      .filter(({ from, year }) => {
        const before = text.slice(0, from).replace(/[\s\-([]+/g, '')
        return year >= firstYear && year <= latest && before !== ''
      })
  return (
    all(/[([](\d{4})[)\]]/g).at(-1) ??
    // Not a part of a picture's size, a longer number or a height.
    all(/(?<![\w.:])(\d{4})(?![\w:]|\.\d)/g).at(-1) ??
    null
  )
}

function tagOf(word: string): boolean {
  const small = word.toLowerCase()
  const [head = ''] = small.split(/-(?!hd|dl|ray)/)
  return tagWords.has(small) || tagWords.has(head) || /^\d{3,4}x\d{3,4}$/.test(small)
}
const heightOf = (word: string): number | null => {
  const small = word.toLowerCase()
  const lines = /^(\d{3,4})[pi]$/.exec(small)
  return lines ? Number(lines[1]) : (heightWords[small] ?? null)
}

/** Reads what stands behind title and year. */
export function readSuffix(text: string): Suffix {
  let rest = ` ${text.replace(/[()[\]{}]/g, ' ')} `.replace(/\s+-+\s+/g, ' - ')
  const edition = editionPattern.exec(rest.replaceAll('.', ' '))?.[0] ?? ''
  if (edition) rest = rest.replace(new RegExp(edition.replaceAll(' ', '[ .]'), 'i'), ' ')
  const part = partPattern.exec(rest)
  if (part) rest = rest.replace(part[0], ' ')
  let height: number | null = null
  const unknown: string[] = []
  for (const word of rest.split(/[\s,+]+/)) {
    const bare = word.replace(/^[-.]+|[-.]+$/g, '')
    if (bare === '') continue
    const lines = heightOf(bare)
    if (lines !== null) height ??= lines
    else if (!tagOf(bare)) unknown.push(bare)
  }
  return { edition: capitals(edition), height, part: part ? Number(part[1]) : null, unknown }
}

/** The text before the first word that tells how a file was made. */
export function withoutTags(text: string): string {
  const words = text.split(' ')
  const at = words.findIndex((word, index) => {
    const bare = word.replace(/^[([-]+|[)\]-]+$/g, '')
    return index > 0 && bare !== '' && (tagOf(bare) || heightOf(bare) !== null)
  })
  return at < 0 ? text : words.slice(0, at).join(' ')
}
const tidy = (text: string) =>
  text
    .replace(/\s+/g, ' ')
    .replace(/^[\s\-.,]+|[\s\-,([]+$/g, '')
    .trim()

/**
 * Title, year and what stands behind them, of a name without its ending.
 * @param latest the latest year that a film can have: next year's
 * @example readTitle('low.water.1978.1080p', 2027) // Low Water, 1978, 1080
 */
export function readTitle(name: string, latest: number): ParsedName {
  const text = spaced(name)
  const year = yearIn(text, latest)
  if (year)
    return {
      title: capitals(tidy(text.slice(0, year.from))),
      year: year.year,
      ...readSuffix(text.slice(year.to)),
    }
  const editionAt = editionPattern.exec(text)?.index ?? -1
  const partAt = partPattern.exec(text)?.index ?? -1
  const ends = [withoutTags(text).length, editionAt, partAt].filter(at => at > 0)
  const end = Math.min(text.length, ...ends)
  return {
    title: capitals(tidy(text.slice(0, end))),
    year: null,
    ...readSuffix(text.slice(end)),
  }
}
