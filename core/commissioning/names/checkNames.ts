import { foldedPath, mergeSpellings } from './caseClashes'
import { nameEpisodes, seriesFolder } from './episodes'
import { whyLeftOut } from './fileKinds'
import { filmsFolder, nameFilms } from './films'
import { cutLong, makeSafe } from './fitting'
import type { ListedFile } from '../../formats/listedFile'
import { musicFolder, nameMusic } from './music'
import { groupedBy, nameItem, type NameAsk, type NameContext, type NameItem } from './nameItem'
import { nameRuleIds, type NameRuleId } from './nameRules'
import { namePictures, ownVideoFolder, photosFolder } from './pictures'
import { largestOnFat32, longestBytes, longestEncryptedBytes, longestPath } from './safeNames'
import { byTopFolder, untouchedFolders } from './topFolders'

/** What comes of a file: another name, a question, left out, or something that is only told. */
export type NameFinding =
  | {
      readonly kind: 'rename'
      readonly path: string
      readonly to: string
      readonly rules: readonly NameRuleId[]
      /** false: somebody has to confirm it */
      readonly isSure: boolean
      /** another file is to get the same name */
      readonly clashes: boolean
    }
  | { readonly kind: 'ask'; readonly path: string; readonly ask: NameAsk }
  | { readonly kind: 'leaveOut'; readonly path: string; readonly why: string }
  | {
      readonly kind: 'told'
      readonly path: string
      readonly rule: NameRuleId
      readonly sentence: string
    }

export interface NamesChecked {
  readonly files: number
  /** files whose names are right */
  readonly right: number
  readonly findings: readonly NameFinding[]
  /** names that begin with a dot, which hides them; untouched */
  readonly hidden: readonly string[]
  /** files that no FAT32 medium can hold */
  readonly overFat32: number
  /** how many files there are of each top folder, '' for none of the tree's */
  readonly byTop: Readonly<Record<string, number>>
}

export interface NameOptions {
  /** the year that it is, passed in */
  readonly year: number
  /** answers to questions by their keys */
  readonly answers?: ReadonlyMap<string, string>
  /** paths that somebody corrected by hand */
  readonly byHand?: ReadonlyMap<string, string>
  /** names have to fit an encrypted folder */
  readonly isEncrypted?: boolean
  readonly onProgress?: (share: number) => void
}

/** A catalogue of pictures is a folder that its program finds its files in. */
const catalogueFolder = /\.(catalog|catalogue|library)$/i

/** Folders of the list are no files: they are left out. */
function onlyFiles(files: readonly ListedFile[]): ListedFile[] {
  const folders = new Set<string>()
  for (const { path } of files)
    for (let at = path.lastIndexOf('/'); at > 0; at = path.lastIndexOf('/', at - 1)) {
      const folder = path.slice(0, at)
      if (folders.has(folder)) break
      folders.add(folder)
    }
  const seen = new Set<string>()
  return files.filter(({ path }) => {
    const isFile = path !== '' && !path.endsWith('/') && !folders.has(path) && !seen.has(path)
    seen.add(path)
    return isFile
  })
}

const isHidden = (path: string) => path.startsWith('.') || path.includes('/.')
const targetOf = ({ aim }: NameItem): string | null =>
  aim && [...aim.folders, aim.stem + aim.ending].join('/')

/** Where files lie that no rule moves: their own path, with signs that every desktop takes. */
function keepPlace(item: NameItem): void {
  if (item.aim || item.ask || item.leftOut !== null || item.told) return
  item.aim = { folders: item.folders, stem: item.stem, ending: item.ending }
}

type NameKind = (items: readonly NameItem[], context: NameContext) => void
const kinds: Readonly<Record<string, NameKind>> = {
  [filmsFolder]: nameFilms,
  [seriesFolder]: nameEpisodes,
  [musicFolder]: nameMusic,
}

