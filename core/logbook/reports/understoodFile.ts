import { readEntry, type Entry, type EntryDraft } from '../entry'
import { readLogCsv } from './logCsv'
import { readReports } from './readReports'

/** Something of a file that becomes an entry. */
export interface UnderstoodEntry {
  readonly draft: EntryDraft
  readonly tool: string
  readonly version: string
  /** where in the file it stands, in words */
  readonly place: string
}

/** What was understood of a file, before anything of it is taken. */
export interface UnderstoodFile {
  readonly name: string
  readonly entries: readonly UnderstoodEntry[]
  /** entries of an exported log: they join as they are */
  readonly logged: readonly Entry[]
  /** what is wrong or left out, each with its line */
  readonly notes: readonly { readonly line: number; readonly text: string }[]
}

/** Most notes that are shown of a file. */
const notesShown = 100

/** Whether a file is an exported log: JSON lines, each an entry with an id and a kind. */
function loggedLines(text: string): string[] | null {
  const first = text.slice(0, text.indexOf('\n') < 0 ? undefined : text.indexOf('\n')).trim()
  if (!first.startsWith('{"') || !first.includes('"kind"') || !first.includes('"origin"'))
    return null
  return text.split('\n')
}

/**
 * What a file of reports, a table or an exported log holds.
 * @param now the moment in milliseconds since 1970: entries from the future are refused
 */
export function understoodFile(name: string, text: string, now: number): UnderstoodFile {
  const lines = loggedLines(text)
  if (lines) {
    const logged: Entry[] = []
    const notes: UnderstoodFile['notes'][number][] = []
    lines.forEach((line, at) => {
      if (line.trim() === '') return
      const read = parsed(line)
      const entry = read === undefined ? null : readEntry(read, now)
      if (entry?.ok) logged.push(entry.entry)
      else
        notes.push({
          line: at + 1,
          text: entry ? (entry.problems[0]?.message ?? '') : 'It is not valid JSON.',
        })
    })
    return { name, entries: [], logged, notes: notes.slice(0, notesShown) }
  }
  if (!/^\s*[[{]/.test(text) && /^[^\n{]*[,;\t]/.test(text)) {
    const { entries, problems } = readLogCsv(text)
    return {
      name,
      logged: [],
      entries: entries.map(({ line, draft }) => ({
        draft,
        tool: 'CSV',
        version: '',
        place: `line ${line}`,
      })),
      notes: problems.slice(0, notesShown).map(({ line, message }) => ({ line, text: message })),
    }
  }
  const documents = readReports(text)
  return {
    name,
    logged: [],
    entries: documents.flatMap(({ tool, version, entries, line }) =>
      entries.map((draft, at) => ({ draft, tool, version, place: `line ${line}, ${at + 1}` })),
    ),
    notes: documents
      .flatMap(({ notes, line }) => notes.map(note => ({ line, text: note })))
      .slice(0, notesShown),
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}
