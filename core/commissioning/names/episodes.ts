import { groupedBy, type NameContext, type NameItem } from './nameItem'
import { subtitleName, subtitledBy } from './subtitles'
import { capitals, firstYear, spaced, withoutTags } from './titleWords'
import type { NameRuleId } from './nameRules'

/** Folder of series in the tree. */
export const seriesFolder = 'series'

const two = (number: number) => String(number).padStart(2, '0')

/** What a name tells of an episode: its place, and the words around it. */
type Place =
  | { readonly by: 'number'; readonly season: number; readonly episodes: readonly number[] }
  | { readonly by: 'date'; readonly date: string }
  | { readonly by: 'special' }
  | { readonly by: 'order'; readonly number: number }
  | { readonly by: 'dayOrMonth'; readonly parts: readonly [string, string, string] }
interface ReadEpisode {
  readonly place: Place
  readonly before: string
  readonly behind: string
}

const patterns = {
  season:
    /(?<![\p{L}\d])s(\d{1,2})\s?[._-]?\s?e(\d{1,3})((?:\s?-?\s?e\d{1,3}|-\d{1,3})*)(?![\p{L}\d])/iu,
  cross: /(?<![\p{L}\d])(\d{1,2})x(\d{2,3})((?:-\d{2,3}|x\d{2,3})*)(?![\p{L}\d])/iu,
  words: /season (\d{1,2})[\s,-]+episode (\d{1,3})/iu,
  yearFirst: /(?<!\d)((?:19|20)\d{2})[-. ](\d{2})[-. ](\d{2})(?!\d)/,
  dayFirst: /(?<!\d)(\d{1,2})[-. ](\d{1,2})[-. ]((?:19|20)\d{2})(?!\d)/,
  special: /(?<![\p{L}])special(?![\p{L}])/iu,
  alone: /^(?:e|ep|episode)?\s?(\d{1,3})(?=$|[\s.-])/iu,
  order: /(?<=\s|^)(?:e|ep|episode )?(\d{2,4})(?=$|\s|-)/iu,
}
const isDay = (month: number, day: number) => month >= 1 && month <= 12 && day >= 1 && day <= 31

function around(text: string, found: RegExpExecArray): Omit<ReadEpisode, 'place'> {
  return {
    before: text.slice(0, found.index),
    behind: text.slice(found.index + found[0].length),
  }
}

/** Every number of a run of episodes: '-02', 'E02E03', '-E02'; a dash means all between. */
function episodesOf(first: number, more: string): number[] {
  const episodes = [first]
  for (const [, dash, digits] of more.matchAll(/(-?)\s?[ex]?(\d{1,3})/gi)) {
    const last = Number(digits)
    const from = dash && last > episodes.at(-1)! ? episodes.at(-1)! + 1 : last
    for (let number = from; number <= last && episodes.length < 50; number++) episodes.push(number)
  }
  return episodes
}

/** @param season what the folder says, null where it says nothing */
export function readEpisode(stem: string, season: number | null): ReadEpisode | null {
  const text = spaced(stem)
  const numbered =
    patterns.season.exec(text) ?? patterns.cross.exec(text) ?? patterns.words.exec(text)
  if (numbered) {
    const episodes = episodesOf(Number(numbered[2]), numbered[3] ?? '')
    return {
      place: { by: 'number', season: Number(numbered[1]), episodes },
      ...around(text, numbered),
    }
  }
  const date = patterns.yearFirst.exec(text)
  if (date && isDay(Number(date[2]), Number(date[3])))
    return {
      place: { by: 'date', date: `${date[1]}-${date[2]}-${date[3]}` },
      ...around(text, date),
    }
  const turned = patterns.dayFirst.exec(text)
  if (turned) {
    const [first, second, year] = [turned[1]!, turned[2]!, turned[3]!]
    const asDay = isDay(Number(second), Number(first))
    const asMonth = isDay(Number(first), Number(second))
    const place: Place | null =
      asDay && asMonth && Number(first) !== Number(second)
        ? { by: 'dayOrMonth', parts: [first, second, year] }
        : asDay
          ? { by: 'date', date: `${year}-${two(Number(second))}-${two(Number(first))}` }
          : asMonth
            ? { by: 'date', date: `${year}-${two(Number(first))}-${two(Number(second))}` }
            : null
    if (place) return { place, ...around(text, turned) }
  }
  if (season !== null && season > 0) {
    const alone = patterns.alone.exec(text)
    if (alone)
      return {
        place: { by: 'number', season, episodes: [Number(alone[1])] },
        ...around(text, alone),
      }
  }
  if (season === 0 || patterns.special.test(text)) {
    return { place: { by: 'special' }, before: '', behind: text }
  }
  const order = patterns.order.exec(text)
  if (!order) return null
  const number = Number(order[1])
  return {
    place: season === null ? { by: 'order', number } : { by: 'number', season, episodes: [number] },
    ...around(text, order),
  }
}

