import { encodingOf } from '~~/core/formats/encodingOf'
import type { ListedFile } from '~~/core/formats/listedFile'
import { readPathList } from '~~/core/formats/pathList'
import {
  checkNames,
  type NameFinding,
  type NamesChecked,
} from '~~/core/commissioning/names/checkNames'
import { exampleList } from '~~/core/commissioning/names/exampleList'
import type { NameAsk } from '~~/core/commissioning/names/nameItem'
import { nameRuleIds, type NameRuleId } from '~~/core/commissioning/names/nameRules'
import { renameCsv, renameList } from '~~/core/commissioning/names/renameList'
import { renameScript } from '~~/core/commissioning/names/renameScript'
import { isTopFolder } from '~~/core/commissioning/names/topFolders'

type RenameFinding = Extract<NameFinding, { kind: 'rename' }>

/** What somebody said to the proposals. */
export interface NameSettings {
  readonly year: number
  readonly answers: readonly (readonly [key: string, answer: string])[]
  readonly byHand: readonly (readonly [path: string, to: string])[]
  readonly isEncrypted: boolean
  /** proposals of these rules are taken, though they are to be confirmed */
  readonly takenRules: readonly NameRuleId[]
  /** taken or left one by one */
  readonly taken: readonly (readonly [path: string, isTaken: boolean])[]
}

/** States that a file can be in, from right to left out. */
export const nameStates = ['right', 'sure', 'confirm', 'ask', 'leaveOut', 'told'] as const
export type NameState = (typeof nameStates)[number]

export interface NameQuestion extends NameAsk {
  readonly files: number
  /** one of the files that it is asked for */
  readonly example: string
}
export interface NameSummary extends Omit<NamesChecked, 'findings'> {
  readonly root: string
  readonly notes: readonly string[]
  /** how many files of each top folder are in each state */
  readonly states: Readonly<Record<string, Readonly<Record<NameState, number>>>>
  readonly rules: readonly {
    readonly rule: NameRuleId
    readonly sure: number
    readonly confirm: number
  }[]
  readonly questions: readonly NameQuestion[]
  readonly questionCount: number
  /** new names that are taken, moves between top folders, and proposals that are left */
  readonly taken: number
  readonly moves: number
  readonly left: number
}
export interface NameRow {
  readonly path: string
  readonly to: string | null
  readonly state: NameState
  readonly rule: NameRuleId | null
  readonly sentence: string
  readonly isTaken: boolean
  readonly clashes: boolean
}
export interface NameFilter {
  readonly top: string | null
  readonly rule: NameRuleId | null
}

/** Questions that are shown at once: answers to them may answer others. */
const mostQuestions = 60

const topOf = (path: string) => {
  const first = path.split('/')[0]!.toLowerCase()
  return path.includes('/') && isTopFolder(first) ? first : ''
}
const stateOf = (found: NameFinding): NameState =>
  found.kind === 'rename' ? (found.isSure ? 'sure' : 'confirm') : found.kind
const ruleOf = (found: NameFinding): NameRuleId | null =>
  found.kind === 'rename'
    ? (found.rules[0] ?? null)
    : found.kind === 'ask'
      ? found.ask.rule
      : found.kind === 'told'
        ? found.rule
        : 'F7'

/** Holds a list and what was found in it; only what is shown crosses to the page. */
export function createNamesWork() {
  let files: readonly ListedFile[] = []
  let root = ''
  let notes: readonly string[] = []
  let checked: NamesChecked | null = null
  let settings: NameSettings | null = null

  /** Looked up once for many. */
  function takenBy(): (found: RenameFinding) => boolean {
    const own = new Map(settings?.taken)
    const rules = new Set(settings?.takenRules)
    return found => own.get(found.path) ?? (found.isSure || rules.has(found.rules[0]!))
  }
  const listed = () => renameList(checked?.findings ?? [], takenBy())

  function summary(): NameSummary {
    const { findings, ...rest } = checked!
    const states: Record<string, Record<NameState, number>> = {}
    const stateFor = (top: string) =>
      (states[top] ??= { right: 0, sure: 0, confirm: 0, ask: 0, leaveOut: 0, told: 0 })
    const found = new Map<string, NameState>()
    for (const one of findings) if (!found.has(one.path)) found.set(one.path, stateOf(one))
    for (const { path } of files) stateFor(topOf(path))[found.get(path) ?? 'right']++
    const questions = new Map<string, { ask: NameAsk; files: number; example: string }>()
    for (const one of findings) {
      if (one.kind !== 'ask') continue
      const known = questions.get(one.ask.key)
      if (known) known.files++
      else questions.set(one.ask.key, { ask: one.ask, files: 1, example: one.path })
    }
    const { renames, moves, left } = listed()
    const renamed = findings.filter(one => one.kind === 'rename')
    return {
      ...rest,
      root,
      notes,
      states,
      rules: nameRuleIds.flatMap(rule => {
        const own = renamed.filter(({ rules }) => rules[0] === rule)
        const sure = own.filter(({ isSure }) => isSure).length
        return own.length > 0 ? [{ rule, sure, confirm: own.length - sure }] : []
      }),
      questions: [...questions.values()]
        .sort((a, b) => b.files - a.files)
        .slice(0, mostQuestions)
        .map(({ ask, ...more }) => ({ ...ask, ...more })),
      questionCount: questions.size,
      taken: renames.length,
      moves: moves.length,
      left,
    }
  }

  return {
    /** Reads a list; throws with a sentence where it is none. */
    async read(list: Blob): Promise<number> {
      const start = new Uint8Array(await list.slice(0, 64).arrayBuffer())
      const text = new TextDecoder(encodingOf(start)).decode(await list.arrayBuffer())
      const understood = readPathList(text, isTopFolder)
      files = understood.files
      root = understood.root
      notes = understood.notes
      return files.length
    },
    readExample(): number {
      files = exampleList
      root = ''
      notes = []
      return files.length
    },
    check(next: NameSettings, onProgress?: (share: number) => void): NameSummary {
      settings = next
      checked = checkNames(files, {
        year: next.year,
        answers: new Map(next.answers),
        byHand: new Map(next.byHand),
        isEncrypted: next.isEncrypted,
        ...(onProgress ? { onProgress } : {}),
      })
      return summary()
    },
    /** Takes or leaves proposals without checking anew. */
    take(next: NameSettings): NameSummary {
      settings = next
      return summary()
    },
    rows({ top, rule }: NameFilter, from: number, count: number) {
      const all = (checked?.findings ?? []).filter(
        found =>
          found.kind !== 'ask' &&
          (top === null || topOf(found.path) === top) &&
          (rule === null || ruleOf(found) === rule),
      )
      const isTaken = takenBy()
      const rows = all.slice(from, from + count).map((found): NameRow => ({
        path: found.path,
        to: found.kind === 'rename' ? found.to : null,
        state: stateOf(found),
        rule: ruleOf(found),
        sentence:
          found.kind === 'told' ? found.sentence : found.kind === 'leaveOut' ? found.why : '',
        isTaken: found.kind === 'rename' && isTaken(found),
        clashes: found.kind === 'rename' && found.clashes,
      }))
      return { rows, total: all.length }
    },
    script: () => renameScript(listed().renames),
    csv: () => renameCsv(listed().renames),
    moves: () => renameCsv(listed().moves),
  }
}
export type NamesWork = ReturnType<typeof createNamesWork>
