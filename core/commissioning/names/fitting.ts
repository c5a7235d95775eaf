import { filmsFolder } from './films'
import { groupedBy, type Aim, type NameItem } from './nameItem'
import { cutTitle, isTooLong, safeName } from './safeNames'

const dirOf = ({ folders }: Aim) => folders.join('/')

/** Folders and names so that every system takes them; a part of which nothing is left is asked. */
export function makeSafe(item: NameItem): void {
  if (!item.aim) return
  const folders = item.aim.folders.map(folder => safeName(folder, false))
  const name = safeName(item.aim.stem + item.aim.ending, true)
  if (name.name === '' || folders.some(folder => folder.name === '')) {
    item.ask = {
      key: `name|${item.file.path}`,
      rule: 'X1',
      question: 'Nothing of its name is left that every desktop takes. Name it by hand.',
    }
    item.aim = null
    return
  }
  for (const { rules } of [...folders, name]) rules.forEach(rule => item.rules.add(rule))
  const { ending } = item.aim
  const keepsEnding = name.name.endsWith(ending)
  item.aim = {
    folders: folders.map(folder => folder.name),
    stem: keepsEnding ? name.name.slice(0, name.name.length - ending.length) : name.name,
    ending: keepsEnding ? ending : '',
  }
}

/** Files of one folder whose names begin alike: an episode and its subtitles. */
function byBeginning(items: readonly NameItem[]): NameItem[][] {
  const sorted = [...items].sort((a, b) => a.aim!.stem.length - b.aim!.stem.length)
  const groups = new Map<string, NameItem[]>()
  for (const item of sorted) {
    const { stem } = item.aim!
    const lead = [...groups.keys()].find(
      begin => stem === begin || stem.startsWith(`${begin}.`) || stem.startsWith(`${begin}-`),
    )
    if (lead === undefined) groups.set(stem, [item])
    else groups.get(lead)!.push(item)
  }
  return [...groups.values()]
}

function cutBeginning(group: readonly NameItem[], mostBytes: number): void {
  const begin = group[0]!.aim!.stem
  const behind = group
    .map(({ aim }) => aim!.stem.slice(begin.length) + aim!.ending)
    .sort((a, b) => b.length - a.length)[0]!
  const cut = cutTitle(begin, behind, mostBytes)
  for (const item of group) {
    item.aim = { ...item.aim!, stem: cut + item.aim!.stem.slice(begin.length) }
    item.rules.add('X6')
  }
}

/** A film's title, once for its folder and all files that begin with it, by the longest of them. */
function cutFilm(group: readonly NameItem[], mostBytes: number): boolean {
  const folder = group[0]!.aim!.folders[1]!
  const found = /^(.*) (\(\d{4}\))$/.exec(folder)
  if (!found) return false
  const [, title = '', year = ''] = found
  const own = group.filter(({ aim }) => aim!.stem.startsWith(folder))
  const behind = own
    .map(({ aim }) => ` ${year}${aim!.stem.slice(folder.length)}${aim!.ending}`)
    .sort((a, b) => b.length - a.length)[0]
  const cut = `${cutTitle(title, behind ?? ` ${year}`, mostBytes)} ${year}`
  for (const item of group) {
    const { folders, stem } = item.aim!
    item.aim = {
      ...item.aim!,
      folders: [folders[0]!, cut, ...folders.slice(2)],
      stem: stem.startsWith(folder) ? cut + stem.slice(folder.length) : stem,
    }
    item.rules.add('X6')
  }
  return true
}

/** X6: names that are too long, cut within the title, alike for what belongs together. */
export function cutLong(items: readonly NameItem[], mostBytes: number): void {
  const isLong = ({ aim }: NameItem) =>
    isTooLong(aim!.stem + aim!.ending, mostBytes) ||
    aim!.folders.some(folder => isTooLong(folder, mostBytes))
  const placed = items.filter(({ aim }) => aim !== null)
  if (!placed.some(isLong)) return
  const films = placed.filter(({ aim }) => aim!.folders[0] === filmsFolder && aim!.folders[1])
  for (const group of groupedBy(films, ({ aim }) => aim!.folders[1]!).values())
    if (group.some(isLong)) cutFilm(group, mostBytes)
  const rest = placed.filter(isLong)
  for (const item of rest) {
    const folders = item.aim!.folders.map(folder =>
      isTooLong(folder, mostBytes) ? cutTitle(folder, '', mostBytes) : folder,
    )
    if (folders.some((folder, at) => folder !== item.aim!.folders[at])) item.rules.add('X6')
    item.aim = { ...item.aim!, folders }
  }
  const dirs = new Set(rest.map(({ aim }) => dirOf(aim!)))
  const inDirs = groupedBy(
    placed.filter(({ aim }) => dirs.has(dirOf(aim!))),
    ({ aim }) => dirOf(aim!),
  )
  for (const dir of inDirs.values())
    for (const group of byBeginning(dir))
      if (group.some(({ aim }) => isTooLong(aim!.stem + aim!.ending, mostBytes)))
        cutBeginning(group, mostBytes)
}