/** The season that a folder stands for, 0 for specials; null where it stands for none. */
export function seasonOf(folder: string): number | null {
  if (/^(specials?|extras?)$/i.test(folder)) return 0
  const found = /^(?:season|series|staffel|s)[ ._-]?(\d{1,2}|(?:19|20)\d{2})$/i.exec(folder)
  return found ? Number(found[1]) : null
}

/** A series as its folder or file says it: title, and a year where one is told. */
function seriesOf(name: string, latestYear: number): { title: string; year: number | null } {
  const text = spaced(name)
  const found = /^(.*\S)\s*[([]((?:18|19|20)\d{2})[)\]]\s*-?\s*$/.exec(text)
  const year = found ? Number(found[2]) : null
  const isYear = year !== null && year >= firstYear && year <= latestYear
  const title = (isYear ? found![1]! : text).replace(/^[\s\-.]+|[\s\-.,([]+$/g, '')
  return { title: capitals(withoutTags(title)), year: isYear ? year : null }
}

interface Episode {
  readonly item: NameItem
  readonly read: ReadEpisode
  readonly title: string
  readonly year: number | null
}

const behindName = (text: string) => {
  const tidy = withoutTags(` ${text}`.replace(/[[{(]\s*$/g, ''))
    .replace(/^[\s\-.,_)\]]+|[\s\-.,_([]+$/g, '')
    .replace(/\s+/g, ' ')
  return capitals(tidy)
}

/** Where an episode stands: folder and number in its name; null where it has to be asked. */
function placeOf(
  { item, read, title }: Episode,
  context: NameContext,
): { readonly folder: string; readonly number: string; readonly rule: NameRuleId } | null {
  const { place } = read
  if (place.by === 'number') {
    const { season, episodes } = place
    const folder = season === 0 ? 'Specials' : `Season ${two(season)}`
    const ends = episodes.length > 1 ? `-E${two(episodes.at(-1)!)}` : ''
    return {
      folder,
      number: `S${two(season)}E${two(episodes[0]!)}${ends}`,
      rule: episodes.length > 1 ? 'E3' : 'E1',
    }
  }
  const byDate = (date: string) => ({
    folder: `Season ${date.slice(0, 4)}`,
    number: date,
    rule: 'E4' as const,
  })
  if (place.by === 'date') return byDate(place.date)
  if (place.by === 'dayOrMonth') {
    const [first, second, year] = place.parts
    const key = `dates|${title}`
    const answer = context.answers.get(key)
    const choices = ['day first', 'month first']
    if (answer === choices[0]) return byDate(`${year}-${two(Number(second))}-${two(Number(first))}`)
    if (answer === choices[1]) return byDate(`${year}-${two(Number(first))}-${two(Number(second))}`)
    const question = `Do the dates of "${title}" begin with the day or with the month?`
    item.ask = { key, rule: 'E4', question, choices }
    return null
  }
  if (place.by === 'order') {
    const key = `season|${title}`
    const answer = context.answers.get(key)
    const season = Number(answer)
    if (answer !== undefined && Number.isInteger(season) && season >= 0 && season < 100) {
      const text = String(place.number)
      // 113 of season 1 is its episode 13.
      const own = text.length > 2 && text.startsWith(String(season)) ? text.slice(-2) : text
      return {
        folder: season === 0 ? 'Specials' : `Season ${two(season)}`,
        number: `S${two(season)}E${two(Number(own))}`,
        rule: 'E5',
      }
    }
    item.ask = {
      key,
      rule: 'E5',
      question: `Which season are the episodes of "${title}" that have a running number only?`,
    }
  }
  return null
}

/** Gives specials without a number the next ones that are free. */
function numberSpecials(specials: readonly Episode[], taken: Set<number>, nameOf: NameOf): void {
  let next = 1
  const inOrder = [...specials].sort((a, b) => (a.item.file.path < b.item.file.path ? -1 : 1))
  for (const special of inOrder) {
    while (taken.has(next)) next++
    taken.add(next)
    const { item, read, title } = special
    const words = read.behind.startsWith(title) ? read.behind.slice(title.length) : read.behind
    item.aim = nameOf(special, {
      folder: 'Specials',
      number: `S00E${two(next)}`,
      name: behindName(words),
    })
    item.isSure = false
    item.rules.add('E2')
  }
}
type NameOf = (
  episode: Episode,
  at: { readonly folder: string; readonly number: string; readonly name: string },
) => NonNullable<NameItem['aim']>

/** The folder of its series; null where the file lies in the top folder. */
const ownFolder = ({ folders }: NameItem) => (folders.length > 1 ? folders[1]! : null)

/** E1 to E6: series in their folders, by season, episodes by their number or date. */
export function nameEpisodes(items: readonly NameItem[], context: NameContext): void {
  const videos = items.filter(({ kind, leftOut }) => kind === 'video' && leftOut === null)
  const episodes: Episode[] = []
  for (const item of videos) {
    const inner = item.folders.slice(2).map(seasonOf)
    const season = inner.findLast(found => found !== null) ?? null
    const folder = ownFolder(item)
    const inFolder = folder === null ? null : seriesOf(folder, context.latestYear)
    // A title may read like a date or a number itself: what stands behind it is read first.
    const own = [folder, inFolder?.title].find(name => name && item.stem.startsWith(`${name} - `))
    const read =
      (own ? readEpisode(item.stem.slice(own.length + 3), season) : null) ??
      readEpisode(item.stem, season)
    if (!read) continue
    const inName = seriesOf(read.before, context.latestYear)
    const special = read.place.by === 'special' && inFolder === null
    const alone = special ? seriesOf(item.stem.split(/\s(?=\S*\s*special)/i)[0]!, 3000) : null
    // The folder's name goes first; a file's own year tells two series of one name apart.
    const title = inFolder?.title || alone?.title || inName.title
    const year = inFolder?.year ?? inName.year
    if (title === '') {
      item.ask = {
        key: `series|${item.file.path}`,
        rule: 'E1',
        question: `Of which series is "${item.stem}"?`,
      }
      const answer = context.answers.get(item.ask.key)?.trim()
      if (!answer) continue
      item.ask = null
      episodes.push({ item, read, title: answer, year })
      continue
    }
    episodes.push({ item, read, title, year })
  }
  for (const alike of groupedBy(episodes, ({ title }) => title.toLowerCase()).values())
    nameSeries(alike, context)
  nameBeside(items, context)
}

/** All series of one title: with their years where there are several. */
function nameSeries(episodes: readonly Episode[], context: NameContext): void {
  const years = new Set(episodes.map(({ year }) => year))
  const needsYear = years.size > 1
  const nameOf: NameOf = ({ item, title, year }, { folder, number, name }) => {
    const series = needsYear && year !== null ? `${title} (${year})` : title
    return {
      folders: [seriesFolder, series, folder],
      stem: [series, number, ...(name ? [name] : [])].join(' - '),
      ending: item.ending,
    }
  }
  for (const ofSeries of groupedBy(episodes, ({ year }) => year).values()) {
    const { title, year } = ofSeries[0]!
    const key = `seriesYear|${title}`
    const answer = Number(context.answers.get(key))
    const found = year ?? (answer >= firstYear && answer <= context.latestYear ? answer : null)
    if (needsYear && found === null) {
      const question = `There are several series named "${title}": from which year is this one?`
      for (const { item } of ofSeries) item.ask = { key, rule: 'E6', question }
      continue
    }
    const taken = new Set<number>()
    for (const episode of ofSeries.map(one => ({ ...one, year: found }))) {
      const { item, read } = episode
      const { place } = read
      if (place.by === 'special') continue
      const at = placeOf(episode, context)
      if (!at) continue
      if (place.by === 'number' && place.season === 0)
        place.episodes.forEach(number => taken.add(number))
      item.aim = nameOf(episode, { ...at, name: behindName(read.behind) })
      item.rules.add(needsYear ? 'E6' : at.rule)
      // A year that nothing asks for falls away: that is for its owner to say.
      if (!needsYear && year !== null) item.isSure = false
    }
    const specials = ofSeries.filter(({ read }) => read.place.by === 'special')
    numberSpecials(
      specials.map(one => ({ ...one, year: found })),
      taken,
      nameOf,
    )
  }
}

/** Subtitles and whatever else lies beside an episode and begins with its name. */
function nameBeside(items: readonly NameItem[], context: NameContext): void {
  const byDir = groupedBy(
    items.filter(({ kind, aim }) => kind === 'video' && aim !== null),
    ({ folders }) => folders.join('/'),
  )
  for (const item of items) {
    if (item.kind === 'video' || item.leftOut !== null) continue
    const own = (byDir.get(item.folders.join('/')) ?? [])
      .filter(({ stem }) => item.stem.startsWith(stem))
      .sort((a, b) => b.stem.length - a.stem.length)[0]
    if (!own) continue
    if (item.kind === 'subtitle') {
      subtitleName(item, { film: subtitledBy(own), isApart: false }, context)
      continue
    }
    item.aim = {
      folders: own.aim!.folders,
      stem: own.aim!.stem + item.stem.slice(own.stem.length),
      ending: item.ending,
    }
    item.rules.add('E1')
  }
}