function nameAll(tops: ReadonlyMap<string, readonly NameItem[]>, context: NameContext): void {
  const placedOf = (top: string) =>
    (tops.get(top) ?? [])
      .filter(({ folders }) => !folders.some(folder => catalogueFolder.test(folder)))
      .map(item => ({ item, placed: asIfIn(item, top) }))
  for (const [top, name] of Object.entries(kinds)) {
    const all = placedOf(top)
    name(
      all.map(({ placed }) => placed),
      context,
    )
    all.forEach(takeOver)
  }
  // Own video and photos are looked at together: a moving photo is both.
  const pictures = [photosFolder, ownVideoFolder].flatMap(placedOf)
  namePictures(pictures.map(({ placed }) => placed))
  pictures.forEach(takeOver)
}
/** What lies loose, as if it lay in the top folder that it belongs to. */
function asIfIn(item: NameItem, top: string): NameItem {
  const isThere = item.folders[0]?.toLowerCase() === top
  return isThere ? item : { ...item, folders: [top, ...item.folders] }
}
function takeOver({ item, placed }: { item: NameItem; placed: NameItem }): void {
  const { aim, isSure, ask, leftOut, told } = placed
  Object.assign(item, { aim, isSure, ask, leftOut, told })
}

/** Proposals of one name, and such of a name that is there and stays: all to be confirmed. */
function findClashes(items: readonly NameItem[]): ReadonlySet<NameItem> {
  const staying = (item: NameItem) => item.ask !== null || item.aim === null
  const byTarget = groupedBy(items, item =>
    foldedPath(staying(item) ? item.file.path : (targetOf(item) ?? item.file.path)),
  )
  const clashing = new Set<NameItem>()
  for (const alike of byTarget.values())
    if (alike.length > 1) alike.forEach(item => clashing.add(item))
  return clashing
}

function findingsOf(item: NameItem, clashes: boolean): NameFinding[] {
  const { path } = item.file
  if (item.leftOut !== null) return [{ kind: 'leaveOut', path, why: item.leftOut }]
  if (item.told) return [{ kind: 'told', path, ...item.told }]
  if (item.ask) return [{ kind: 'ask', path, ask: item.ask }]
  const to = targetOf(item)
  if (to === null) return []
  const found: NameFinding[] = []
  if (to !== path) {
    const rules = nameRuleIds.filter(rule => item.rules.has(rule))
    found.push({ kind: 'rename', path, to, rules, isSure: item.isSure && !clashes, clashes })
  } else if (clashes) {
    const sentence = 'Another file differs from it in case only; over SMB one hides the other.'
    found.push({ kind: 'told', path, rule: 'X5', sentence })
  }
  if (to.length > longestPath) {
    const sentence = `With its share the path has ${to.length} signs: old programs open ${longestPath}.`
    found.push({ kind: 'told', path, rule: 'X6', sentence })
  }
  return found
}

/** One round over all names. */
function checkRound(
  files: readonly ListedFile[],
  context: NameContext,
  { byHand, isEncrypted = false }: Pick<NameOptions, 'byHand' | 'isEncrypted'>,
) {
  const items = files.filter(({ path }) => !isHidden(path)).map(nameItem)
  for (const item of items)
    item.leftOut = whyLeftOut(item.stem + item.ending, item.ending, item.file.sizeBytes)
  const tops = byTopFolder(items)
  const untouched = new Set(untouchedFolders.flatMap(top => tops.get(top) ?? []))
  nameAll(tops, context)
  const open = items.filter(
    item => !untouched.has(item) && !item.folders.some(folder => catalogueFolder.test(folder)),
  )
  for (const item of open) {
    keepPlace(item)
    byHandOf(item, byHand)
    makeSafe(item)
  }
  cutLong(open, isEncrypted ? longestEncryptedBytes : longestBytes)
  mergeSpellings(open, context)
  const clashing = findClashes(items)
  return { findings: items.flatMap(item => findingsOf(item, clashing.has(item))), items, tops }
}

