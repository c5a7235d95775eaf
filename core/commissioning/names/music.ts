import { groupedBy, type NameContext, type NameItem } from './nameItem'
import { capitals, spaced } from './titleWords'

/** Folder of music in the tree. */
export const musicFolder = 'music'
const various = 'Various Artists'

const two = (number: number) => String(number).padStart(2, '0')
const discFolder = /^(?:cd|disc|disk)[ ._-]?(\d{1,2})$/i
const nameless = /^(?:track|titel|audio ?track)?[ ._-]*\d{1,3}$/i

interface Track {
  readonly item: NameItem
  readonly artist: string
  readonly album: string
  /** the artist of the whole album; '' where nothing tells one */
  readonly albumArtist: string
  readonly year: number | null
  readonly disc: number | null
  readonly track: number | null
  readonly title: string
  /** tags told it */
  readonly isTagged: boolean
}

const numberIn = (text: string): number | null => {
  const found = /\d+/.exec(text)
  return found ? Number(found[0]) : null
}
const yearIn = (text: string): number | null => {
  const found = /(?<!\d)(1[89]\d\d|20\d\d)(?!\d)/.exec(text)
  return found ? Number(found[1]) : null
}
/** A tag as a part of a path. */
const asPart = (text: string) =>
  text
    .replace(/[/\\|]/g, '-')
    .replace(/(?<=\d):(?=\d)/g, '.')
    .replace(/\s*:\s*/g, ' - ')
    .replace(/"/g, "'")
    .replace(/[<>?*\p{Cc}]/gu, '')
    .trim()

/** Year and name of an album's folder: '2019 - Lock and Quay', 'Lock and Quay (2019)'. */
function readAlbum(folder: string): { readonly album: string; readonly year: number | null } {
  const text = spaced(folder)
  const first = /^(1[89]\d\d|20\d\d)\s*-?\s+(\S.*)$/.exec(text)
  if (first) return { album: capitals(first[2]!), year: Number(first[1]) }
  const last = /^(.*\S)\s*[([](1[89]\d\d|20\d\d)[)\]]$/.exec(text)
  if (last) return { album: capitals(last[1]!), year: Number(last[2]) }
  return { album: capitals(text), year: null }
}

/** Disc, number and name of a track's file: '1-03 - Neap', '03. Neap', '03 Neap'. */
function readTrack(stem: string): Pick<Track, 'disc' | 'track' | 'title'> {
  const text = spaced(stem)
  const found = /^(?:(\d{1,2})-)?(\d{1,3})(?:\s*[-.)]\s*|\s+)(\S.*)$/.exec(text)
  if (found)
    return {
      disc: found[1] ? Number(found[1]) : null,
      track: Number(found[2]),
      title: capitals(found[3]!),
    }
  if (nameless.test(text)) return { disc: null, track: numberIn(text), title: '' }
  return { disc: null, track: null, title: capitals(text) }
}

function readFile(item: NameItem): Track {
  const folders = item.folders.slice(1)
  const discAt = folders.findIndex(folder => discFolder.test(folder))
  const disc = discAt < 0 ? null : numberIn(folders[discAt]!)
  const above = discAt < 0 ? folders : folders.slice(0, discAt)
  const { album, year } = readAlbum(above.at(-1) ?? '')
  const artist = above.length > 1 ? capitals(spaced(above.at(-2)!)) : ''
  const named = readTrack(item.stem)
  const { tags } = item.file
  const isVarious = artist.toLowerCase() === various.toLowerCase()
  // On a compilation the track's own artist stands before its name.
  const [own, ...rest] = named.title.split(' - ')
  const byName = isVarious && rest.length > 0 ? { artist: own!, title: rest.join(' - ') } : null
  const told = (value: string | undefined, otherwise: string) => asPart(value ?? '') || otherwise
  return {
    item,
    artist: told(tags?.artist, byName?.artist ?? (isVarious ? '' : artist)),
    albumArtist: told(tags?.albumArtist, isVarious ? various : artist),
    album: told(tags?.album, album),
    year: (tags ? yearIn(tags.year) : null) ?? year,
    disc: (tags ? numberIn(tags.disc) : null) ?? disc ?? named.disc,
    track: (tags ? numberIn(tags.track) : null) ?? named.track,
    title: told(tags?.title, byName?.title ?? named.title),
    isTagged: tags !== null,
  }
}

