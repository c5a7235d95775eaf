import { filmsFolder } from './films'
import { readEpisode, seriesFolder } from './episodes'
import { musicFolder } from './music'
import { ownVideoFolder, photosFolder } from './pictures'
import { groupedBy, type NameItem } from './nameItem'

/** Top folders of the tree, and what lies in each by its pattern. */
export const treeFolders: readonly { readonly id: string; readonly pattern: string }[] = [
  { id: filmsFolder, pattern: 'films/Title (Year)/' },
  { id: seriesFolder, pattern: 'series/Title/Season 01/' },
  { id: musicFolder, pattern: 'music/Artist/2019 - Album/' },
  { id: photosFolder, pattern: 'photos/2026/2026-08/' },
  { id: ownVideoFolder, pattern: 'own-video/2026/2026-08-14 Event/' },
  { id: 'projects', pattern: 'projects/2026 Name/' },
  { id: 'people', pattern: 'people/account/' },
  { id: 'household', pattern: 'household/' },
  { id: 'computers', pattern: 'computers/name/' },
  { id: 'inbox', pattern: 'inbox/account/' },
]
const known = new Set(treeFolders.map(({ id }) => id))
export const isTopFolder = (name: string): boolean => known.has(name.toLowerCase())

/** Nothing in these gets another name: programs find their files by it. */
export const untouchedFolders: readonly string[] = ['projects', 'computers']

const ofCamera = /^(mvi|vid|mov|img|dsc[nf]?|gopr|pxl|dji)[_-]?\d+/i

/** The top folder of a file that lies in none, by what it is; null where nothing tells it. */
function topByContent(item: NameItem): string | null {
  if (item.kind === 'music') return musicFolder
  if (item.kind === 'photo' || item.kind === 'raw') return photosFolder
  if (item.kind !== 'video') return null
  if (ofCamera.test(item.stem) || item.folders.some(folder => /^dcim$/i.test(folder)))
    return ownVideoFolder
  const place = readEpisode(item.stem, null)?.place.by
  return place === 'number' || place === 'date' ? seriesFolder : filmsFolder
}

/**
 * Files by the top folder that they belong to: the one they lie in, otherwise by what they are and
 * what lies beside them. Files of no kind are under ''.
 */
export function byTopFolder(items: readonly NameItem[]): Map<string, NameItem[]> {
  const tops = new Map<NameItem, string>()
  const loose = items.filter(item => {
    const [first] = item.folders
    if (first === undefined || !isTopFolder(first)) return true
    tops.set(item, first.toLowerCase())
    return false
  })
  for (const dir of groupedBy(loose, ({ folders }) => folders.join('/')).values()) {
    const found = new Map(dir.map(item => [item, topByContent(item)] as const))
    // A picture beside a film is its poster; a subtitle goes where its film goes.
    const ofVideos = [...found.values()].find(top => top === filmsFolder || top === seriesFolder)
    const ofMusic = [...found.values()].find(top => top === musicFolder)
    const ofOthers = ofVideos ?? ofMusic ?? null
    for (const [item, top] of found) {
      const isBeside = item.kind !== 'video' && item.kind !== 'music' && ofOthers !== null
      tops.set(item, (isBeside ? ofOthers : top) ?? '')
    }
  }
  return groupedBy(items, item => tops.get(item)!)
}