type RenameFinding = Extract<NameFinding, { kind: 'rename' }>
const isRename = (found: NameFinding): found is RenameFinding => found.kind === 'rename'

/** Rounds after which names that never come to rest are left to whoever knows them. */
const mostRounds = 5

/**
 * Proposals that are looked at again as if they were taken, until nothing more is proposed: a file
 * that got into its folder may be read better there.
 */
function settled(
  files: readonly ListedFile[],
  first: readonly NameFinding[],
  look: (files: readonly ListedFile[]) => readonly NameFinding[],
): NameFinding[] {
  const renames = new Map(first.filter(isRename).map(found => [found.path, found]))
  const restless = new Set<string>()
  for (let round = 1; round < mostRounds; round++) {
    // Two that fall on one name stay where they are meanwhile.
    const at = ({ path }: ListedFile) => {
      const found = renames.get(path)
      return found && !found.clashes ? found.to : path
    }
    const origin = new Map(files.map(file => [at(file), file.path]))
    const next = look(files.map(file => ({ ...file, path: at(file) }))).filter(isRename)
    let isQuiet = true
    for (const found of next) {
      const path = origin.get(found.path)!
      const before = renames.get(path)
      if (before?.clashes || (found.to === path && !before)) continue
      isQuiet = false
      const rules = nameRuleIds.filter(
        rule => found.rules.includes(rule) || before?.rules.includes(rule),
      )
      const isSure = found.isSure && (before?.isSure ?? true)
      renames.set(path, { ...found, path, rules, isSure })
    }
    if (isQuiet) break
    // What never comes to rest is for somebody to say.
    if (round === mostRounds - 1) for (const found of next) restless.add(origin.get(found.path)!)
  }
  const others = first.filter(found => !isRename(found))
  return [
    ...[...renames.values()].filter(({ path, to }) => path !== to && !restless.has(path)),
    ...[...restless].map((path): NameFinding => {
      const question = 'Its name can be read in several ways. Name it by hand.'
      return { kind: 'ask', path, ask: { key: `name|${path}`, rule: 'F2', question } }
    }),
    ...others,
  ]
}

/**
 * Checks names against the patterns of the tree, and proposes better ones. What no name tells is
 * asked, never invented; a name that is right is left alone, and a proposal that is checked again
 * proposes nothing.
 * @param files paths from the top of the tree, / between folders
 */
export function checkNames(files: readonly ListedFile[], options: NameOptions): NamesChecked {
  const progress = options.onProgress ?? (() => undefined)
  const context: NameContext = {
    latestYear: options.year + 1,
    answers: options.answers ?? new Map<string, string>(),
  }
  const all = onlyFiles(files)
  progress(0.1)
  const { findings: first, items, tops } = checkRound(all, context, options)
  progress(0.5)
  const { byHand } = options
  const findings = settled(
    all,
    first,
    again =>
      checkRound(again, context, {
        ...options,
        // What was written by hand is kept as it was written.
        byHand: new Map([...(byHand?.values() ?? [])].map(path => [path, path] as const)),
      }).findings,
  )
  progress(1)
  const told = new Set(findings.map(({ path }) => path))
  return {
    files: all.length,
    right: items.filter(({ file }) => !told.has(file.path)).length,
    findings,
    hidden: all.filter(({ path }) => isHidden(path)).map(({ path }) => path),
    overFat32: all.filter(({ sizeBytes }) => (sizeBytes ?? 0) > largestOnFat32).length,
    byTop: Object.fromEntries([...tops].map(([top, list]) => [top, list.length])),
  }
}

/** What somebody wrote in place of a proposal goes first, and is sure. */
function byHandOf(item: NameItem, byHand: NameOptions['byHand']): void {
  const path = byHand?.get(item.file.path)
  if (path === undefined) return
  const own = nameItem({ ...item.file, path })
  item.aim = { folders: own.folders, stem: own.stem, ending: own.ending }
  item.ask = null
  item.isSure = true
}
