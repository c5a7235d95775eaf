import { JsonObjectSplitter } from '../../formats/jsonDocuments'
import { probedSource } from './probedSource'
import { isFio, readFio } from './fio'
import { isIperf3, readIperf3 } from './iperf3'
import { isSmartctl, readSmartctl } from './smartctl'
import { part, type Understood } from './understood'

/** What was understood of one document of a file, and where in the file it stands. */
export interface UnderstoodDocument extends Understood {
  /** of the file, from 1 */
  readonly line: number
}

interface Reader {
  readonly is: (document: unknown) => boolean
  readonly read: (document: unknown) => Understood
}
/** Kinds of document, each told by what only it has. */
const readers: readonly Reader[] = [
  { is: isSmartctl, read: readSmartctl },
  { is: isFio, read: readFio },
  { is: isIperf3, read: readIperf3 },
  {
    is: document =>
      part(document, 'streams') !== undefined || part(document, 'format') !== undefined,
    read: probedSource,
  },
]

const unknownDocument: Understood = {
  tool: '',
  version: '',
  entries: [],
  notes: [
    'It is no report that Numeron knows: smartctl -j, fio --output-format=json, iperf3 -J, ' +
      'ffprobe in JSON, or CSV.',
  ],
}

/**
 * The reports of tools in a file: one document, an array, or documents one after the other. Each is
 * read by itself: one that is cut off or of an unknown kind says so and spoils no other.
 */
export function readReports(text: string): UnderstoodDocument[] {
  const splitter = new JsonObjectSplitter()
  const pieces = [...splitter.push(text), ...splitter.end()]
  let stray = ''
  const found: UnderstoodDocument[] = []
  for (const piece of pieces) {
    if (piece.kind === 'problem') {
      // A tool may write its message in front of its document.
      if (/^Text outside/.test(piece.message)) stray = lineOf(text, piece.line)
      else
        found.push({
          ...unknownDocument,
          line: piece.line,
          notes: ['The file ends in the middle of a report, so nothing is taken from that report.'],
        })
      continue
    }
    const document = parsed(piece.text)
    const reader = readers.find(({ is }) => is(document))
    const understood =
      document === undefined
        ? { ...unknownDocument, notes: ['It is not valid JSON, so nothing is taken from it.'] }
        : (reader?.read(document) ?? unknownDocument)
    found.push({
      ...understood,
      notes: stray ? [`The tool says: ${stray}`, ...understood.notes] : understood.notes,
      line: piece.line,
    })
    stray = ''
  }
  if (found.length === 0)
    found.push({
      ...unknownDocument,
      line: 1,
      notes: stray ? [`The tool says: ${stray}`] : ['There is nothing in it.'],
    })
  return found
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}

const longestMessage = 200
const lineOf = (text: string, line: number): string =>
  (text.split('\n', line)[line - 1] ?? '').trim().slice(0, longestMessage)
