import { groupedBy, type NameContext, type NameItem } from './nameItem'
import { subtitleName, subtitledBy } from './subtitles'
import { readTitle, type ParsedName } from './titleWords'

/** Folder of films in the tree. */
export const filmsFolder = 'films'
/** Folders of a disc: nothing in them gets another name. */
export const discFolders: readonly string[] = ['VIDEO_TS', 'BDMV', 'AUDIO_TS', 'CERTIFICATE']
const extrasFolder =
  /^(extras?|bonus|featurettes?|trailers?|behind the scenes|deleted scenes|interviews?)$/i
const subsFolder = /^(subs?|subtitles?)$/i
const extraName =
  /(?:^|[\s\-._([])(trailer|teaser|featurette|making of|behind the scenes|deleted scenes?|interview)\W*$/i
const sampleName = /(^|[^a-z])sample([^a-z]|$)|^sample/i
/** A sample is smaller than this part of its film. */
export const sampleShare = 0.1

const isBeside = ({ stem }: NameItem) => extraName.test(stem) || sampleName.test(stem)
const isSpecial = (folder: string) => extrasFolder.test(folder) || subsFolder.test(folder)
const isDisc = (folder: string) => discFolders.includes(folder.toUpperCase())
const dirOf = ({ folders }: NameItem) => folders.join('/')

/** Height of a version as it is told: 2160, 1080 …, by the width where a picture is cut. */
export function versionLines(width: number | null, height: number | null): number | null {
  const byWidth = width === null ? 0 : width >= 3200 ? 2160 : width >= 1700 ? 1080 : 0
  if (byWidth > 0) return byWidth
  if (width !== null && width >= 1200) return 720
  if (height === null) return null
  const steps = [2160, 1080, 720, 576, 480]
  return steps.find(step => height > step * 0.78) ?? height
}

/** A film that a file holds, and what of it is known. */
interface Film {
  readonly item: NameItem
  readonly parsed: ParsedName
  /** 'Title (Year)'; null where the year is asked */
  readonly name: string | null
}

/** Title and year of a film file: its own, otherwise those of its folder. */
function nameFilm(item: NameItem, folder: string | null, context: NameContext): Film {
  const parsed = readTitle(item.stem, context.latestYear)
  const ofFolder = folder === null ? null : readTitle(folder, context.latestYear)
  const named = (title: string, year: number): Film => ({
    item,
    parsed,
    name: title === '' ? null : `${title} (${year})`,
  })
  if (parsed.year !== null) {
    if (ofFolder && ofFolder.year !== null && ofFolder.year !== parsed.year) item.isSure = false
    return named(parsed.title, parsed.year)
  }
  if (ofFolder?.year) {
    // What the file's own name says behind the title is still told; its other words are the title.
    return named(ofFolder.title, ofFolder.year)
  }
  const title = ofFolder?.title || parsed.title
  const key = `year|${title}`
  const answer = Number(context.answers.get(key))
  if (answer >= 1888 && answer <= context.latestYear) return named(title, answer)
  item.ask = { key, rule: 'F2', question: `In which year did "${title}" come out?` }
  return { item, parsed, name: null }
}

/** A height that the name tells at its right place, which stays even of the only version. */
const tellsHeight = (stem: string) => / - \d{3,4}p(?= - |$)/.test(stem)

/** Names of the versions of one film, in one edition and part. */
function nameVersions(versions: readonly Film[], context: NameContext): void {
  for (const { item, parsed, name } of versions) {
    const { edition, height, part, unknown } = parsed
    const isOne = versions.length === 1
    let lines = isOne && !tellsHeight(item.stem) ? null : height
    if (!isOne && lines === null) {
      const key = `height|${item.file.path}`
      const answer = Number(context.answers.get(key))
      lines = versionLines(item.file.width, item.file.height) ?? (answer > 0 ? answer : null)
      if (lines === null) {
        item.ask = {
          key,
          rule: 'F4',
          question: `How many lines has "${item.stem}"? There are ${versions.length} versions.`,
        }
        continue
      }
    }
    const stem = [
      name!,
      ...(edition ? [edition] : []),
      ...(lines ? [`${lines}p`] : []),
      ...(part ? [`part ${part}`] : []),
    ].join(' - ')
    item.aim = { folders: [filmsFolder, name!], stem, ending: item.ending }
    // A file that takes its folder's title has words of its own for it.
    if (unknown.length > 0 && parsed.year !== null) item.isSure = false
    if (item.folders.at(-1) !== name || item.folders.length !== 2) item.rules.add('F1')
    if (stem === item.stem) continue
    if (!item.stem.startsWith(name!)) item.rules.add('F2')
    if (part) item.rules.add('F3')
    if (edition) item.rules.add('F5')
    if (!isOne) item.rules.add('F4')
    if (![...item.rules].some(rule => /^F[2-5]$/.test(rule))) item.rules.add('F2')
  }
}

const isMain = (item: NameItem) =>
  item.kind === 'video' &&
  !item.folders.some(folder => isSpecial(folder) || isDisc(folder)) &&
  item.leftOut === null

/** Extras and samples among the videos of a folder that holds a film beside them. */
function setAside(videos: readonly NameItem[], context: NameContext): NameItem[] {
  const films = videos.filter(item => !isBeside(item))
  if (films.length === 0) return [...videos]
  const sizes = films.map(({ file }) => file.sizeBytes)
  const largest = sizes.includes(null) ? null : Math.max(...(sizes as number[]))
  for (const item of videos.filter(isBeside)) {
    if (!sampleName.test(item.stem)) continue
    const { sizeBytes } = item.file
    const key = `sample|${item.file.path}`
    const answer = context.answers.get(key)
    const isSmall = sizeBytes !== null && largest !== null && sizeBytes < largest * sampleShare
    if (isSmall || answer === 'leave out') item.leftOut = 'It is a sample of the film beside it.'
    else if (answer !== 'keep')
      item.ask = {
        key,
        rule: 'F7',
        question: `Is "${item.stem}" a sample of the film beside it?`,
        choices: ['leave out', 'keep'],
      }
  }
  return films
}

/** What lies beside a film goes with it. */
function goWith(
  item: NameItem,
  { films, tail }: { readonly films: readonly Film[]; readonly tail: readonly string[] },
  context: NameContext,
): void {
  const known = films.filter(({ name }) => name !== null && name !== '')
  const byName = known
    .filter(film => item.stem.startsWith(film.item.stem))
    .sort((a, b) => b.item.stem.length - a.item.stem.length)[0]
  const names = new Set(known.map(({ name }) => name))
  const film = byName ?? (names.size === 1 ? known[0] : undefined)
  if (!film || film.item.aim === null || known.length < films.length) return
  const folder = film.item.aim.folders
  if (item.kind === 'subtitle') {
    // Beside several versions it is named after what they have in common.
    const only = byName ?? (known.length === 1 ? film : undefined)
    const folders = film.item.aim.folders
    const own = only ? subtitledBy(only.item) : { stem: film.name!, folders, begins: [film.name!] }
    subtitleName(item, { film: own, isApart: tail.length > 0 || !only }, context)
    return
  }
  if (tail.length > 0 || (item.kind === 'video' && isBeside(item))) {
    const rest = tail.map((part, at) => (at === 0 && extrasFolder.test(part) ? 'Extras' : part))
    const folders = [...folder, ...(rest.length > 0 ? rest : ['Extras'])]
    item.aim = { folders, stem: item.stem, ending: item.ending }
    item.rules.add('F7')
    return
  }
  const stem = byName ? film.item.aim.stem + item.stem.slice(film.item.stem.length) : item.stem
  item.aim = { folders: folder, stem, ending: item.ending }
  item.rules.add('F1')
}

/** A disc as it was copied: its folder gets the film's name, nothing inside it another. */
function nameDisc(items: readonly NameItem[], folder: string, context: NameContext): void {
  const parsed = readTitle(folder, context.latestYear)
  const key = `year|${parsed.title}`
  const answer = Number(context.answers.get(key))
  const year = parsed.year ?? (answer >= 1888 && answer <= context.latestYear ? answer : null)
  for (const item of items) {
    if (year === null) {
      const question = `In which year did "${parsed.title}" come out?`
      item.ask = { key, rule: 'F2', question }
      continue
    }
    const at = item.folders.findIndex(isDisc)
    item.aim = {
      folders: [filmsFolder, `${parsed.title} (${year})`, ...item.folders.slice(at)],
      stem: item.stem,
      ending: item.ending,
    }
    if (parsed.unknown.length > 0) item.isSure = false
    item.rules.add('F1')
  }
}

/** F1 to F7: each film in its own folder, both named by title and year, with what belongs to it. */
export function nameFilms(items: readonly NameItem[], context: NameContext): void {
  const discs = items.filter(({ folders }) => folders.slice(1).some(isDisc))
  const inDiscs = new Set(discs)
  const discFolder = ({ folders }: NameItem) => folders[folders.findIndex(isDisc) - 1]!
  for (const group of groupedBy(discs, item =>
    item.folders.slice(0, item.folders.findIndex(isDisc)).join('/'),
  ).values())
    if (group[0]!.folders.findIndex(isDisc) > 1) nameDisc(group, discFolder(group[0]!), context)

  const others = items.filter(item => !inDiscs.has(item))
  const byDir = groupedBy(others.filter(isMain), dirOf)
  const films = new Map<string, Film[]>()
  for (const [dir, videos] of byDir) {
    const folders = videos[0]!.folders
    const folder = folders.length > 1 ? folders.at(-1)! : null
    // In the top folder every video is a film of its own.
    const main = folder === null ? videos : setAside(videos, context)
    const named = main.map(item => nameFilm(item, folder, context))
    // A collection's folder is given up: that is for its owner to say.
    if (folders.length > 2) named.forEach(({ item }) => (item.isSure = false))
    films.set(dir, named)
  }
  const all = [...films.values()].flat().filter(({ name }) => name !== null)
  for (const versions of groupedBy(all, ({ name, parsed }) =>
    [name!.toLowerCase(), parsed.edition.toLowerCase(), parsed.part].join('\n'),
  ).values())
    nameVersions(versions, context)

  for (const item of others) {
    if (item.aim || item.ask || item.leftOut !== null) continue
    // The nearest folder above that holds a film.
    for (let depth = item.folders.length; depth > 1; depth--) {
      const here = films.get(item.folders.slice(0, depth).join('/'))
      if (!here) continue
      goWith(item, { films: here, tail: item.folders.slice(depth) }, context)
      break
    }
    if (item.folders.length === 1 && item.kind !== 'video') {
      const beside = films.get(dirOf(item)) ?? []
      const own = beside.filter(({ item: film }) => item.stem.startsWith(film.stem))
      goWith(item, { films: own, tail: [] }, context)
    }
  }
}