/** M1 to M4: artist, year and album, discs, compilations; tags go before names. */
export function nameMusic(items: readonly NameItem[], context: NameContext): void {
  const dirs = groupedBy(items, ({ folders }) => folders.join('/'))
  const listed = new Set(
    [...dirs].filter(([, all]) => all.some(({ kind }) => kind === 'list')).map(([dir]) => dir),
  )
  const tracks = items.filter(({ kind, leftOut }) => kind === 'music' && leftOut === null)
  // An album is a folder, its discs taken together, or what its tags say.
  const albums = groupedBy(tracks.map(readFile), ({ item, album }) => {
    const at = item.folders.findIndex(folder => discFolder.test(folder))
    const folder = (at < 0 ? item.folders : item.folders.slice(0, at)).join('/')
    return `${folder}\n${album.toLowerCase()}`
  })
  for (const album of albums.values()) {
    nameAlbum(album, context)
    for (const { item } of album)
      // A cue sheet or a playlist names its files as they are.
      if (listed.has(item.folders.join('/'))) item.isSure = false
  }
  nameBeside(items, dirs)
}

function nameAlbum(tracks: readonly Track[], context: NameContext): void {
  const first = tracks[0]!
  const artists = new Set(tracks.map(({ artist }) => artist.toLowerCase()).filter(Boolean))
  const isVarious = first.albumArtist === various || artists.size > 1
  const artist = isVarious ? various : first.albumArtist || first.artist
  const discs = new Set(tracks.map(({ disc }) => disc ?? 1))
  const years = new Set(tracks.map(({ year }) => year))
  const key = `album|${artist}|${first.album}`
  const answer = Number(context.answers.get(key))
  const year = (years.size === 1 ? first.year : null) ?? (answer > 0 ? answer : null)
  for (const { item, disc, track, title, artist: own, isTagged } of tracks) {
    if (artist === '' || first.album === '') {
      const question = 'Of which artist and album is it? Sort it into its folders by hand.'
      item.ask = { key: `sort|${item.file.path}`, rule: 'M1', question }
      continue
    }
    if (year === null) {
      const question = `In which year did "${first.album}" by ${artist} come out?`
      item.ask = { key, rule: 'M1', question }
      continue
    }
    const nameKey = `track|${item.file.path}`
    const name = title || (context.answers.get(nameKey) ?? '').trim()
    if (track === null || name === '') {
      const question = `What is "${item.stem}" called, on "${first.album}"?`
      item.ask = { key: nameKey, rule: 'M1', question }
      continue
    }
    const number = discs.size > 1 || (disc ?? 1) > 1 ? `${disc ?? 1}-${two(track)}` : two(track)
    item.aim = {
      folders: [musicFolder, artist, `${year} - ${first.album}`],
      stem: [number, ...(isVarious && own ? [own] : []), name].join(' - '),
      ending: item.ending,
    }
    item.rules.add(isVarious ? 'M3' : discs.size > 1 ? 'M2' : isTagged ? 'M4' : 'M1')
  }
}

/** A cover, a cue sheet and the like go with the tracks of their folder, where all go to one. */
function nameBeside(
  items: readonly NameItem[],
  dirs: ReadonlyMap<string, readonly NameItem[]>,
): void {
  for (const item of items) {
    if (item.kind === 'music' || item.leftOut !== null) continue
    const tracks = (dirs.get(item.folders.join('/')) ?? []).filter(({ kind }) => kind === 'music')
    const aims = new Set(tracks.map(({ aim }) => aim?.folders.join('/')))
    const aim = tracks[0]?.aim
    if (!aim || aims.size !== 1) continue
    item.aim = { folders: aim.folders, stem: item.stem, ending: item.ending }
    if (item.kind === 'list') item.isSure = false
    item.rules.add('M1')
  }
}
