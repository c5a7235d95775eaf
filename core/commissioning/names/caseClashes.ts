import type { NameContext, NameItem } from './nameItem'

/** A path as desktops compare it: composed, and without case. */
export const foldedPath = (path: string): string => path.normalize('NFC').toLowerCase()

interface Folder {
  /** how many files lie under each spelling of a name, by its folded form */
  readonly spellings: Map<string, Map<string, number>>
}

/** What each folder's names become, by the folded path of the folder and of the name in it. */
type Chosen = ReadonlyMap<string, string | null>

/** Of spellings that differ in case only the one with most files; null where as many lie in two. */
function chooseSpellings(items: readonly NameItem[]): Chosen {
  const folders = new Map<string, Folder>()
  for (const { aim } of items) {
    let above = ''
    for (const name of aim!.folders) {
      const folder = folders.get(above) ?? { spellings: new Map<string, Map<string, number>>() }
      folders.set(above, folder)
      const key = foldedPath(name)
      const counts = folder.spellings.get(key) ?? new Map<string, number>()
      folder.spellings.set(key, counts.set(name, (counts.get(name) ?? 0) + 1))
      above = `${above}/${key}`
    }
  }
  const chosen = new Map<string, string | null>()
  for (const [above, { spellings }] of folders)
    for (const [key, counts] of spellings) {
      if (counts.size < 2) continue
      const [first, second] = [...counts].sort((a, b) => b[1] - a[1])
      chosen.set(`${above}/${key}`, first![1] > second![1] ? first![0] : null)
    }
  return chosen
}

/** X5: folders whose names differ in case only become one, the one with more files. */
export function mergeSpellings(items: readonly NameItem[], { answers }: NameContext): void {
  const placed = items.filter(({ aim }) => aim !== null)
  const chosen = chooseSpellings(placed)
  if (chosen.size === 0) return
  for (const item of placed) {
    let above = ''
    const folders: string[] = []
    for (const name of item.aim!.folders) {
      above = `${above}/${foldedPath(name)}`
      const one = chosen.get(above)
      const key = `case|${above}`
      const answer = answers.get(key)
      const isAnswered = answer !== undefined && foldedPath(answer) === foldedPath(name)
      if (one === null && !isAnswered)
        item.ask ??= {
          key,
          rule: 'X5',
          question: `"${name}" is there in two spellings with as many files. Which one stays?`,
        }
      folders.push(isAnswered ? answer : (one ?? name))
    }
    if (folders.some((folder, at) => folder !== item.aim!.folders[at])) item.rules.add('X5')
    item.aim = { ...item.aim!, folders }
  }
}
