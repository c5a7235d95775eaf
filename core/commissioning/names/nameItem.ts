import type { ListedFile } from '../../formats/listedFile'
import type { NameRuleId } from './nameRules'
import { fileKind, type FileKind } from './fileKinds'
import { readableName, splitEnding } from './safeNames'

/** Something that no name tells and only a person knows; alike questions have one key. */
export interface NameAsk {
  readonly key: string
  readonly question: string
  readonly rule: NameRuleId
  /** what may be answered; anything where none are given */
  readonly choices?: readonly string[]
}

/** Where a file should lie: folders from the top, and its name. */
export interface Aim {
  readonly folders: readonly string[]
  readonly stem: string
  readonly ending: string
}

/** A file on its way through the rules. */
export interface NameItem {
  readonly file: ListedFile
  /** folders and name as found, signs that no desktop takes replaced */
  readonly folders: readonly string[]
  readonly stem: string
  readonly ending: string
  readonly kind: FileKind
  readonly rules: Set<NameRuleId>
  aim: Aim | null
  isSure: boolean
  ask: NameAsk | null
  /** why it is not copied at all */
  leftOut: string | null
  /** what is only told: it stays as it is */
  told: { readonly rule: NameRuleId; readonly sentence: string } | null
}

/** What the rules are asked with. */
export interface NameContext {
  /** latest year of a film, next year's */
  readonly latestYear: number
  /** answers by the keys of questions */
  readonly answers: ReadonlyMap<string, string>
}

export function nameItem(file: ListedFile): NameItem {
  const rules = new Set<NameRuleId>()
  const parts = file.path.split('/').map(part => {
    const readable = readableName(part)
    readable.rules.forEach(rule => rules.add(rule))
    return readable.name
  })
  const [stem, ending] = splitEnding(parts.at(-1)!)
  return {
    file,
    folders: parts.slice(0, -1),
    stem,
    ending,
    kind: fileKind(ending),
    rules,
    aim: null,
    isSure: true,
    ask: null,
    leftOut: null,
    told: null,
  }
}

/** Entries in groups by a key, in the order in which the keys came first. */
export function groupedBy<Entry, Key>(
  entries: Iterable<Entry>,
  keyOf: (entry: Entry) => Key,
): Map<Key, Entry[]> {
  const groups = new Map<Key, Entry[]>()
  for (const entry of entries) {
    const key = keyOf(entry)
    const group = groups.get(key)
    if (group) group.push(entry)
    else groups.set(key, [entry])
  }
  return groups
}
